import { expect, test } from '@playwright/test'
import { writeFileSync } from 'node:fs'
import { marlpitLane } from '../src/demo/marlpitLane'
import { writeGardenFile } from '../src/data/gardenFile'

/** Marlpit Lane again and again until it has `count` beds. */
function bigGarden(count: number) {
  const one = marlpitLane()
  const copies = Math.ceil(count / one.beds.length)
  const copy = <T extends { id: string }>(record: T, n: number) => ({ ...record, id: `${record.id}-${n}` })
  const beds = Array.from({ length: copies }, (_, n) =>
    one.beds.map((bed) => ({
      ...copy(bed, n),
      label: `${n + 1}${bed.label}`,
      walkOrder: bed.walkOrder + n * one.beds.length,
    })),
  ).flat()
  const kept = beds.slice(0, count)
  const ids = new Set(kept.map((bed) => bed.id))
  const stands = Array.from({ length: copies }, (_, n) =>
    one.stands.map((stand) => ({ ...copy(stand, n), bedId: `${stand.bedId}-${n}` })),
  )
    .flat()
    .filter((stand) => ids.has(stand.bedId))
  return { garden: { ...one.garden, id: 'big', name: 'Two hundred beds' }, beds: kept, stands, checks: [] }
}

test('two hundred beds: the page answers while they are computed', async ({ page }, info) => {
  const data = bigGarden(200)
  const withGarden = {
    ...data,
    beds: data.beds.map((bed) => ({ ...bed, gardenId: 'big' })),
    stands: data.stands.map((stand) => ({ ...stand, gardenId: 'big' })),
  }
  const file = info.outputPath('big.json')
  writeFileSync(file, writeGardenFile(withGarden, '2026-04-20T00:00:00Z'))
  await page.goto('/garden')
  await page.setInputFiles('input[type=file]', file)
  await expect(page.getByRole('heading', { name: 'Two hundred beds' })).toBeVisible({ timeout: 60_000 })
  await expect(page.locator('canvas')).toHaveCount(200)
  const waits = await page.evaluate(async () => {
    const found: number[] = []
    const button = document.querySelector<HTMLButtonElement>('button[aria-label="Keyboard shortcuts"]')!
    for (let i = 0; i < 5; i++) {
      await new Promise((resolve) => setTimeout(resolve, 400))
      const start = performance.now()
      setTimeout(() => button.click(), 0)
      while (!document.querySelector('dialog[open]')) await new Promise((resolve) => setTimeout(resolve, 2))
      found.push(Math.round(performance.now() - start))
      document.querySelector<HTMLDialogElement>('dialog[open]')!.close()
      await new Promise((resolve) => setTimeout(resolve, 50))
    }
    return found
  })
  console.log(`click answered after ${waits.join(', ')} ms with 200 beds computing (goal 100)`)
  // Speed is printed; what must hold is that the page answers at all while the worker is busy.
  expect([...waits].sort((a, b) => a - b)[2]).toBeLessThan(1000)
})
