import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from '@jest/globals'
import { marlpitLane } from '../demo/marlpitLane'
import { writeArchive, zipOf } from './gardenArchive'
import { writeGardenFile } from './gardenFile'

const dir = mkdtempSync(join(tmpdir(), 'kilim-zip-'))
afterAll(() => rmSync(dir, { recursive: true, force: true }))

/** Unpacks bytes by the system's own program, which checks their sums; gives how to read a file of it. */
function unzipped(name: string, bytes: Uint8Array) {
  writeFileSync(join(dir, `${name}.zip`), bytes)
  execFileSync('unzip', ['-q', join(dir, `${name}.zip`), '-d', join(dir, name)])
  return (file: string) => readFileSync(join(dir, name, file))
}

test('a garden in a zip is unpacked by another program, pictures byte for byte', async () => {
  const text = writeGardenFile(marlpitLane(), '2026-04-20')
  const full = new Uint8Array(70_000).map((_, i) => (i * 31) % 256)
  const small = new Uint8Array([0xff, 0xd8, 0xff])
  const read = unzipped('garden', await writeArchive(text, [{ id: 'picture 1/2', full, small }]))
  expect(read('garden.kilim.json').toString('utf8')).toBe(text)
  expect(new Uint8Array(read('pictures/full/picture%201%2F2.jpg'))).toEqual(full)
  expect(new Uint8Array(read('pictures/small/picture%201%2F2.jpg'))).toEqual(small)
})

test('tables in a zip keep names and letters beyond ASCII', async () => {
  const read = unzipped('tables', await zipOf([{ name: 'beds.csv', text: 'bed,soil\nÄ1,„lehmig“\n' }]))
  expect(read('beds.csv').toString('utf8')).toBe('bed,soil\nÄ1,„lehmig“\n')
})
