import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { addressFrom, certificateFrom } from './address'
import { createApp } from './app'
import { reachableAt } from './reach'

let server: Server
let address = ''
const dir = mkdtempSync(join(tmpdir(), 'kilim-'))

beforeAll(async () => {
  writeFileSync(join(dir, 'index.html'), '<p>the app</p>')
  server = createApp(dir).listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const bound = server.address()
  address = `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : 0}`
})
afterAll(() => {
  server.close()
  rmSync(dir, { recursive: true })
})

const get = async (path: string) => {
  const response = await fetch(address + path)
  return { status: response.status, text: await response.text() }
}

describe('the station', () => {
  test('answers for a demo garden', async () => {
    const { status, text } = await get('/api/station?garden=marlpit-lane&from=2026-04-01&to=2026-04-08')
    expect(status).toBe(200)
    expect((JSON.parse(text) as { days: unknown[] }).days.length).toBeGreaterThan(4)
  })
  test.each(['__proto__', 'constructor', 'toString', 'nowhere'])('knows no garden named %s', async (name) => {
    for (const path of [
      `/api/station?garden=${name}&from=2026-04-01&to=2026-04-08`,
      `/api/forecast?garden=${name}&issued=2026-04-01`,
    ])
      expect((await get(path)).status).toBe(404)
  })
  test('refuses a span no one needs, and dates that do not exist, in words', async () => {
    const long = await get('/api/station?garden=marlpit-lane&from=1990-01-01&to=2100-12-31')
    expect(long).toMatchObject({ status: 400, text: expect.stringMatching(/to: at most 7305 days/) })
    expect((await get('/api/station?garden=marlpit-lane&from=never&to=2026-04-31')).status).toBe(400)
    expect((await get('/api/station?garden=marlpit-lane&from=2026-04-08&to=2026-04-01')).status).toBe(400)
  })
  test('far beyond its life it has nothing to say', async () => {
    const { text } = await get('/api/forecast?garden=marlpit-lane&issued=2100-12-31')
    expect(JSON.parse(text)).toMatchObject({ days: [] })
    const days = await get('/api/station?garden=marlpit-lane&from=2090-01-01&to=2100-12-31')
    expect(JSON.parse(days.text)).toMatchObject({ days: [] })
  })
})

test('any other address opens the app; nothing is served under /api that is not there', async () => {
  expect((await get('/bed/somewhere')).text).toBe('<p>the app</p>')
  expect(await get('/api/else')).toMatchObject({ status: 404, text: expect.stringMatching(/nothing at/) })
})

test('what goes wrong is told in a sentence, without where in the code it did', async () => {
  const log = jest.spyOn(console, 'error').mockImplementation(() => {})
  const broken = await get('/%E0%A4%A')
  expect(broken).toEqual({ status: 400, text: JSON.stringify({ error: 'The request cannot be read.' }) })
  rmSync(join(dir, 'index.html'))
  const missing = await get('/bed/somewhere')
  expect(missing.status).toBeGreaterThanOrEqual(404)
  expect(missing.text).not.toMatch(/node_modules|at .*\(|Error:|kilim-/)
  log.mockRestore()
})

describe('where to listen', () => {
  test('unset or empty takes the usual', () => {
    expect(addressFrom({})).toEqual({ ok: true, value: { host: '127.0.0.1', port: 4310 } })
    expect(addressFrom({ HOST: '', PORT: ' ' })).toEqual(addressFrom({}))
    expect(addressFrom({ HOST: '0.0.0.0', PORT: '8080' })).toMatchObject({ value: { port: 8080 } })
  })
  test.each(['abc', '-1', '70000', '80.5', '1e3', '0x50'])('PORT=%s is refused by name', (PORT) => {
    expect(addressFrom({ PORT })).toMatchObject({ problems: [{ path: 'PORT' }] })
  })
  test.each(['http://x', 'a b', 'host/path'])('HOST=%s is refused by name', (HOST) => {
    expect(addressFrom({ HOST })).toMatchObject({ problems: [{ path: 'HOST' }] })
  })
})

describe('the certificate', () => {
  const files: Record<string, string> = { 'cert.pem': 'C', 'key.pem': 'K' }
  const read = (path: string) => {
    if (!(path in files)) throw new Error('ENOENT')
    return Buffer.from(files[path])
  }
  test('is read where both files are named, and none is needed', () => {
    expect(certificateFrom({ TLS_CERT: '', TLS_KEY: ' ' }, read)).toEqual({ ok: true, value: null })
    expect(certificateFrom({ TLS_CERT: 'cert.pem', TLS_KEY: 'key.pem' }, read)).toEqual({
      ok: true,
      value: { cert: Buffer.from('C'), key: Buffer.from('K') },
    })
  })
  test.each([
    [{ TLS_CERT: 'cert.pem' }, 'TLS_KEY', /not set/],
    [{ TLS_KEY: 'key.pem' }, 'TLS_CERT', /not set/],
    [{ TLS_CERT: 'cert.pem', TLS_KEY: 'lost.pem' }, 'TLS_KEY', /cannot be read/],
  ])('%j is refused by name', (env, path, message) => {
    expect(certificateFrom(env, read)).toMatchObject({
      problems: [{ path, message: expect.stringMatching(message) }],
    })
  })
})

test('other devices reach a server that listens to more than its own machine', () => {
  const interfaces = {
    lo: [{ family: 'IPv4', internal: true, address: '127.0.0.1' }],
    wlan: [
      { family: 'IPv6', internal: false, address: 'fe80::1' },
      { family: 'IPv4', internal: false, address: '192.0.2.7' },
    ],
  } as unknown as Parameters<typeof reachableAt>[1]
  const at = (host: string, scheme: 'http' | 'https' = 'http') =>
    reachableAt({ scheme, host, port: 4310 }, interfaces)
  for (const own of ['127.0.0.1', 'localhost', '::1']) expect(at(own)).toEqual([])
  expect(at('0.0.0.0')).toEqual(['http://192.0.2.7:4310'])
  expect(at('::', 'https')).toEqual(['https://192.0.2.7:4310'])
  expect(at('kilim.home')).toEqual(['http://kilim.home:4310'])
})
