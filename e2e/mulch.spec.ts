import { expect, test } from '@playwright/test'
import { openField } from './fieldGarden'

test('mulch brought in is laid on a bed, at most what is left of it, and the ledger balances', async ({
  page,
}, info) => {
  await openField(page, info)
  await page.goto('/shed')
  const store = page.getByTestId('mulch-store')
  const bring = store.getByRole('form', { name: 'Bring in mulch' })
  await bring.getByLabel('Brought in').selectOption('hay')
  await bring.getByLabel('Dry weight, kg').fill('30')
  await bring.getByRole('button', { name: 'Bring it in' }).click()
  await expect(store).toContainText('Nobody knows what was sprayed on the hay')
  await expect(store).toContainText('Hay brings its seed')
  await store.getByRole('combobox', { name: 'Weedkiller in hay' }).selectOption('beans grew well')
  await expect(store).not.toContainText('Nobody knows what was sprayed')

  const lay = store.getByRole('form', { name: 'Lay mulch' })
  await lay.getByLabel('On bed').selectOption('C1')
  await expect(store.getByTestId('mulch-depth')).toContainText(/C1 wants about 9\.2\skg to hold weeds\./)
  await lay.getByLabel('Dry weight, kg').fill('40')
  await lay.getByRole('button', { name: 'Laid' }).click()
  await expect(lay).toContainText(/Only 30\skg of it are left/)
  await store.getByRole('button', { name: 'Take that' }).click()
  await expect(store.getByTestId('mulch-depth')).toContainText('cm deep.')
  await lay.getByRole('button', { name: 'Laid' }).click()
  await expect(store.getByRole('list', { name: 'Mulch laid' }).getByRole('listitem')).toContainText(
    /kg of hay on C1/,
  )
  const row = store.getByRole('row').filter({ hasText: 'hay' })
  await expect(row).toContainText(/30\skg.*9\.2\skg.*21\skg/)
  // One step back, and it is in store again.
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click()
  await expect(store.getByRole('list', { name: 'Mulch laid' })).toHaveCount(0)
})
