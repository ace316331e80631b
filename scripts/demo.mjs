// Builds and serves the app with its demo gardens, and prints the address.
import { spawn, spawnSync } from 'node:child_process'

const build = spawnSync('npm', ['run', 'build', '--silent'], { stdio: 'inherit' })
if (build.status !== 0) process.exit(build.status ?? 1)
const server = spawn('node', ['dist/server/server.js'], { stdio: 'inherit' })
server.on('exit', (code) => process.exit(code ?? 0))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
