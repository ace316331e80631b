import { dayNumber } from '../../foundations/day'
import { findSpecies } from '../../plants/catalogue'
import { findCrop } from '../../plants/crops'
import { yieldLost } from '../../planting/undersowing'
import { quantilesOn } from '../../stand/summary'
import { growStand } from '../stands'
import { TEST_SITES } from '../sites'
import { relayed, upperCrop } from './relayed'

/** A published result of sowing under something, or of waiting longer, as a range that the model can miss. */
export type RelayRow = {
  what: string
  source: string
  low: number
  high: number
  unit: string
  value: (members: number) => number
}

const { pennsylvania, maryland } = TEST_SITES
const T_PER_HA = 0.01
const KG_PER_HA = 10

const clover = (members: number) =>
  relayed({
    site: pennsylvania,
    upper: upperCrop('winter-wheat-grain', '2024-10-01', '2025-07-12'),
    speciesId: 'red-clover',
    sownOn: '2025-03-08',
    covering: 'frost-seeded',
    until: '2025-10-20',
    members,
  })
const inCorn = (speciesId: string) => (members: number) =>
  massOn(
    relayed({
      site: pennsylvania,
      upper: upperCrop('field-corn', '2025-05-12', '2025-10-10'),
      speciesId,
      sownOn: '2025-06-18',
      covering: 'raked',
      until: '2025-11-12',
      members,
    }),
    '2025-11-10',
  )
const massOn = (run: ReturnType<typeof relayed>, day: string) =>
  T_PER_HA * quantilesOn(run, 'massG', dayNumber(day))!.p50

/** The growth of a stand that stays, cut low on some days, on a day. */
const lasting =
  (speciesId: string, sownOn: string, cutOn: readonly string[], day: string) => (members: number) => {
    const events = cutOn.map((date) => ({
      kind: 'cut' as const,
      day: dayNumber(date),
      fate: { by: 'cut' as const, heightM: 0.06 },
      heightM: 0.06,
      groundShare: 1,
      left: true,
    }))
    const days = dayNumber(day) - dayNumber(sownOn) + 2
    return massOn(growStand(pennsylvania, speciesId, sownOn, { members, days, events }).run, day)
  }
const FIRST_CUTS = 'first cuts in extension guides of the northeastern states'

/** The middle of what sowing a species so many days after planting is told to cost a crop, %. */
function lost(cropId: string, speciesId: string, daysAfterPlanting: number): number {
  const { low, high } = yieldLost(
    [findSpecies(speciesId)!],
    daysAfterPlanting - findCrop(cropId)!.lastWeedingDays!,
  )
  return (100 * (low + high)) / 2
}

