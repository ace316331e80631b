import type { RandomStream } from '../../foundations/random'
import type { SiteClimate } from '../../garden/site'
import type { Where } from '../../site/neighbours'
import { PLACES } from '../../site/places'
import { NO_CORRECTIONS, usualYear, type Corrections } from '../../site/usualYear'
import { between, oneOf, whole } from './draw'
import { holdsIf, type Relation, type Verdict } from './relation'

const coldest = (values: readonly number[]) => Math.min(...values)
const hottest = (values: readonly number[]) => Math.max(...values)
const sum = (values: readonly number[]) => values.reduce((all, value) => all + value, 0)
const meansOf = ({ tMaxC, tMinC }: SiteClimate) => tMaxC.map((max, i) => (max + tMinC[i]) / 2)
/** The largest difference of the months' highs or lows of two years, °C. */
const apart = (a: SiteClimate, b: SiteClimate) =>
  Math.max(
    ...a.tMaxC.map((high, i) => Math.abs(high - b.tMaxC[i])),
    ...a.tMinC.map((low, i) => Math.abs(low - b.tMinC[i])),
  )

/** Somewhere within a hundred kilometres of a place of the table. */
function drawWhere(random: RandomStream): Where {
  const { latitude, longitude, elevationM, seaKm } = oneOf(random, PLACES)
  return {
    latitude: Math.max(-66, Math.min(66, latitude + between(random, -0.9, 0.9))),
    longitude: longitude + between(random, -0.9, 0.9),
    elevationM,
    seaKm,
  }
}

const climate = (
  id: string,
  says: string,
  of: (where: Where, random: RandomStream, says: string) => Verdict,
): Relation => ({
  id,
  says,
  of: (random) => {
    const where = drawWhere(random)
    return of(where, random, `${where.latitude.toFixed(1)}°, ${where.longitude.toFixed(1)}°`)
  },
})

const corrected = (where: Where, own: Partial<Corrections>) => usualYear(where, { ...NO_CORRECTIONS, ...own })

const c2 = climate('C2', 'What a slider says is kept', (where, random, says) => {
  const [winterC, summerC, percent] = [whole(random, -6, 6), whole(random, -6, 6), whole(random, 40, 200)]
  const { site, uncorrected } = corrected(where, { winterC, summerC, rain: percent / 100 })
  const [was, is] = [meansOf(uncorrected.site), meansOf(site)]
  const off = [
    is[was.indexOf(coldest(was))] - coldest(was) - winterC,
    is[was.indexOf(hottest(was))] - hottest(was) - summerC,
    (sum(site.rainMm) - (sum(uncorrected.site.rainMm) * percent) / 100) / 16,
  ]
  return holdsIf(
    off.every((by) => Math.abs(by) < 0.5),
    () => `${says}: winter ${winterC}, summer ${summerC}, rain ${percent} % is off by ${off.join(', ')}`,
  )
})

const c4 = climate('C4', 'Another rain is never another temperature', (where, random, says) => {
  const { site, uncorrected } = corrected(where, { rain: whole(random, 40, 200) / 100 })
  const by = apart(site, uncorrected.site)
  return holdsIf(by === 0, () => `${says}: ${by} °C`)
})

const c4colder = climate('C4 colder', 'A colder winter is warmer in no month', (where, random, says) => {
  const { site, uncorrected } = corrected(where, { winterC: -whole(random, 1, 6) })
  const warmer = Math.max(
    ...site.tMinC.map((low, i) => low - uncorrected.site.tMinC[i]),
    ...site.tMaxC.map((high, i) => high - uncorrected.site.tMaxC[i]),
  )
  return holdsIf(warmer <= 0.11, () => `${says}: ${warmer.toFixed(2)} °C warmer`)
})

const c5 = climate('C5', 'Half a degree of latitude moves no month by 1.5 °C', (where, _random, says) => {
  const towardsEquator = where.latitude > 0 ? -0.5 : 0.5
  const by = apart(
    usualYear(where).site,
    usualYear({ ...where, latitude: where.latitude + towardsEquator }).site,
  )
  return holdsIf(by < 1.5, () => `${says}: ${by.toFixed(1)} °C`)
})

const c6 = climate(
  'C6',
  'Frosts, coldest night and hottest month that were said are given',
  (where, random, says) => {
    const { nights, site } = usualYear(where)
    // The hottest month is that of the highest mean: before a monsoon another may have the highest afternoons.
    const means = meansOf(site)
    const month = means.indexOf(hottest(means))
    const moved = (day: number | null) => (day === null ? null : day + whole(random, -8, 8))
    const known = {
      lastFrost: moved(nights.lastFrost),
      firstFrost: moved(nights.firstFrost),
      hottestHighC: Math.round(site.tMaxC[month]) + whole(random, -1, 2),
    }
    const given = corrected(where, { known })
    const frostsOff = (
      [
        ['lastFrost', known.lastFrost],
        ['firstFrost', known.firstFrost],
      ] as const
    ).map(([of, said]) => (said === null ? 0 : Math.abs((given.nights[of] ?? Infinity) - said)))
    const hotOff = Math.abs(given.site.tMaxC[month] - known.hottestHighC)
    return holdsIf(
      frostsOff.every((days) => days <= 4) && hotOff < 1,
      () => `${says}: frosts ${frostsOff.join(' and ')} days off, hottest ${hotOff.toFixed(1)} °C`,
    )
  },
)

/** What must hold of the year that is made from a place and what its grower says. */
export const CLIMATES: readonly Relation[] = [c2, c4, c4colder, c5, c6]
