// Puts all unit tests and what they try into few files, which Jest loads many times faster than a thousand modules.
import { readdirSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { rolldown } from 'rolldown'

export const BUNDLED = 'dist/unit'
/** Tests that put other modules in the place of some, or look for files beside a module, need them as files of their own. */
export const UNBUNDLED = [
  'server/handover.test.ts',
  'server/server.test.ts',
  'src/app/offline.test.ts',
  'src/state/late.test.ts',
]

/** Packages that only a page needs, in one file; every other has its own. */
const PAGE_PACKAGES =
  /node_modules\/(react|scheduler|@testing-library|lucide|recharts|@tanstack|cmdk|sonner|@dnd-kit|dom-accessibility|aria-query|pretty-format|redux|@reduxjs|immer|reselect|es-toolkit|d3-|victory|@radix|use-sync|decimal|eventemitter|@hookform|dexie-react)/
const packageOf = (id) =>
  `package-${/node_modules\/((?:@[^/]+\/)?[^/]+)/.exec(id)[1].replaceAll(/[@/]/g, '')}`

const isTest = (file) => /\.test\.tsx?$/.test(file)
const testsIn = (folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter(isTest)
    .map((file) => join(folder, file))

/** Bundles all unit tests; those that show a page end in `.page.mjs`, the others in `.plain.mjs`. */
export async function bundleTests() {
  const files = [...testsIn('src'), ...testsIn('server')].filter((file) => !UNBUNDLED.includes(file))
  rmSync(BUNDLED, { recursive: true, force: true })
  const bundle = await rolldown({
    input: Object.fromEntries(
      files.map((file) => [file.replace(/\.tsx$/, '.page').replace(/\.ts$/, '.plain'), resolve(file)]),
    ),
    platform: 'node',
    external: ['@jest/globals', /^node:/],
    resolve: { conditionNames: ['node', 'node-addons', 'import', 'module', 'default'] },
    transform: { define: { 'process.env.NODE_ENV': '"test"' } },
    logLevel: 'silent',
  })
  await bundle.write({
    dir: BUNDLED,
    format: 'esm',
    sourcemap: true,
    topLevelVar: false,
    entryFileNames: '[name].mjs',
    chunkFileNames: 'chunks/[name].mjs',
    codeSplitting: {
      groups: [
        { name: 'page-packages', test: PAGE_PACKAGES, minShareCount: 2 },
        { name: packageOf, test: /node_modules/, minShareCount: 2 },
        { name: 'core', test: /\/src\/core\//, minShareCount: 2 },
        { name: 'plain', test: /\/src\/(text|data|demo|actions)\//, minShareCount: 2 },
        { name: 'page', test: /\/src\//, minShareCount: 2 },
      ],
    },
  })
}
