import { runInContext } from 'node:vm'

/** What never changes and is looked up again and again by calculations. */
const NAMES = [
  'Array',
  'Float32Array',
  'Float64Array',
  'Int16Array',
  'Int32Array',
  'Map',
  'Math',
  'Number',
  'Object',
  'Set',
  'String',
  'Uint16Array',
  'Uint32Array',
  'Uint8Array',
  'Uint8ClampedArray',
]

/**
 * Tests run in a context of their own, in which every look at a global asks Node first: `Math.min` in a loop costs several
 * times the loop. Declared as constants of the context, these are found without asking.
 */
export function settleGlobals(context) {
  runInContext(NAMES.map((name) => `const ${name} = globalThis.${name}`).join(';'), context)
}
