import { expect, test } from '@playwright/test'
import express from 'express'
import { execFileSync, spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { request as askSecurely } from 'node:https'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { generate } from 'selfsigned'
import { woven } from './helpers'

const directory = mkdtempSync(join(tmpdir(), 'kilim-hosting-'))
// A worker may come back to this file after it has cleared up behind it.
test.beforeAll(() => void mkdirSync(directory, { recursive: true }))
test.afterAll(() => rmSync(directory, { recursive: true, force: true }))

test.describe('from any file server, in a sub-path', () => {
  const BASE = '/tools/kilim/'
  let server: Server
  let origin = ''
  test.beforeAll(async () => {
    const outDir = join(directory, 'client')
    execFileSync('node', ['node_modules/vite/bin/vite.js', 'build', '--outDir', outDir, '--emptyOutDir'], {
      env: { ...process.env, KILIM_BASE: BASE },
      stdio: 'pipe',
    })
    const app = express().use(BASE, express.static(outDir))
    app.use((_request, response) => void response.status(404).sendFile(join(outDir, '404.html')))
    server = app.listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    const bound = server.address()
    origin = `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : 0}`
  })
  test.afterAll(() => void server.close())

  test('the rooms open, by their addresses too; what needs the server says so; offline it goes on', async ({
    page,
    context,
  }) => {
    await page.goto(`${origin}${BASE}`)
    await woven(page)
    await page.getByRole('link', { name: 'Garden', exact: true }).click()
    await page.waitForURL(`${origin}${BASE}garden`)
    await page.getByRole('button', { name: 'Hand over to another device' }).click()
    await expect(page.getByRole('alert')).toContainText('server does not answer here')
    await page.goto(`${origin}${BASE}weather`)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await page.evaluate(() => navigator.serviceWorker.ready)
    await expect.poll(() => page.evaluate(async () => (await caches.keys()).length)).toBeGreaterThan(0)
    // What another app of the machine shares is posted to the installed app, and taken by its service worker.
    await page.reload()
    await page.evaluate(() => {
      const form = document.createElement('form')
      Object.assign(form, { method: 'post', action: 'shared', enctype: 'multipart/form-data' })
      form.innerHTML = '<input type="file" name="garden">'
      const files = new DataTransfer()
      files.items.add(new File(['{"format":"other"}'], 'Ours.kilim.json', { type: 'application/json' }))
      form.querySelector('input')!.files = files.files
      document.body.append(form)
      form.submit()
    })
    await page.waitForURL(`${origin}${BASE}garden**`)
    await expect(page.getByText(/not a Kilim garden/)).toBeVisible()
    await context.setOffline(true)
    await page.goto(`${origin}${BASE}rounds`)
    await expect(page.getByRole('heading', { level: 1, name: 'Rounds' })).toBeVisible()
  })
  test('a sub-path without its slashes is refused by name', () => {
    const built = spawnSync('node', ['node_modules/vite/bin/vite.js', 'build', '--outDir', directory], {
      env: { ...process.env, KILIM_BASE: 'kilim' },
      encoding: 'utf8',
    })
    expect(built.status).not.toBe(0)
    expect(built.stderr + built.stdout).toMatch(/KILIM_BASE is “kilim”/)
  })
})

test.describe('with a certificate', () => {
  const files = { cert: join(directory, 'cert.pem'), key: join(directory, 'key.pem') }
  let running: ChildProcess | null = null
  test.beforeAll(async () => {
    const made = await generate([{ name: 'commonName', value: 'localhost' }])
    writeFileSync(files.cert, made.cert)
    writeFileSync(files.key, made.private)
  })
  test.afterAll(() => void running?.kill())

  test('the server answers over HTTPS', async () => {
    const env = { ...process.env, PORT: '0', TLS_CERT: files.cert, TLS_KEY: files.key }
    running = spawn('node', ['dist/server/server.js'], { env })
    const line = await new Promise<string>((resolve) =>
      running!.stdout!.once('data', (text: Buffer) => resolve(text.toString())),
    )
    const address = /Kilim is ready at (https:\S+)/.exec(line)![1]
    const said = await new Promise<string>((resolve, reject) =>
      askSecurely(`${address}/api/health`, { rejectUnauthorized: false }, (response) =>
        response.on('data', (text: Buffer) => resolve(text.toString())),
      )
        .on('error', reject)
        .end(),
    )
    expect(JSON.parse(said)).toEqual({ ok: true })
  })
  test('a key that is none is named', () => {
    const { status, stderr } = spawnSync('node', ['dist/server/server.js'], {
      env: { ...process.env, PORT: '0', TLS_CERT: files.cert, TLS_KEY: files.cert },
      encoding: 'utf8',
    })
    expect(status).toBe(1)
    expect(stderr).toMatch(/TLS_CERT and TLS_KEY are not a certificate and its key/)
  })
})
