import { existsSync, readFileSync } from 'node:fs'
import { createServer as createPlain } from 'node:http'
import { createServer as createSecure } from 'node:https'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { firstProblem } from '../src/core/foundations/outcome'
import { addressFrom, certificateFrom } from './address'
import { createApp } from './app'
import { reachableAt } from './reach'

const clientDir = join(dirname(fileURLToPath(import.meta.url)), '..', 'client')

function giveUp(reason: string): never {
  console.error(reason)
  process.exit(1)
}

const address = addressFrom(process.env)
if (!address.ok) giveUp(firstProblem(address.problems))
if (!existsSync(join(clientDir, 'index.html')))
  giveUp('The app has not been built. Run `npm run demo`, or `npm run build` first.')

const certificate = certificateFrom(process.env, (path) => readFileSync(path))
if (!certificate.ok) giveUp(firstProblem(certificate.problems))

const { host, port } = address.value
const scheme = certificate.value ? 'https' : 'http'
const portNow = () => {
  const bound = server.address()
  return typeof bound === 'object' && bound ? bound.port : port
}
const app = createApp(clientDir, () => reachableAt({ scheme, host, port: portNow() }))

function start() {
  if (!certificate.ok || !certificate.value) return createPlain(app)
  try {
    return createSecure(certificate.value, app)
  } catch {
    return giveUp(
      'TLS_CERT and TLS_KEY are not a certificate and its key in PEM. Set both to the right files.',
    )
  }
}

const server = start().listen(port, host)
server.once('listening', () => {
  console.log(`Kilim is ready at ${scheme}://${host.includes(':') ? `[${host}]` : host}:${portNow()}`)
  for (const reachable of reachableAt({ scheme, host, port: portNow() }))
    console.log(`Other devices of this network reach it at ${reachable}`)
})
const REASONS: Record<string, string> = {
  EADDRINUSE: `Port ${port} is taken. Set PORT to another one, for example PORT=4311 npm run demo.`,
  EACCES: `Port ${port} is not allowed here. Set PORT to one above 1023, for example PORT=4311 npm run demo.`,
  EADDRNOTAVAIL: `This machine has no address ${host}. Set HOST to one it has, for example HOST=0.0.0.0.`,
  ENOTFOUND: `The name ${host} is not known. Set HOST to an address of this machine, for example HOST=0.0.0.0.`,
}
server.once('error', (error: NodeJS.ErrnoException) => giveUp(REASONS[error.code ?? ''] ?? error.message))
