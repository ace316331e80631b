import 'fake-indexeddb/auto'
import { tortureImports } from '../src/data/testing/imports'
import { tortureQuota } from '../src/data/testing/quota'
import { tortureTabs } from '../src/data/testing/twoTabs'
import { tortureWorkers } from '../src/compute/testing/faultyWorkers'
import { tortureKills } from './torture/kills'
import { tortureRooms } from './torture/rooms'
import { tortureBrowserWorkers } from './torture/workers'

/**
 * Tries, by seed, to make Kilim lose what it said it had stored, touch what is not meant, or stop: `npm run torture`. Prints a
 * table; ends with an error where anything was lost. `SEED` draws others, `PART` runs one part, `SHARE` a share of each.
 */
const seed = Number(process.env.SEED ?? 1)
const share = Number(process.env.SHARE ?? 1)
const many = (count: number) => Math.max(1, Math.round(count * share))

type Result = { faults: string[] } & Record<string, unknown>
const said = ({ faults, ...counts }: Result) =>
  `${Object.entries(counts)
    .filter(([, value]) => typeof value === 'number')
    .map(([name, value]) => `${name} ${String(value)}`)
    .join(', ')}; faults ${faults.length}`

/** Gardens that were accepted although spoilt, for the rooms. */
const odd = async () => (await tortureImports(many(900), seed + 1, many(300))).accepted

const PARTS: Record<string, () => Promise<Result>> = {
  imports: () => tortureImports(many(12_000), seed),
  tabs: () => tortureTabs(many(500), seed),
  full: () => tortureQuota('full'),
  broken: () => tortureQuota('broken'),
  workers: () => tortureWorkers(many(300), seed),
  killed: () => tortureBrowserWorkers(many(60), seed),
  kills: () => tortureKills(many(200), seed),
  rooms: async () => tortureRooms(await odd()),
}

let faults = 0
for (const [name, run] of Object.entries(PARTS)) {
  if (process.env.PART && process.env.PART !== name) continue
  const begun = performance.now()
  const result = await run()
  faults += result.faults.length
  console.log(`${name.padEnd(8)} ${said(result)}; ${Math.round((performance.now() - begun) / 1000)} s`)
  for (const line of result.faults.slice(0, 30)) console.log(`  ${line}`)
}
process.exit(faults === 0 ? 0 : 1)
