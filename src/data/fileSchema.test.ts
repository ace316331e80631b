import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { Ajv2020 } from 'ajv/dist/2020.js'
import { DEMO_GARDENS } from '../demo'
import { gardenFileSchema, writeGardenFile } from './gardenFile'

const published = JSON.parse(readFileSync('docs/garden-file.schema.json', 'utf8')) as object
const valid = new Ajv2020({ strict: false }).compile(published)
const file = (name: keyof typeof DEMO_GARDENS) =>
  JSON.parse(writeGardenFile(DEMO_GARDENS[name](), '2026-01-01T00:00:00Z')) as {
    data: { beds: Record<string, unknown>[]; stands: { content: Record<string, unknown> }[] }
  }

test('the published schema is the one that files are read by; `npm run docs` writes it', () =>
  expect(published).toEqual(JSON.parse(JSON.stringify(gardenFileSchema()))))

test.each(['marlpit-lane', 'harrier-point'] as const)('another validator accepts the file of %s', (name) => {
  expect(valid(file(name))).toBe(true)
})

test('and refuses what Kilim refuses', () => {
  const broken = (change: (good: ReturnType<typeof file>) => void) => {
    const one = file('marlpit-lane')
    change(one)
    return valid(one)
  }
  expect(broken(() => undefined)).toBe(true)
  expect(broken(({ data }) => (data.beds[0].lengthM = -1))).toBe(false)
  expect(broken(({ data }) => delete data.beds[0].label)).toBe(false)
  expect(broken(({ data }) => (data.stands[0].content.kind = 'lawn'))).toBe(false)
  expect(broken((one) => Object.assign(one, { format: 'another' }))).toBe(false)
})
