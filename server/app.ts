import compression from 'compression'
import express, { type ErrorRequestHandler, type Express } from 'express'
import helmet from 'helmet'
import { join } from 'node:path'
import { weatherRoutes } from './weather'

/** What went wrong, in a sentence; what the server knows of it goes to its log, never to the page. */
const answerFailure: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) return next(error)
  const status = (error as { status?: unknown } | null)?.status
  const asked = typeof status === 'number' && status >= 400 && status < 500
  if (!asked) console.error('A request failed', error)
  response
    .status(asked ? status : 500)
    .json({ error: asked ? 'The request cannot be read.' : 'The server could not answer.' })
}

/** The built app from `clientDir`, and the simulated station of the demo gardens under /api. */
export function createApp(clientDir: string): Express {
  const app = express()
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
    }),
  )
  app.use(compression())
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true })
  })
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
