import { expect, test, type Page } from '@playwright/test'
import { openField } from './fieldGarden'
import { lookedAround, todayOf } from './helpers'

/** The store of the Shed, with 30 kg of a mulch brought in. */
async function brought(page: Page, kind: 'hay' | 'straw') {
  await page.goto('/shed')
  const store = page.getByTestId('mulch-store')
  const bring = store.getByRole('form', { name: 'Bring in mulch' })
  await bring.getByLabel('Brought in').selectOption(kind)
  await bring.getByLabel('Dry weight, kg').fill('30')
  await bring.getByRole('button', { name: 'Bring it in' }).click()
  return store
}

test('mulch brought in is laid on a bed, at most what is left of it, and the ledger balances', async ({
  page,
}, info) => {
  await openField(page, info)
  const store = await brought(page, 'hay')
  await expect(store).toContainText('Nobody knows what was sprayed on the hay')
  await expect(store).toContainText('Hay brings its seed')
  await store.getByRole('combobox', { name: 'Weedkiller in hay' }).selectOption('beans grew well')
  await expect(store).not.toContainText('Nobody knows what was sprayed')

  const lay = store.getByRole('form', { name: 'Lay mulch' })
  await lay.getByLabel('On bed').selectOption('C1')
  await expect(store.getByTestId('mulch-depth')).toContainText(/C1 wants about 9\.2\skg to hold weeds\./)
  await lay.getByLabel('Dry weight, kg').fill('40')
  await lay.getByRole('button', { name: 'Record as laid' }).click()
  await expect(lay).toContainText(/Only 30\skg of it are left/)
  await store.getByRole('button', { name: 'Take that' }).click()
  await expect(store.getByTestId('mulch-depth')).toContainText('cm deep.')
  await lay.getByRole('button', { name: 'Record as laid' }).click()
  await expect(store.getByRole('list', { name: 'Mulch laid' }).getByRole('listitem')).toContainText(
    /kg of hay on C1/,
  )
  const row = store.getByRole('row').filter({ hasText: 'hay' })
  await expect(row).toContainText(/30\skg.*9\.2\skg.*21\skg/)
  // One step back, and it is in store again.
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect(store.getByRole('list', { name: 'Mulch laid' })).toHaveCount(0)
})

test('mulch is owed to a part of a bed, comes up in Rounds, and is laid by one press', async ({
  page,
}, info) => {
  await openField(page, info)
  const store = await brought(page, 'straw')
  const lay = store.getByRole('form', { name: 'Lay mulch' })
  await lay.getByLabel('On bed').selectOption('C1')
  await lay.getByLabel('Ground').selectOption('second half')
  await expect(store.getByTestId('mulch-depth')).toContainText(/C1, second half wants about 4\.6\skg/)
  await store.getByRole('button', { name: 'Take that' }).click()
  const day = new Date(Date.parse((await todayOf(page)) ?? '') + 3 * 86_400_000).toISOString().slice(0, 10)
  await lay.getByLabel('Day').fill(day)
  await lay.getByRole('button', { name: 'Schedule' }).click()
  const listed = store.getByRole('list', { name: 'Mulch laid' })
  await expect(listed).toContainText(/Owed by .*4\.6\skg of straw on C1, second half/)
  const row = store.getByRole('row').filter({ hasText: 'straw' })
  await expect(row).toContainText(/30\skg.*0\skg.*4\.6\skg.*25\skg/)

  await page.goto('/rounds')
  await lookedAround(page)
  const done = page.getByRole('button', { name: /^Done: Lay 4\.6\skg of straw, / })
  await expect(page.getByRole('listitem').filter({ has: done }).last()).toContainText('second half')
  await done.click()
  await expect(done).toHaveCount(0)
  await page.goto('/shed')
  await expect(listed).toContainText(/4\.6\skg of straw on C1, second half/)
  await expect(listed).not.toContainText('Owed')
  await expect(row).toContainText(/30\skg.*4\.6\skg.*–.*25\skg/)
})
