import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { firstProblem } from '../src/core/foundations/outcome'
import { addressFrom } from './address'
import { createApp } from './app'

const clientDir = join(dirname(fileURLToPath(import.meta.url)), '..', 'client')

function giveUp(reason: string): never {
  console.error(reason)
  process.exit(1)
}

const address = addressFrom(process.env)
if (!address.ok) giveUp(firstProblem(address.problems))
if (!existsSync(join(clientDir, 'index.html')))
  giveUp('The app has not been built. Run `npm run demo`, or `npm run build` first.')

const { host, port } = address.value
const server = createApp(clientDir).listen(port, host)
server.once('listening', () => {
  const bound = server.address()
  const at = typeof bound === 'object' && bound ? bound.port : port
  console.log(`Kilim is ready at http://${host.includes(':') ? `[${host}]` : host}:${at}`)
})
const REASONS: Record<string, string> = {
  EADDRINUSE: `Port ${port} is taken. Set PORT to another one, for example PORT=4311 npm run demo.`,
  EACCES: `Port ${port} is not allowed here. Set PORT to one above 1023, for example PORT=4311 npm run demo.`,
  EADDRNOTAVAIL: `This machine has no address ${host}. Set HOST to one it has, for example HOST=0.0.0.0.`,
  ENOTFOUND: `The name ${host} is not known. Set HOST to an address of this machine, for example HOST=0.0.0.0.`,
}
server.once('error', (error: NodeJS.ErrnoException) => giveUp(REASONS[error.code ?? ''] ?? error.message))
