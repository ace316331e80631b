import compression from 'compression'
import express from 'express'
import helmet from 'helmet'
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { weatherRoutes } from './weather'

const clientDir = join(dirname(fileURLToPath(import.meta.url)), '..', 'client')
const host = process.env.HOST ?? '127.0.0.1'
const port = Number(process.env.PORT ?? 4310)

if (!existsSync(join(clientDir, 'index.html'))) {
  console.error('The app has not been built. Run `npm run demo`, or `npm run build` first.')
  process.exit(1)
}

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
app.use(express.static(clientDir, { index: false, maxAge: '1h' }))
app.get('/{*path}', (_request, response) => {
  response.set('Cache-Control', 'no-cache').sendFile(join(clientDir, 'index.html'))
})

const server = app.listen(port, host, () => console.log(`Kilim is ready at http://${host}:${port}`))
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken. Set PORT to another one, for example PORT=4311 npm run demo.`
      : error.message,
  )
  process.exit(1)
})
