import { TestEnvironment } from 'jest-environment-jsdom'
import { settleGlobals } from './jest-globals.mjs'

/** A page for tests of rooms: jsdom with what browsers have and it lacks, taken from Node. */
const FROM_NODE = [
  'structuredClone',
  'TextEncoder',
  'TextDecoder',
  'Blob',
  'File',
  'fetch',
  'Request',
  'Response',
  'Headers',
  'setImmediate',
  'clearImmediate',
]

/** What React lets a test's updates settle by: Node's own would keep the process open. */
class MessageChannel {
  port1 = { onmessage: null }
  port2 = { postMessage: () => setImmediate(() => this.port1.onmessage?.({})) }
}

export default class PageEnvironment extends TestEnvironment {
  /** Packages as Node gets them: their browser builds cannot be required here. */
  exportConditions() {
    return ['node', 'node-addons']
  }
  async setup() {
    await super.setup()
    this.global.MessageChannel = MessageChannel
    for (const name of FROM_NODE) this.global[name] = globalThis[name]
    settleGlobals(this.getVmContext())
  }
}
