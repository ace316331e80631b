import { TestEnvironment } from 'jest-environment-node'
import { settleGlobals } from './jest-globals.mjs'

/** Node for tests of what needs no page. */
export default class CoreEnvironment extends TestEnvironment {
  async setup() {
    await super.setup()
    settleGlobals(this.getVmContext())
  }
}