/** Published results of interseeding, frost-seeding, living mulches, later endings and stands that stay. */
export const RELAY_ROWS: readonly RelayRow[] = [
  {
    what: 'red clover frost-seeded into winter wheat, Pennsylvania: shoots at wheat harvest',
    source: 'Blaser et al. 2006, Agronomy Journal 98:1041',
    low: 0.2,
    high: 1.8,
    unit: 't/ha',
    value: (members) => massOn(clover(members), '2025-07-11'),
  },
  {
    what: 'the same in the middle of October',
    source: 'Gaudin et al. 2013, Agronomy 3:148',
    low: 1.5,
    high: 5,
    unit: 't/ha',
    value: (members) => massOn(clover(members), '2025-10-15'),
  },
  {
    what: 'its nitrogen in the middle of October',
    source: 'Gaudin et al. 2013, Agronomy 3:148',
    low: 40,
    high: 150,
    unit: 'kg/ha',
    value: (members) => {
      const run = clover(members)
      return KG_PER_HA * quantilesOn(run, 'nitrogenG', dayNumber('2025-10-15'))!.p50
    },
  },
  {
    what: 'annual ryegrass sown into corn five weeks old, Pennsylvania: shoots in November',
    source: 'Curran et al. 2018, Agronomy Journal 110:435',
    low: 0.2,
    high: 2.5,
    unit: 't/ha',
    value: inCorn('annual-ryegrass'),
  },
  {
    what: 'red clover sown into corn five weeks old, Pennsylvania: shoots in November',
    source: 'Curran et al. 2018, Agronomy Journal 110:435',
    low: 0.05,
    high: 1.2,
    unit: 't/ha',
    value: inCorn('red-clover'),
  },
  {
    what: 'rye thrown into standing corn in early September, Maryland: shoots in the middle of November',
    source: 'Wilson et al. 2013, Agronomy Journal 105:1868',
    low: 0.2,
    high: 1.8,
    unit: 't/ha',
    value: (members) =>
      massOn(
        relayed({
          site: maryland,
          upper: upperCrop('field-corn', '2025-05-05', '2025-10-05'),
          speciesId: 'cereal-rye',
          sownOn: '2025-09-05',
          covering: 'surface',
          until: '2025-11-18',
          members,
        }),
        '2025-11-15',
      ),
  },
  {
    what: 'rye sown with the transplants of broccoli: harvest lost',
    source: 'Brainard and Bellinder 2004, Weed Science 52:281',
    low: 10,
    high: 60,
    unit: '%',
    value: () => lost('broccoli', 'cereal-rye', 0),
  },
  {
    what: 'rye sown three weeks after transplanting broccoli: harvest lost',
    source: 'Brainard and Bellinder 2004, Weed Science 52:281',
    low: 0,
    high: 20,
    unit: '%',
    value: () => lost('broccoli', 'cereal-rye', 21),
  },
  {
    what: 'ryegrass sown into corn five weeks old: harvest lost',
    source: 'Curran et al. 2018, Agronomy Journal 110:435',
    low: 0,
    high: 5,
    unit: '%',
    value: () => lost('field-corn', 'annual-ryegrass', 37),
  },
  {
    what: 'rye ended 22 May instead of 8 May, Pennsylvania: shoots grown meanwhile, share of those of 8 May',
    source: 'Mirsky et al. 2011, Agronomy Journal 103:1502',
    low: 20,
    high: 110,
    unit: '%',
    value: (members) => {
      const { run } = growStand(pennsylvania, 'cereal-rye', '2025-09-25', { members, days: 260 })
      return 100 * (massOn(run, '2026-05-22') / massOn(run, '2026-05-08') - 1)
    },
  },
  {
    what: 'red clover sown in spring, Pennsylvania: its first growth of the second year, early June',
    source: FIRST_CUTS,
    low: 3,
    high: 8,
    unit: 't/ha',
    value: lasting('red-clover', '2025-04-10', [], '2026-06-05'),
  },
  {
    what: 'the same in the third year, cut three times in the second',
    source: FIRST_CUTS,
    low: 2,
    high: 7,
    unit: 't/ha',
    value: lasting('red-clover', '2025-04-10', ['2026-06-05', '2026-07-20', '2026-09-05'], '2027-06-05'),
  },
  {
    what: 'alfalfa sown in spring, Pennsylvania: its first growth of the second year, end of May',
    source: FIRST_CUTS,
    low: 2.5,
    high: 6,
    unit: 't/ha',
    value: lasting('alfalfa', '2025-04-10', ['2025-08-10'], '2026-05-30'),
  },
  {
    what: 'white clover sown in spring, Pennsylvania: its first growth of the fourth year, cut low each summer',
    source: FIRST_CUTS,
    low: 1,
    high: 4.5,
    unit: 't/ha',
    value: lasting(
      'white-clover',
      '2025-04-10',
      [2025, 2026, 2027].flatMap((year) => [`${year}-07-01`, `${year}-08-15`, `${year}-09-25`]),
      '2028-05-30',
    ),
  },
  {
    what: 'sweetclover sown in spring, Pennsylvania: what lives two winters later',
    source: 'biennial: it dies once it has seeded',
    low: 0,
    high: 0.3,
    unit: 't/ha',
    value: lasting('sweetclover', '2025-04-10', [], '2027-05-30'),
  },
]
