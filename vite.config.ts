import { createHash } from 'node:crypto'
import { copyFileSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'
import { towns } from './scripts/towns'
import { VitePWA } from 'vite-plugin-pwa'

/**
 * What answers depend on besides their questions: the text of the core, its catalogue included, and what it is built with. Kept answers of another
 * model are not found.
 */
function modelVersion(): string {
  const hash = createHash('sha256')
  const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.startsWith('testing'))
    .sort()
  for (const name of [
    ...files.map((file) => join('src/core', file)),
    'src/compute/jobs.ts',
    'package-lock.json',
  ])
    hash.update(name).update(readFileSync(name))
  return hash.digest('hex').slice(0, 16)
}

/** Hashes of the style sheets that libraries put into the page by script, for the server's rules of what may be there. */
function insertedStyles(): string[] {
  const source = readFileSync('node_modules/sonner/dist/index.mjs', 'utf8')
  const found = [...source.matchAll(/^__insertCSS\(("(?:[^"\\]|\\.)*")\)/gm)]
  if (found.length !== 1) throw new Error('sonner inserts other styles than it did: look at insertedStyles.')
  // It puts the style sheet there empty, and fills it then.
  return ['', ...found.map(([, text]) => JSON.parse(text) as string)].map(
    (text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`,
  )
}

/** What opens storage, and with it all that the first page runs: what they and the loom import, and what those import. */
const opening = new Set<string>()
const firstPage = new Set<string>()
const inProject = (file: string) => join(process.cwd(), file)
const OPENING = inProject('src/app/main.tsx')
const FIRST = [inProject('src/app/page.tsx'), inProject('src/rooms/loom/LoomRoom.tsx')]
/** What the first page does without: it is fetched where records from outside are checked, or charts drawn. */
const NOT_FIRST = /node_modules\/(zod|recharts|@zip\.js|@noble|yalps)\//
const gatherFirstPage: Plugin = {
  name: 'first-page',
  buildEnd() {
    const gather = (from: readonly string[], into: Set<string>) => {
      const queue = [...from]
      for (const id of queue) {
        if (into.has(id)) continue
        into.add(id)
        queue.push(...(this.getModuleInfo(id)?.importedIds ?? []))
        if (NOT_FIRST.test(id))
          this.error(`${id} would come with the first page; fetch what needs it when it is used.`)
      }
    }
    gather([OPENING], opening)
    gather(FIRST, firstPage)
  },
}

/** Constants stay constants: a `var` at the top of a file costs the daily steps of the core a third of their speed. */
const bundled = {
  output: { topLevelVar: false },
  optimization: { inlineConst: { mode: 'all' as const, pass: 3 } },
}

/** What the first page runs comes in one file, and what most other rooms share in another, not in thirty. */
const pageBundled = {
  ...bundled,
  output: {
    ...bundled.output,
    codeSplitting: {
      groups: [
        { name: 'opening', test: (id: string) => opening.has(id) && id !== OPENING, priority: 3 },
        { name: 'first', test: (id: string) => firstPage.has(id), priority: 2 },
        { name: 'zod', test: /node_modules\/zod\/v4\/classic/, priority: 2 },
        { name: 'common', test: /\/src\//, minShareCount: 4, priority: 1 },
      ],
    },
  },
}

/** Where the app lies on its host; anything but `/` for a sub-path, with a slash at both ends. */
const BASE = process.env.KILIM_BASE ?? '/'
if (!/^\/([\w.-]+\/)*$/.test(BASE))
  throw new Error(`KILIM_BASE is “${BASE}”. Set it to a path with a slash at both ends, for example /kilim/.`)

/** The page again under the name that file servers give for what is not there, so that every address of the app opens it. */
function pageForAll(): Plugin {
  let outDir = ''
  return {
    name: 'page-for-all',
    apply: 'build',
    configResolved: ({ build }) => void (outDir = build.outDir),
    closeBundle: () => copyFileSync(join(outDir, 'index.html'), join(outDir, '404.html')),
  }
}

/** The two fonts and the script of the first page are asked for with it, not once the style sheet and the opening have been read. */
const preloadedParts: Plugin = {
  name: 'preloaded-parts',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle = {} }) =>
      Object.keys(bundle).flatMap((name) => {
        const href = `${BASE}${name}`
        const attrs = /-latin-wght-normal-.*\.woff2$/.test(name)
          ? { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href }
          : /\/(first|page)-[^/]*\.js$/.test(name)
            ? { rel: 'modulepreload', crossorigin: '', href }
            : null
        return attrs ? [{ tag: 'link', attrs, injectTo: 'head' as const }] : []
      }),
  },
}

export default defineConfig(({ isSsrBuild }) => ({
  base: BASE,
  plugins: isSsrBuild
    ? []
    : [
        react(),
        tailwindcss(),
        preloadedParts,
        gatherFirstPage,
        pageForAll(),
        towns(),
        VitePWA({
          registerType: 'prompt',
          injectRegister: false,
          manifest: {
            name: 'Kilim',
            short_name: 'Kilim',
            description: 'Cover crops in beds, from choosing to planting.',
            theme_color: '#3b2a20',
            background_color: '#f4ede0',
            display: 'standalone',
            file_handlers: [
              {
                action: `${BASE}garden`,
                accept: { 'application/json': ['.json'], 'application/zip': ['.zip'] },
              },
            ],
            share_target: {
              action: `${BASE}shared`,
              method: 'POST',
              enctype: 'multipart/form-data',
              params: {
                files: [{ name: 'garden', accept: ['application/json', '.json', 'application/zip', '.zip'] }],
              },
            },
            icons: [{ src: `${BASE}icon.svg`, sizes: 'any', type: 'image/svg+xml' }],
          },
          workbox: {
            navigateFallback: `${BASE}index.html`,
            navigateFallbackDenylist: [new RegExp(`^${BASE}api/`)],
            globPatterns: ['**/*.{js,css,html,svg,woff2}'],
            globIgnores: ['404.html'],
            importScripts: ['shared-file.js'],
          },
        }),
      ],
  define: {
    __KILIM_MODEL__: JSON.stringify(modelVersion()),
    __KILIM_STYLES__: JSON.stringify(insertedStyles()),
  },
  build: {
    outDir: 'dist/client',
    emptyOutDir: !isSsrBuild,
    chunkSizeWarningLimit: 2000,
    rolldownOptions: isSsrBuild ? bundled : pageBundled,
  },
  worker: { format: 'es', rolldownOptions: bundled },
  server: { host: '127.0.0.1' },
}))
