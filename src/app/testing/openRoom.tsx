import { afterEach, expect, jest } from '@jest/globals'
import { MessageChannel } from 'node:worker_threads'
import { act, cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react'
import { expose } from 'comlink'
import { Provider } from 'react-redux'
import { createMemoryRouter, RouterProvider } from 'react-router'
import type { GardenData } from '../../core/garden/schema'
import { commit } from '../../data/commit'
import { database } from '../../data/database'
import { gardenWrites } from '../../data/gardenFile'
import { demoClockSet, gardenOpened } from '../../state/session'
import { createStore } from '../../state/store'
import { engine } from '../../workers/engine'
import { openDemo } from '../openDemo'
import { routes } from '../routes'

/** Channels as in a browser, all closed when a test is over, so that none keeps the test run alive. */
class Channel extends MessageChannel {
  constructor() {
    super()
    open.push(this)
  }
  close() {
    this.port1.close()
    this.port2.close()
  }
}
const open: Channel[] = []

/** Members that rooms are tested with: enough for every answer, a quarter of what growers get. */
const TEST_MEMBERS = 24

/** An engine with fewer members, so that rooms answer sooner. */
const quick = (jobs: object, members: number) =>
  Object.fromEntries(
    Object.entries(jobs).map(([kind, job]) => [
      kind,
      (first: unknown, ...rest: unknown[]) =>
        (job as (...args: unknown[]) => unknown)(
          typeof first === 'object' && first !== null && 'members' in first ? { ...first, members } : first,
          ...rest,
        ),
    ]),
  )
const quickEngine = quick(engine, TEST_MEMBERS)
let answering = quickEngine
afterEach(() => void (answering = quickEngine))

/** A worker on the page itself: the same engine behind a channel of messages. */
class WorkerOnPage {
  static readonly open: WorkerOnPage[] = []
  readonly #channel = new Channel()
  readonly #port = this.#channel.port1
  readonly postMessage = this.#port.postMessage.bind(this.#port)
  readonly removeEventListener = this.#port.removeEventListener.bind(this.#port)
  #onError: (event: { message: string }) => void = () => {}
  constructor() {
    WorkerOnPage.open.push(this)
    expose(answering, this.#channel.port2 as unknown as Parameters<typeof expose>[1])
    this.#port.start()
  }
  addEventListener(kind: string, hear: never) {
    if (kind === 'error') this.#onError = hear
    else this.#port.addEventListener(kind, hear)
  }
  terminate() {
    this.#channel.close()
  }
  /** Ends it as a fault would, so that the page forgets it and what it was asked. */
  fail() {
    this.#onError({ message: 'The test is over.' })
  }
}
/** A worker whose script cannot be loaded. */
class NoWorker {
  addEventListener(kind: string, hear: (event: { message: string }) => void) {
    if (kind === 'error') setTimeout(() => hear({ message: 'The script is not there.' }), 0)
  }
  removeEventListener() {}
  postMessage() {}
  terminate() {}
}
/** Lets the next workers start, or fail to. */
export const letWorkersStart = (can: boolean) =>
  Object.assign(globalThis, { Worker: can ? WorkerOnPage : NoWorker })

afterEach(() => {
  // In this order, and at one go: a room still shown would ask for more while its worker goes.
  cleanup()
  // Whoever waits in the queue gets the next worker, until nobody does.
  for (let worker = WorkerOnPage.open.shift(); worker; worker = WorkerOnPage.open.shift()) worker.fail()
  open.splice(0).forEach((channel) => channel.close())
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
    MessageChannel: Channel,
    Worker: WorkerOnPage,
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

/** For what the engine computes first; busy machines take their time. */
export const SLOW = { timeout: 400_000 }
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
  const page = render(
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>,
  )
  await waitFor(() => expect(router.state.initialized).toBe(true), SLOW)
  return { ...page, store, router }
}

/** Opens a demo garden at an address as on a first visit, with the real engine and storage in memory. */
export async function openRoom(path: string, demo = 'marlpit-lane', workersStart = true) {
  const store = await freshStore(workersStart)
  await openDemo(demo, store)
  return showPage(path, store)
}

/** Opens a garden on a day with an engine that knows `jobs` alone, with this many members; what else is asked fails. */
export async function openGarden(
  path: string,
  data: GardenData,
  date: string,
  jobs: Partial<typeof engine>,
  members: number,
) {
  const refuse = () => {
    throw new Error('Not asked in this test.')
  }
  const none = Object.fromEntries(Object.keys(engine).map((kind) => [kind, refuse]))
  answering = quick({ ...none, keepRecord: engine.keepRecord, ...jobs }, members)
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
