import { isEqual as equal } from 'es-toolkit/predicate'
import { mixSeed } from '../../core/foundations/random'
import type { Bed } from '../../core/garden/schema'
import { harrierPoint } from '../../demo/harrierPoint'
import { commit } from '../commit'
import { KilimDatabase } from '../database'
import { gardenWrites } from '../gardenRecords'
import { redo, undo, undoStep } from '../undo'
import { added, changed } from '../writes'
import { drawFrom, type Draw } from './mutations'
import { freshDatabase, inWords, unsound } from './stored'

/** Fields that two tabs write, each with a value never written before. */
const FIELDS = ['lengthM', 'shade', 'pathWidthM', 'label'] as const
type Field = (typeof FIELDS)[number]

/** A write that was answered with yes: over which value it was made, what it wrote, and the step that takes it back. */
type Kept = { field: Field; bed: string; over: unknown; put: unknown; step: number; undone: boolean }

export type TabsTally = { kept: number; refused: number; undone: number; faults: string[] }

const valueFor = (field: Field, count: number) =>
  field === 'label' ? `b${count}` : field === 'lengthM' ? 1 + count / 1000 : 0.1 + count / 10_000

/** Two tabs of one browser over one garden, with all that was answered with yes. */
class Session {
  readonly kept: Kept[] = []
  count = 0
  constructor(
    readonly tabs: readonly [KilimDatabase, KilimDatabase],
    readonly gardenId: string,
    readonly draw: Draw,
    readonly tally: TabsTally,
  ) {}

  refuse(problems: readonly { message: string }[]) {
    this.tally.refused++
    for (const problem of problems) if (!inWords(problem)) this.tally.faults.push(`said “${problem.message}”`)
  }

  /** A form opened before other things were done, and saved now. */
  async edit(tab: KilimDatabase, seen: Bed): Promise<void> {
    const field = this.draw.of(FIELDS)
    const put = valueFor(field, ++this.count)
    const stored = await commit(tab, this.gardenId, `${field} ${this.count}`, [
      changed('beds', seen, { [field]: put }),
    ])
    if (!stored.ok) return this.refuse(stored.problems)
    this.tally.kept++
    this.kept.push({ field, bed: seen.id, over: seen[field], put, step: stored.value!, undone: false })
  }

  /** The message of one of the own steps is pressed: it is taken back, or it is said what stands against it. */
  async takeBack(tab: KilimDatabase): Promise<void> {
    if (this.kept.length === 0) return
    const own = this.draw.of(this.kept)
    const done = await undoStep(tab, own.step)
    if (!done.ok) return this.refuse(done.problems)
    if (own.undone) this.tally.faults.push(`${own.put} was taken back twice`)
    own.undone = true
    this.tally.undone++
  }

  /** The arrow is pressed: the last step goes, or comes again. */
  async turn(tab: KilimDatabase, way: typeof undo): Promise<void> {
    const done = await way(tab, this.gardenId)
    if (!done.ok) return this.refuse(done.problems)
    const own = this.kept.find(({ field, put }) => done.value === `${field} ${this.countOf(field, put)}`)
    if (own) own.undone = way === undo
  }
  private countOf = (field: Field, put: unknown) =>
    Array.from({ length: this.count }, (_, i) => i + 1).find((n) => valueFor(field, n) === put)

  /** The same new record is stored by both halves of a double click. */
  async twice(tab: KilimDatabase): Promise<void> {
    const [bed] = await tab.beds.toArray()
    const write = added('beds', { ...bed, id: `bed-torture-${++this.count}`, label: `t${this.count}` })
    const stored = await Promise.all([
      commit(tab, this.gardenId, 'Twice', [write]),
      commit(tab, this.gardenId, 'Twice', [write]),
    ])
    const steps = stored.filter((one) => one.ok && one.value !== null)
    const said = stored.flatMap((one) => (one.ok ? [] : one.problems.map(({ message }) => message)))
    if (steps.length !== 1)
      this.tally.faults.push(`a double click made ${steps.length} steps: ${said.join(' ')}`)
  }
}

/** What was answered with yes and is not there: neither it stands, nor was it seen by what was written over it. */
async function lost({ kept, tabs }: Session, before: ReadonlyMap<string, Bed>): Promise<string[]> {
  const standing = kept.filter(({ undone }) => !undone)
  const beds = new Map((await tabs[0].beds.toArray()).map((bed) => [bed.id, bed]))
  const faults = standing.flatMap(({ bed, field, put }) => {
    const over = standing.some((other) => other.bed === bed && other.field === field && other.over === put)
    return over || equal(beds.get(bed)?.[field], put) ? [] : [`${field} ${String(put)} is lost`]
  })
  for (const [id, old] of before)
    for (const field of FIELDS) {
      const now = beds.get(id)?.[field]
      const known = standing.some((one) => one.bed === id && one.field === field && one.put === now)
      if (!known && now !== old[field])
        faults.push(`${id} ${field} is ${String(now)}, which nobody wrote last`)
    }
  return faults
}

async function interleave(seed: number, tally: TabsTally): Promise<void> {
  const data = harrierPoint()
  const first = freshDatabase()
  await commit(first, data.garden.id, 'Open', gardenWrites({ ...data, weather: [], lots: [], pictures: [] }))
  // Without its first step, so that undoing does not end with the garden itself.
  await first.undo.clear()
  const tabs = [first, new KilimDatabase(first.name)] as const
  const session = new Session(tabs, data.garden.id, drawFrom(seed), tally)
  const { draw } = session
  const before = new Map((await first.beds.toArray()).map((bed) => [bed.id, bed]))
  const pages = [new Map(before), new Map(before)]
  const under: Promise<void>[] = []
  for (let i = 0; i < 14; i++) {
    const which = draw.below(2)
    const [tab, page] = [tabs[which], pages[which]]
    // A tab looks again now and then; until it does, its forms hold what it saw.
    if (draw.below(3) === 0) for (const bed of await tab.beds.toArray()) page.set(bed.id, bed)
    const what = draw.below(10)
    const few = [...before.keys()].slice(0, 2)
    under.push(
      what < 6
        ? session.edit(tab, page.get(draw.of(few))!)
        : what < 7
          ? session.takeBack(tab)
          : what < 8
            ? session.turn(tab, undo)
            : what < 9
              ? session.turn(tab, redo)
              : session.twice(tab),
    )
    // Half of what is done is not waited for before the next is begun.
    if (draw.below(2) === 0) await Promise.all(under.splice(0))
  }
  await Promise.all(under)
  tally.faults.push(
    ...[...(await lost(session, before)), ...(await unsound(first))].map((line) => `seed ${seed}: ${line}`),
  )
  tabs[1].close()
  await first.delete()
}

/**
 * Two tabs write, undo and redo over one another, with pages that have not looked for a while.
 *
 * @param count interleavings
 * @param seed of all draws
 */
export async function tortureTabs(count: number, seed: number): Promise<TabsTally> {
  const tally: TabsTally = { kept: 0, refused: 0, undone: 0, faults: [] }
  for (let i = 0; i < count; i++) await interleave(mixSeed(seed, i), tally)
  return tally
}
