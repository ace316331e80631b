import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import express from 'express'
import type { Server } from 'node:http'
import { connect } from 'node:net'
import { HANDED_OVER_MINUTES } from '../src/core/garden/handoverApi'
import { addresses, fetchHanded, handOver, stateOf, withdraw } from '../src/data/handover/exchange'
import { codeOf } from '../src/data/handover/sealing'
import { createApp } from './app'
import { handoverRoutes } from './handover'

let server: Server
let origin = ''
let now = 0

beforeEach(async () => {
  now = 1_000_000
  const app = express().use(
    '/api/handover',
    handoverRoutes(() => now),
  )
  app.use(createApp('/nowhere', () => ['http://192.0.2.7:4310']))
  server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const bound = server.address()
  origin = `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : 0}`
})
afterEach(() => void server.close())

const ask: typeof fetch = (path, init) => fetch(origin + String(path), init)
const text = (words: string) => new TextEncoder().encode(words)
const PLACE = 'ab'.repeat(16)
const put = (place: string, body: string | Buffer, type = 'application/octet-stream') =>
  ask(`/api/handover/${place}`, {
    method: 'PUT',
    body: new Uint8Array(Buffer.from(body)),
    headers: { 'Content-Type': type },
  })
const saidBy = async (response: Response) => [response.status, await response.json()] as const

async function left(words = 'a garden') {
  const handed = await handOver(text(words), ask)
  if (!handed.ok) throw new Error('not left')
  return handed.value
}

// Thirty megabytes pass through here, on busy machines too.
jest.setTimeout(60_000)

describe('a garden left for another device', () => {
  test.each(['camera', 'typed'] as const)('is fetched with the code for a %s, once', async (way) => {
    const handed = await left()
    expect(handed.until).toBe(now + HANDED_OVER_MINUTES * 60_000)
    expect(await stateOf(handed, ask)).toBe('waiting')
    expect(await fetchHanded(codeOf(handed[way]), ask)).toEqual({ ok: true, value: text('a garden') })
    expect(await stateOf(handed, ask)).toBe('fetched')
    expect(await fetchHanded(codeOf(handed[way]), ask)).toMatchObject({
      problems: [{ code: 'gone', message: expect.stringMatching(/fetched already/) }],
    })
  })
  test('is gone after ten minutes, or once it is withdrawn', async () => {
    const [first, second] = [await left(), await left()]
    await withdraw(second, ask)
    expect(await stateOf(second, ask)).toBe('gone')
    now += HANDED_OVER_MINUTES * 60_000 - 1
    expect(await stateOf(first, ask)).toBe('waiting')
    now += 1
    expect(await stateOf(first, ask)).toBe('gone')
    expect((await fetchHanded(codeOf(first.camera), ask)).ok).toBe(false)
  })
  test('another code opens nothing', async () => {
    await left()
    expect(await fetchHanded('0000-0000-0000-0000', ask)).toMatchObject({ problems: [{ code: 'gone' }] })
  })
  test('waits on where the one that fetched it was cut off', async () => {
    const big = Buffer.alloc(30_000_000, 7)
    expect((await put(PLACE, big)).status).toBe(201)
    await new Promise<void>((resolve) => {
      const port = Number(new URL(origin).port)
      const socket = connect(port, '127.0.0.1', () =>
        socket.write(`GET /api/handover/${PLACE} HTTP/1.1\r\nHost: x\r\n\r\n`),
      )
      socket.once('data', () => socket.destroy())
      socket.once('close', () => resolve())
    })
    for (let tries = 0; tries < 100; tries++) {
      const response = await ask(`/api/handover/${PLACE}`)
      if (response.status === 200) return expect((await response.arrayBuffer()).byteLength).toBe(big.length)
    }
    throw new Error('It was lost.')
  })
})

describe('refused in words', () => {
  test('places that are none, nothing, what is taken, what is too large, too many', async () => {
    expect(await saidBy(await put('short', 'x'))).toEqual([404, { error: 'There is no such place.' }])
    expect(await saidBy(await put(PLACE, ''))).toEqual([400, { error: 'There is nothing in it.' }])
    expect(await saidBy(await put(PLACE, 'x', 'text/plain'))).toEqual([
      400,
      { error: 'There is nothing in it.' },
    ])
    expect((await put(PLACE, 'x')).status).toBe(201)
    expect(await saidBy(await put(PLACE, 'y'))).toEqual([409, { error: 'This place is taken.' }])
    for (let i = 1; i < 50; i++) await put(i.toString(16).padStart(32, '0'), 'x')
    expect((await saidBy(await put('cd'.repeat(16), 'x')))[1]).toEqual({
      error: expect.stringMatching(/Too much waits/),
    })
    for (let i = 0; i < 100; i++) await ask(`/api/handover/${PLACE}/state`)
    expect(await saidBy(await ask(`/api/handover/${PLACE}/state`))).toEqual([
      429,
      { error: 'Too many requests. Wait a minute.' },
    ])
    expect(await handOver(text('x'), ask)).toMatchObject({
      problems: [{ message: 'Too many requests. Wait a minute.' }],
    })
  })
  test('a garden that is too large is not even sent', async () => {
    const sent: unknown[] = []
    const refused = await handOver(new Uint8Array(70_000_000), async (path) => {
      sent.push(path)
      return new Response()
    })
    expect(refused).toMatchObject({ problems: [{ message: expect.stringMatching(/has 70 MB, and 64 can/) }] })
    expect(sent).toEqual([])
  })
})

describe('where there is no such server', () => {
  const page = new Response('<p>some page</p>', { headers: { 'Content-Type': 'text/html' } })
  test.each([
    ['none answers', async () => Promise.reject(new TypeError('away'))],
    ['files are served, and a page for all else', async () => page.clone()],
  ])('%s: it is said', async (_, from) => {
    const words = { ok: false, problems: [{ message: expect.stringMatching(/server does not answer here/) }] }
    expect(await handOver(text('x'), from)).toMatchObject(words)
    expect(await fetchHanded('0000-0000-0000-0000', from)).toMatchObject(words)
    expect(await addresses({ hostname: 'localhost' } as Location, from)).toMatchObject(words)
  })
  test('one that listens to its own machine only says how it is opened to others', async () => {
    const alone: typeof fetch = async () => Response.json({ addresses: [] })
    expect(await addresses({ hostname: '127.0.0.1' } as Location, alone)).toMatchObject({
      problems: [{ message: expect.stringMatching(/HOST=0\.0\.0\.0/) }],
    })
  })
  test('the address that the page itself was opened at comes first', async () => {
    const page = { hostname: 'kilim.home', origin: 'http://kilim.home:4310' } as Location
    expect(await addresses(page, ask)).toEqual({
      ok: true,
      value: ['http://kilim.home:4310', 'http://192.0.2.7:4310'],
    })
  })
})
