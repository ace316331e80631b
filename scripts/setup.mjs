// Sets up what is missing, with Node's own modules only: the packages, and for tests Debian's Chromium.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'

const stamp = 'node_modules/.kilim-setup'
const wanted = createHash('sha256')
  .update(readFileSync('package.json'))
  .update(existsSync('package-lock.json') ? readFileSync('package-lock.json') : '')
  .digest('hex')

function run(command, args, env = {}) {
  return spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status === 0
}

function fail(message) {
  console.error(`\n${message}\n`)
  process.exit(1)
}

const major = Number(process.versions.node.split('.')[0])
if (major < 20) fail(`Kilim needs Node 20 or newer; this is ${process.version}.`)

if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== wanted) {
  console.log('Installing the packages …')
  if (!run('npm', ['install', '--no-audit', '--no-fund'], { PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' }))
    fail(
      'The packages could not be installed. Check that npm reaches its registry, then run the command again.',
    )
  writeFileSync(stamp, wanted)
}

/** Debian's own packages, where they are not there. */
function install(...packages) {
  return (
    run('apt-get', ['update']) &&
    run('apt-get', ['install', '-y', '--no-install-recommends', ...packages], {
      DEBIAN_FRONTEND: 'noninteractive',
    })
  )
}

if (process.argv.includes('--browser')) {
  // A zip that Kilim writes is read back by another program.
  if (spawnSync('unzip', ['-v'], { stdio: 'ignore' }).status !== 0 && !install('unzip'))
    fail('No unzip was found and apt could not install it. Install unzip, then run the command again.')
  const places = [process.env.CHROMIUM_PATH, '/usr/bin/chromium-headless-shell'].filter(Boolean)
  if (!places.some((path) => existsSync(path))) {
    console.log('Installing Chromium for the browser tests …')
    if (!install('chromium-headless-shell') && !existsSync('/usr/bin/chromium') && !install('chromium'))
      fail(
        'No Chromium was found and apt could not install it. Install Chromium and set CHROMIUM_PATH to its path.',
      )
  }
}
