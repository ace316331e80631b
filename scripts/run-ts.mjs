// Runs a TypeScript file in plain Node: bundles it with Vite to a temporary file, then imports it.
import { rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'vite'

const entry = process.argv[2]
// One for each run: several may be under way.
const outDir = join('node_modules', '.kilim-run', String(process.pid))
await build({
  configFile: false,
  logLevel: 'error',
  build: {
    ssr: resolve(entry),
    outDir,
    emptyOutDir: true,
    rolldownOptions: {
      output: { entryFileNames: 'run.mjs', topLevelVar: false },
      optimization: { inlineConst: { mode: 'all', pass: 3 } },
    },
  },
})
await import(pathToFileURL(resolve(outDir, 'run.mjs')).href)
if (!process.env.KEEP) rmSync(outDir, { recursive: true, force: true })
