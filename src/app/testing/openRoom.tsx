import { afterEach, expect, jest } from '@jest/globals'
import { act, cleanup, configure, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { Provider } from 'react-redux'
import { createMemoryRouter, RouterProvider } from 'react-router'
import type { GardenData } from '../../core/garden/schema'
import { commit } from '../../data/commit'
import { database } from '../../data/database'
import { gardenWrites } from '../../data/gardenRecords'
import { demoClockSet, gardenOpened } from '../../state/session'
import { createStore } from '../../state/store'
import type { Doable } from '../../compute/agenda'
import { Answers } from '../../compute/answers'
import { AnswersProvider } from '../../compute/AnswersProvider'
import { jobs, type Jobs } from '../../compute/jobs'
import { records } from '../../compute/grown'
import { Pool } from '../../compute/pool'
import { TestWorker } from '../../compute/testing/testWorker'
import { openDemo } from '../openDemo'
import { routes } from '../routes'

/** Members that rooms are tested with: enough for every answer, a quarter of what growers get. */
const TEST_MEMBERS = 24

/** Jobs with fewer members, so that rooms answer sooner. */
const quick = (all: object, members: number): Doable =>
  Object.fromEntries(
    Object.entries(all).map(([kind, job]) => [
      kind,
      (first: unknown, ...rest: unknown[]) =>
        (job as (...args: unknown[]) => unknown)(
          typeof first === 'object' && first !== null && 'members' in first ? { ...first, members } : first,
          ...rest,
        ),
    ]),
  )
const quickJobs = quick(jobs, TEST_MEMBERS)
let answering = quickJobs
afterEach(() => void (answering = quickJobs))

/** A worker whose script cannot be loaded. */
class NoWorker {
  addEventListener(kind: string, hear: (event: { message: string }) => void) {
    if (kind === 'error') setTimeout(() => hear({ message: 'The script is not there.' }), 0)
  }
  postMessage() {}
  terminate() {}
}
/** The one that reads pictures has nothing to say here; the one for whole gardens does not start, so that the page does its work. */
class SilentWorker {
  constructor(address: string | URL) {
    if (/garden\.worker/.test(String(address))) throw new Error('No workers in this test.')
  }
  addEventListener() {}
  removeEventListener() {}
  postMessage() {}
  terminate() {}
}
const startOnPage = (): object => new TestWorker(answering, records)
let startWorker = startOnPage
/** Lets the next workers start, or fail to. */
export const letWorkersStart = (can: boolean) => void (startWorker = can ? startOnPage : () => new NoWorker())

const pools: Pool[] = []
afterEach(() => {
  cleanup()
  pools.splice(0).forEach((pool) => pool.close())
})

/** What the page complained of; updates that come late, from storage or the engine, or after the test, are as they should be. */
const LATE = /not wrapped in act|Database has been closed/
const complaints: string[] = []
afterEach(() => expect(complaints.splice(0)).toEqual([]))

/** Every part of the page measures the same, for nothing is laid out here. */
class SameSize {
  readonly #hear: ResizeObserverCallback
  constructor(hear: ResizeObserverCallback) {
    this.#hear = hear
  }
  observe(target: Element) {
    const contentRect = { width: 1240, height: 640 } as DOMRectReadOnly
    this.#hear([{ target, contentRect } as ResizeObserverEntry], this)
  }
  unobserve() {}
  disconnect() {}
}

function standIns() {
  console.error = (...words: unknown[]) => {
    const text = words.map(String).join(' ')
    if (!LATE.test(text)) complaints.push(text.slice(0, 300))
  }
  Object.assign(globalThis, {
    Worker: SilentWorker,
    ResizeObserver: SameSize,
    fetch: () => Promise.reject(new TypeError('No network in this test.')),
    matchMedia: () => ({ matches: false, addEventListener() {}, removeEventListener() {} }),
  })
  HTMLCanvasElement.prototype.getContext = () => null
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true
  }
  HTMLDialogElement.prototype.close = function () {
    this.open = false
  }
}

// Told in full text at once: the library's own way prints the whole page at every look for what is awaited.
configure({
  getElementError: (message) => new Error(`${message}\n${document.body.textContent.slice(0, 4000)}`),
})

/** For what the engine computes first; busy machines take their time. */
export const SLOW = { timeout: 120_000 }
jest.setTimeout(600_000)

/** Fills the field of a label, in the whole page or a part of it. */
export const type = (label: string | RegExp, value: string, part: HTMLElement = document.body) =>
  fireEvent.change(within(part).getByLabelText(label), { target: { value } })
export const press = (name: string | RegExp, part: HTMLElement = document.body) =>
  fireEvent.click(within(part).getByRole('button', { name }))
export const form = (name: string) => screen.getByRole('form', { name })

/** Sets the demo's clock. */
export const goToDay = ({ store }: Room, date: string) =>
  act(async () => void store.dispatch(demoClockSet({ gardenId: store.getState().session.gardenId!, date })))

export type Room = Awaited<ReturnType<typeof openRoom>>

async function freshStore(workersStart: boolean) {
  standIns()
  letWorkersStart(workersStart)
  await database.delete()
  await database.open()
  return createStore()
}

/** The page once its room is loaded. */
async function showPage(path: string, store: ReturnType<typeof createStore>) {
  const router = createMemoryRouter(routes, { initialEntries: [path] })
  const pool = new Pool(1, () => startWorker() as Worker)
  pools.push(pool)
  const page = render(
    <Provider store={store}>
      <AnswersProvider answers={new Answers(pool, null)}>
        <RouterProvider router={router} />
      </AnswersProvider>
    </Provider>,
  )
  await waitFor(() => expect(router.state.initialized).toBe(true), SLOW)
  return { ...page, store, router }
}

/** Opens a demo garden at an address as on a first visit, with the real engine and storage in memory. */
export async function openRoom(path: string, demo = 'marlpit-lane', workersStart = true) {
  const store = await freshStore(workersStart)
  await openDemo(demo, store)
  const room = await showPage(path, store)
  // Whatever the station answers, it is heard before the test goes on: nothing of it outlives the test.
  await waitFor(async () => expect(await database.station.get(demo)).toBeDefined(), SLOW)
  return room
}

/** Opens a garden on a day with workers that are `able` to do some jobs alone, with this many members; what else is asked fails. */
export async function openGarden(
  path: string,
  data: GardenData,
  date: string,
  able: Partial<Jobs>,
  members: number,
) {
  const refuse = () => {
    throw new Error('Not asked in this test.')
  }
  const none = Object.fromEntries(Object.keys(jobs).map((kind) => [kind, refuse]))
  answering = quick({ ...none, ...able }, members)
  const store = await freshStore(true)
  const demo = { stationSeed: 1, stationFrom: date, opensOn: date }
  await commit(
    database,
    data.garden.id,
    'Opened',
    gardenWrites({ ...data, garden: { ...data.garden, demo } }),
  )
  store.dispatch(gardenOpened(data.garden.id))
  return showPage(path, store)
}
