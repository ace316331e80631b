import express, { Router, type Response } from 'express'
import { rateLimit } from 'express-rate-limit'
import { pipeline, Readable } from 'node:stream'
import { HANDED_OVER_MINUTES, LARGEST_BUNDLE } from '../src/core/garden/handoverApi'

/** What one device left for another: sealed, so that nothing of it can be read here; null once it was fetched. */
type Bundle = { sealed: Buffer | null; until: number }

/** Most that waits at once: bundles, bytes. */
const MOST = { bundles: 50, bytes: 4 * LARGEST_BUNDLE }
const REQUESTS_A_MINUTE = 120
const PLACE = /^[0-9a-f]{32}$/

const PIECE_BYTES = 64 * 1024
/** Bytes in pieces, so that it is known whether the last of them went out. */
function piecesOf(bytes: Buffer): Readable {
  const count = Math.ceil(bytes.length / PIECE_BYTES)
  return Readable.from(
    Array.from({ length: count }, (_, i) => bytes.subarray(i * PIECE_BYTES, (i + 1) * PIECE_BYTES)),
  )
}

/** Says why a request was refused, in a sentence. */
const refuse = (response: Response, status: number, error: string) => response.status(status).json({ error })

/**
 * Takes a sealed garden from one device and gives it to the first that asks for its place; kept in memory only, for ten
 * minutes at most.
 *
 * @param now the clock, ms
 */
export function handoverRoutes(now: () => number = Date.now): Router {
  const bundles = new Map<string, Bundle>()
  const sweep = () => {
    for (const [place, { until }] of bundles) if (until <= now()) bundles.delete(place)
  }
  const routes = Router()
  routes.use(
    rateLimit({
      windowMs: 60_000,
      limit: REQUESTS_A_MINUTE,
      legacyHeaders: false,
      message: { error: 'Too many requests. Wait a minute.' },
    }),
  )
  routes.use('/:place', (request, response, next) => {
    sweep()
    response.set('Cache-Control', 'no-store')
    if (PLACE.test(request.params.place)) next()
    else refuse(response, 404, 'There is no such place.')
  })
  routes.put(
    '/:place',
    express.raw({ type: 'application/octet-stream', limit: LARGEST_BUNDLE }),
    (request, response) => {
      const sealed: unknown = request.body
      if (!Buffer.isBuffer(sealed) || sealed.length === 0)
        return refuse(response, 400, 'There is nothing in it.')
      const { place } = request.params
      if (bundles.has(place)) return refuse(response, 409, 'This place is taken.')
      const held = [...bundles.values()].reduce((sum, bundle) => sum + (bundle.sealed?.length ?? 0), 0)
      if (bundles.size >= MOST.bundles || held + sealed.length > MOST.bytes)
        return refuse(response, 503, 'Too much waits to be fetched. Try again in ten minutes.')
      const until = now() + HANDED_OVER_MINUTES * 60_000
      bundles.set(place, { sealed, until })
      return response.status(201).json({ until })
    },
  )
  routes.get('/:place/state', (request, response) => {
    const bundle = bundles.get(request.params.place)
    response.json({ state: !bundle ? 'gone' : bundle.sealed ? 'waiting' : 'fetched' })
  })
  routes.get('/:place', (request, response) => {
    const bundle = bundles.get(request.params.place)
    if (!bundle?.sealed) return refuse(response, 404, 'Nothing waits at this place.')
    const { sealed } = bundle
    // Taken out at once, so that no second one gets it; put back where the first did not get all of it.
    bundle.sealed = null
    response.type('application/octet-stream').set('Content-Length', String(sealed.length))
    return pipeline(piecesOf(sealed), response, (error) => {
      if (error) bundle.sealed = sealed
    })
  })
  routes.delete('/:place', (request, response) => {
    bundles.delete(request.params.place)
    response.status(204).end()
  })
  return routes
}
