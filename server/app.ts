import compression from 'compression'
import express, { type ErrorRequestHandler, type Express } from 'express'
import helmet from 'helmet'
import { join } from 'node:path'
import { handoverRoutes } from './handover'
import { weatherRoutes } from './weather'

declare const __KILIM_STYLES__: string[] | undefined
/** Hashes of styles that libraries put into the page; known where the app has been built. */
const STYLES = typeof __KILIM_STYLES__ === 'undefined' ? [] : __KILIM_STYLES__

/** What went wrong, in a sentence; what the server knows of it goes to its log, never to the page. */
const answerFailure: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) return next(error)
  const status = (error as { status?: unknown } | null)?.status
  const asked = typeof status === 'number' && status >= 400 && status < 500
  if (!asked) console.error('A request failed', error)
  response.status(asked ? status : 500).json({
    error:
      status === 413
        ? 'This is larger than the server takes.'
        : asked
          ? 'The request cannot be read.'
          : 'The server could not answer.',
  })
}

/**
 * The built app from `clientDir`; under /api the simulated station of the demo gardens, and handing over.
 *
 * @param addresses where other devices reach this server
 */
export function createApp(clientDir: string, addresses: () => string[] = () => []): Express {
  const app = express()
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", ...STYLES],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
      // On a home network the same name may be opened with and without a certificate, and browsers only
      // heed the other two with one.
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  )
  app.use(compression())
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true })
  })
  app.get('/api/here', (_request, response) => {
    response.set('Cache-Control', 'no-store').json({ addresses: addresses() })
  })
  app.use('/api/handover', handoverRoutes())
  app.use('/api', weatherRoutes)
  app.use('/api', (_request, response) => {
    response.status(404).json({ error: 'There is nothing at this address.' })
  })
  // Files under /assets carry a hash of their content in their names.
  app.use(
    '/assets',
    express.static(join(clientDir, 'assets'), { index: false, immutable: true, maxAge: '1y' }),
  )
  app.use(express.static(clientDir, { index: false, maxAge: '1h' }))
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(join(clientDir, 'index.html'))
  })
  app.use(answerFailure)
  return app
}
