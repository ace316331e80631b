import { findSpecies } from '../../core/plants/catalogue'
import { drawDown, germinationOf, pureLiveSeed } from '../../core/seeding/lots'
import type { Recipe } from '../../core/seeding/recipe'
import { grams, percent } from '../../text/format'
import { TypedTick } from '../../parts/form/fields'
import { useGarden } from '../../state/garden'
import type { Sow } from './useSow'
import { readQuantity } from '../../text/quantity'

/** What the seed at hand gives for this sowing, and whether it is taken from it. */
export function FromStock({ sow, recipe }: { sow: Sow; recipe: Recipe }) {
  const { data, today } = useGarden()
  const { lots, form, recorded } = sow
  const { units } = data.garden
  const year = new Date(today * 86_400_000).getUTCFullYear()
  if (recorded || lots.length === 0) return null
  const rows = recipe.lines.flatMap((line) => {
    const own = lots.filter(
      (lot) => lot.contents.length === 1 && lot.contents[0].speciesId === line.speciesId && lot.leftGrams > 0,
    )
    if (own.length === 0) return []
    const typed = readQuantity(form.text.grams[line.speciesId] ?? '', 'seed', units)
    const wanted = typed > 0 ? typed : line.grams
    const alive = germinationOf(own[0], findSpecies(line.speciesId)?.family ?? '', year)
    const germination = { ...alive, mid: pureLiveSeed(own[0].purity, alive.mid) }
    return [{ line, own, wanted, short: drawDown(lots, line.speciesId, wanted).short, germination }]
  })
  if (rows.length === 0) return null
  return (
    <div className="basis-full" data-testid="from-stock">
      <TypedTick form={form} name="fromStock" label="Take it from the seed at hand" />
      <ul className="text-sm">
        {rows.map(({ line, own, wanted, short, germination }) => (
          <li key={line.speciesId}>
            {line.name}: {grams(wanted, units)} of{' '}
            {own.map((lot) => `${lot.label} ${lot.year} (${grams(lot.leftGrams, units)} left)`).join(', ')}
            {short > 0 ? `; ${grams(short, units)} short` : ''}. It germinates at about{' '}
            {percent(germination.mid)} ({percent(germination.low)} to {percent(germination.high)}, by{' '}
            {germination.from === 'test' ? 'your test' : germination.from}).{' '}
            {Math.abs(
              germination.mid - readQuantity(form.text.germination[line.speciesId] ?? '', 'share', units),
            ) >= 0.01 && (
              <button
                type="button"
                className="btn btn-xs"
                onClick={() =>
                  form.set({
                    germination: {
                      ...form.text.germination,
                      [line.speciesId]: String(Math.round(germination.mid * 100)),
                    },
                  })
                }
              >
                Use it for the recipe
              </button>
            )}
          </li>
        ))}
      </ul>
    </div>
  )
}
