import { afterEach } from '@jest/globals'
import { MessageChannel } from 'node:worker_threads'
import { render } from '@testing-library/react'
import { expose } from 'comlink'
import { Provider } from 'react-redux'
import { createMemoryRouter, RouterProvider } from 'react-router'
import { database } from '../../data/database'
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
afterEach(() => open.splice(0).forEach((channel) => channel.close()))

/** A worker on the page itself: the same engine behind a channel of messages. */
class WorkerOnPage {
  readonly #channel = new Channel()
  readonly #port = this.#channel.port1
  readonly postMessage = this.#port.postMessage.bind(this.#port)
  readonly addEventListener = this.#port.addEventListener.bind(this.#port)
  readonly removeEventListener = this.#port.removeEventListener.bind(this.#port)
  constructor() {
    expose(engine, this.#channel.port2 as unknown as Parameters<typeof expose>[1])
    this.#port.start()
  }
  terminate() {
    this.#channel.close()
  }
}

class NoResizes {
  observe() {}
  unobserve() {}
  disconnect() {}
}

function standIns() {
  Object.assign(globalThis, {
    MessageChannel: Channel,
    Worker: WorkerOnPage,
    ResizeObserver: NoResizes,
    fetch: () => Promise.reject(new TypeError('No network in this test.')),
    matchMedia: () => ({ matches: false, addEventListener() {}, removeEventListener() {} }),
  })
  HTMLCanvasElement.prototype.getContext = () => null
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true
  }
}

/** Opens a demo garden at an address as on a first visit, with the real engine and storage in memory. */
export async function openRoom(path: string, demo = 'marlpit-lane') {
  standIns()
  await database.delete()
  await database.open()
  const store = createStore()
  await openDemo(demo, store)
  const router = createMemoryRouter(routes, { initialEntries: [path] })
  const page = render(
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>,
  )
  return { ...page, store, router }
}
