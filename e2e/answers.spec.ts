import { expect, test } from '@playwright/test'
import { openLoom, woven } from './helpers'

test('after a reload the sheet stands there from kept answers, with no worker at all', async ({ page }) => {
  await openLoom(page, 'marlpit-lane', 'for the first time')
  const cover = page.locator('canvas').first()
  await expect(cover).toBeVisible()
  // From here on the browser has no workers.
  await page.addInitScript(() => Reflect.deleteProperty(window, 'Worker'))
  await page.reload()
  await woven(page)
  await expect(page.getByRole('alert')).toHaveCount(0)
  // A day on, something new has to be computed, and the sheet says that it cannot be.
  await page.getByRole('button', { name: '+ day' }).click()
  await expect(page.getByRole('alert').first()).toContainText('does not let pages compute')
})

test('kept answers that are gone, broken or of another model are computed again, and no garden is touched', async ({
  page,
}) => {
  await openLoom(page, 'marlpit-lane', 'for the first time')
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const db = await new Promise<IDBDatabase>((resolve) => {
          const open = indexedDB.open('kilim-answers')
          open.onsuccess = () => resolve(open.result)
        })
        const store = db.transaction('answers', 'readwrite').objectStore('answers')
        const all = await new Promise<{ key: string; value: unknown }[]>((resolve) => {
          const asked = store.getAll()
          asked.onsuccess = () => resolve(asked.result as { key: string; value: unknown }[])
        })
        all.forEach((entry, i) => {
          if (i % 2) store.put({ ...entry, value: { nonsense: true } })
          else {
            store.delete(entry.key)
            store.put({ ...entry, key: `another-model ${i}`, value: 'nonsense' })
          }
        })
        db.close()
        return all.length
      }),
    )
    .toBeGreaterThan(10)
  await page.reload()
  await woven(page)
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.locator('[data-woven]')).toHaveCount(14)
})

test('weather goes to a worker again when gardens were opened in turn and the clock moved on', async ({
  page,
}) => {
  await openLoom(page, 'marlpit-lane', 'for the first time')
  await openLoom(page, 'harrier-point')
  for (let week = 0; week < 4; week++) await page.getByRole('button', { name: '+ week' }).click()
  await woven(page)
  await openLoom(page, 'marlpit-lane')
  await page.getByRole('button', { name: '+ day' }).click()
  await woven(page)
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('while a plan is read its ways of ending are worked out behind, so that End has them at once', async ({
  page,
}) => {
  await openLoom(page, 'marlpit-lane', 'for the first time')
  await page.goto('/watch/marlpit-lane-stand-10')
  const compared = () =>
    page.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const open = indexedDB.open('kilim-answers')
        open.onsuccess = () => resolve(open.result)
      })
      const keys = await new Promise<IDBValidKey[]>((resolve) => {
        const asked = db.transaction('answers').objectStore('answers').getAllKeys()
        asked.onsuccess = () => resolve(asked.result)
      })
      db.close()
      return keys.some((key) => String(key).includes('compare'))
    })
  await expect.poll(compared).toBe(true)
  // From here on nothing more can be worked out.
  await page.addInitScript(() => Reflect.deleteProperty(window, 'Worker'))
  await page.goto('/end/marlpit-lane-stand-10')
  await expect(page.locator('[data-method]').first()).toBeVisible()
  await expect(page.getByRole('alert')).toHaveCount(0)
})
