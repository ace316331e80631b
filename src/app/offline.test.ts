import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'

type Told = { message: string; label: string; press: () => void }
const told: Told[] = []
jest.unstable_mockModule('../state/notices', () => ({
  notice: {
    info: (message: string, { action }: { action: { label: string; onClick: () => void } }) =>
      told.push({ message, label: action.label, press: action.onClick }),
  },
}))
const { watchVersions } = await import('./offline')

/** A version of the app as the browser keeps it. */
class Version extends EventTarget {
  state: ServiceWorkerState
  messages: unknown[] = []
  constructor(state: ServiceWorkerState) {
    super()
    this.state = state
  }
  postMessage(message: unknown) {
    this.messages.push(message)
  }
  become(state: ServiceWorkerState) {
    this.state = state
    this.dispatchEvent(new Event('statechange'))
  }
}
class Registration extends EventTarget {
  waiting: Version | null = null
  installing: Version | null = null
  asked = 0
  update = () => {
    this.asked++
    return this.asked > 1 ? Promise.reject(new TypeError('no network')) : Promise.resolve()
  }
  find(version: Version) {
    this.installing = version
    this.dispatchEvent(new Event('updatefound'))
  }
}
class Container extends EventTarget {
  controller: Version | null = new Version('activated')
}

let registration: Registration
let container: Container
let reloads: number
let stop = () => {}
const page = Object.assign(new EventTarget(), { visibilityState: 'visible' })
beforeEach(() => {
  jest.useFakeTimers()
  Object.assign(globalThis, { document: page })
  registration = new Registration()
  container = new Container()
  reloads = 0
  told.length = 0
})
afterEach(() => {
  stop()
  jest.useRealTimers()
})
const watch = () =>
  void (stop = watchVersions(registration as never, container as never, () => void reloads++))

test('a version that waited before the page was opened is offered, and loads the page once it is taken', () => {
  registration.waiting = new Version('installed')
  watch()
  expect(told.map(({ message }) => message)).toEqual(['A newer Kilim is ready.'])
  told[0].press()
  expect(registration.waiting.messages).toEqual([{ type: 'SKIP_WAITING' }])
  expect(reloads).toBe(0)
  container.dispatchEvent(new Event('controllerchange'))
  expect(reloads).toBe(1)
})

test('one that is fetched while the page is open is offered once it is whole', () => {
  watch()
  const fresh = new Version('installing')
  registration.find(fresh)
  expect(told).toEqual([])
  fresh.become('installed')
  fresh.become('installed')
  expect(told).toHaveLength(1)
})

test('the very first version is no news', () => {
  container.controller = null
  watch()
  const first = new Version('installing')
  registration.find(first)
  first.become('installed')
  container.dispatchEvent(new Event('controllerchange'))
  expect([told.length, reloads]).toEqual([0, 0])
})

test('taken in another tab it is said, and this page goes on until its grower loads it', () => {
  watch()
  container.dispatchEvent(new Event('controllerchange'))
  expect(reloads).toBe(0)
  expect(told[0]).toMatchObject({ message: 'A newer Kilim is in use in another tab.', label: 'Load it here' })
  told[0].press()
  expect(reloads).toBe(1)
})

test('it is asked for hourly and when the page is come back to; away from a network nothing is said', async () => {
  watch()
  jest.advanceTimersByTime(3 * 60 * 60_000)
  expect(registration.asked).toBe(3)
  page.dispatchEvent(new Event('visibilitychange'))
  expect(registration.asked).toBe(4)
  page.visibilityState = 'hidden'
  page.dispatchEvent(new Event('visibilitychange'))
  page.visibilityState = 'visible'
  expect(registration.asked).toBe(4)
  await Promise.resolve()
  expect(told).toEqual([])
})
