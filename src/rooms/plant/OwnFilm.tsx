import { useMemo } from 'react'
import { isoDate, yearOf } from '../../core/foundations/day'
import { cropContent, cropStand, planting } from '../../core/garden/newStands'
import { yearsPastLife } from '../../core/garden/tool'
import { HOLED } from '../../core/planting/holed'
import type { Crop } from '../../core/plants/crops'
import { cropsCarried, sheetClashes, sheetUses } from '../../core/scenario/sheetUse'
import { placeText } from '../../text/bed'
import { centimetres, shortDate } from '../../text/format'
import { pastLifeText, pieceText } from '../../text/sheets'
import { useGarden } from '../../state/garden'
import type { PlantView } from './usePlant'

const TRIED_ID = 'through film'

/** Which film or fabric of one's own the crop would be planted through: with how far its holes are, what it has carried, and where else it lies. */
export function OwnFilm({ crop, plant: { view, plantingDay, ground } }: { crop: Crop; plant: PlantView }) {
  const { expected, today } = useGarden()
  const { garden, beds } = expected
  const owned = garden.tools.some(({ kind }) => HOLED.includes(kind))
  const day = plantingDay ?? today
  const lying = useMemo(() => {
    if (!owned) return null
    const { stand, next } = view
    const tried = cropStand(
      { id: TRIED_ID, gardenId: stand.gardenId, bedId: stand.bedId, segment: ground },
      cropContent(crop.id, 'transplant', { plantingMethod: 'film' }),
      { plan: planting(isoDate(day)), actual: null },
      crop.daysInBed,
    )
    const others = expected.stands.filter(({ id }) => id !== next?.stand.id)
    const uses = sheetUses({ ...expected, stands: [...others, tried] }, today)
    const use = uses.find((one) => one.stand.id === TRIED_ID)!
    return { use, elsewhere: sheetClashes(uses).find((clash) => clash.use === use)?.with ?? [] }
  }, [owned, view, crop, day, expected, today, ground])
  if (!lying) return null
  const { units } = garden
  const { sheets, fits } = lying.use
  if (!sheets)
    return (
      <p data-testid="own-film">
        {fits
          ? `Yours lies elsewhere then: ${lying.elsewhere
              .map(({ stand, untilDay }) => {
                const bed = beds.find(({ id }) => id === stand.bedId)!
                return `${placeText(bed, stand.segment, units)}${Number.isFinite(untilDay) ? ` until ${shortDate(untilDay)}` : ''}`
              })
              .join(', ')}.`
          : `None of yours covers this ground with holes about ${centimetres(crop.plantCm / 100, units)} apart, or none yet.`}
      </p>
    )
  return sheets.map((sheet) => {
    const years = yearsPastLife(sheet, yearOf(day))
    const carried = cropsCarried(expected, sheet)
    const facts = [
      `Your ${pieceText(sheet, units)}`,
      carried > 0 ? `${carried === 1 ? 'one crop' : `${carried} crops`} planted through it so far` : '',
      years > 0 ? `${pastLifeText(years)}, look it over first` : '',
    ].filter(Boolean)
    return (
      <p key={sheet.id} data-testid="own-film">
        {facts.join('; ')}.
      </p>
    )
  })
}
