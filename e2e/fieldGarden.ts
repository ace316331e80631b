import { expect, type Page, type TestInfo } from '@playwright/test'
import { writeFileSync } from 'node:fs'
import { FRESH_STAND } from '../src/core/garden/fresh'
import { clearing, cropContent, planting } from '../src/core/garden/newStands'
import type { EndDetails } from '../src/core/garden/ending'
import type { Stand } from '../src/core/garden/schema'
import { writeGardenFile } from '../src/data/gardenFile'
import { marlpitLane } from '../src/demo/marlpitLane'

const ID = 'field'
const BEDS = ['W1', 'R1', 'O1', 'C1'] as const
type BedId = (typeof BEDS)[number]

const standIn = (bedId: BedId, own: Pick<Stand, 'content' | 'start' | 'end'>): Stand => ({
  ...FRESH_STAND,
  id: `${ID}-${bedId}`,
  gardenId: ID,
  bedId,
  segment: { kind: 'whole' },
  ...own,
})

const cover = (bedId: BedId, speciesId: string, sownOn: string, end: EndDetails | null): Stand => {
  const components = [{ speciesId, share: 1, germination: 0.9, grams: null }]
  return standIn(bedId, {
    content: { kind: 'cover', components, purposes: [] },
    start: { plan: null, actual: { ...planting(sownOn), covering: 'raked', passes: 2 } },
    end: { plan: end, actual: null },
  })
}

/** Wheat for grain, rye to be cut and oats without an end, nothing after them; cabbage, then potatoes, with ryegrass in the path; on the demo clock of 20 April 2026. */
function fieldGarden(): string {
  const { garden, beds } = marlpitLane()
  const own = BEDS.map((label, walkOrder) => ({
    ...beds[0],
    id: label,
    gardenId: ID,
    label,
    walkOrder,
    lengthM: 11.5,
    widthM: 1.1,
    pathWidthM: 0.5,
    troubles: [],
    spreads: [],
  }))
  const wheat = standIn('W1', {
    content: cropContent('winter-wheat-grain', 'seed'),
    start: { plan: null, actual: planting('2025-10-14') },
    end: { plan: clearing('2026-07-24'), actual: null },
  })
  const mown: EndDetails = { date: '2026-05-20', method: 'chop', passes: 1, note: '' }
  const cabbage = standIn('C1', {
    content: cropContent('cabbage', 'transplant'),
    start: { plan: null, actual: planting('2025-08-10') },
    end: { plan: clearing('2026-04-28'), actual: null },
  })
  const potato = standIn('C1', {
    content: cropContent('potato', 'transplant'),
    start: { plan: planting('2026-05-05'), actual: null },
    end: { plan: clearing('2026-08-23'), actual: null },
  })
  const stands = [
    cabbage,
    { ...potato, id: `${ID}-potato` },
    wheat,
    cover('R1', 'cereal-rye', '2025-09-26', mown),
    cover('O1', 'oats', '2026-03-24', null),
    {
      ...cover('C1', 'annual-ryegrass', '2025-08-25', null),
      id: `${ID}-aisle`,
      segment: { kind: 'path' as const },
    },
  ]
  const data = { garden: { ...garden, id: ID, name: 'The upper field' }, beds: own, stands, checks: [] }
  return writeGardenFile(data, '2026-04-20T00:00:00Z')
}

/** Opens the garden from its file. */
export async function openField(page: Page, info: TestInfo) {
  const file = info.outputPath('field.json')
  writeFileSync(file, fieldGarden())
  await page.goto('/garden')
  await page.setInputFiles('input[type=file]', file)
  await page.getByRole('button', { name: 'Import it' }).click()
  await expect(page.getByRole('heading', { name: 'The upper field' })).toBeVisible()
}
