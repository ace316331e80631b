import type { Server } from 'node:http'
import express from 'express'
import { build } from 'vite'

/** Builds a page of one script into a folder and serves it on this machine. */
export async function servePage(entry: string, dir: string, port: number): Promise<Server> {
  await build({
    configFile: false,
    logLevel: 'error',
    worker: { format: 'es' },
    build: {
      outDir: dir,
      emptyOutDir: true,
      rollupOptions: { input: entry, output: { entryFileNames: 'page.js' } },
    },
  })
  const app = express().use(express.static(dir))
  app.get('/', (_request, response) => {
    response.send('<!doctype html><title>torture</title><script type="module" src="/page.js"></script>')
  })
  const server = app.listen(port, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  return server
}
