import { expect, test } from '@playwright/test'
import { openDemo, stepWeeks } from './helpers'

test('the place moved north makes the last frost later; a wrong latitude is refused with the reason', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/weather')
  const frosts = page.getByTestId('frosts')
  await expect(frosts).toBeVisible()
  const before = await frosts.textContent()
  await page.getByText('Place and usual year').click()
  const form = page.getByRole('form', { name: 'Place and usual year' })
  await form.getByLabel('or its latitude').fill('71')
  await form.getByRole('button', { name: 'Use this year' }).click()
  await expect(form.getByRole('alert')).toContainText('Latitude must be between -66 and 66')
  await form.getByLabel('or its latitude').fill('60')
  await form.getByRole('button', { name: 'Use this year' }).click()
  await expect(form.getByRole('alert')).toHaveCount(0)
  await expect(frosts).not.toHaveText(before ?? '')
  await page.reload()
  await expect(page.getByText('60° N')).toBeVisible()
})

test('the bed shows its year, its stages and four bands with the checks', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/bed/marlpit-lane-L1')
  await expect(page.getByTestId('stages')).toBeVisible()
  for (const name of ['Green cover', 'Dry matter', 'Height', 'Nitrogen in the growth'])
    await expect(page.getByRole('img', { name: new RegExp(`^${name} over time`) })).toBeVisible()
  await expect(
    page.getByRole('img', { name: /Green cover over time with its range and 1 checks/ }),
  ).toBeVisible()
  await expect(page.getByRole('img', { name: /The year of L1/ })).toBeVisible()
})

test('a day written down is shown with its source; a low above the high is refused', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/weather')
  await expect(page.getByTestId('station')).toContainText('heard up to 19 Apr 2026')
  await page.getByText('Observed days', { exact: true }).click()
  const form = page.getByRole('form', { name: 'Weather of a day' })
  await form.getByLabel('Low, °C').fill('15')
  await form.getByLabel('High, °C').fill('9')
  await form.getByRole('button', { name: 'Write down' }).click()
  await expect(page.getByRole('alert')).toContainText('Low: it is above the high')
  await form.getByLabel('Low, °C').fill('-4,5')
  await form.getByLabel('Rain, mm').fill('')
  await form.getByRole('button', { name: 'Write down' }).click()
  const row = page.getByTestId('observed-days').getByRole('row', { name: /^19 Apr/ })
  await expect(row).toContainText('written down')
  await expect(row).toContainText('not known')
  await page.reload()
  await page.getByText('Observed days', { exact: true }).click()
  await expect(row).toContainText('written down')
})

test('a silent station is told, the clock goes on, and what was missed is heard later', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/weather')
  await page.getByLabel('let it fall silent').check()
  await stepWeeks(page, 1)
  await expect(page.getByTestId('station').getByRole('alert')).toContainText(
    'The station is silent. Last heard for 19 Apr 2026',
  )
  await expect(page.getByRole('link', { name: 'station not heard' })).toBeVisible()
  await expect(page.getByTestId('frosts')).toBeVisible()
  await page.getByLabel('let it fall silent').uncheck()
  await expect(page.getByTestId('station')).toContainText('heard up to 26 Apr 2026')
})

test('a file of daily weather is mapped, read with its faults named, and stored only when confirmed', async ({
  page,
}) => {
  await openDemo(page, 'harrier-point')
  await page.goto('/weather')
  await page.getByText('Import daily weather').click()
  const choose = (name: string, text: string) =>
    page
      .getByLabel('File of daily weather')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await choose('empty.csv', '')
  await expect(page.getByRole('alert')).toContainText('empty.csv is empty')

  const start = Date.UTC(2010, 0, 1)
  const lines = ['rain,day,hi,lo']
  for (let i = 0; i < 366 * 11; i++) {
    const date = new Date(start + i * 86_400_000).toISOString().slice(0, 10)
    const warm = 14 + 6 * Math.cos((2 * Math.PI * i) / 365.25)
    const high = i === 40 ? 95 : (warm + 4 + (i % 5)).toFixed(1)
    lines.push(`${i % 4 === 0 ? 9 : 0},${date},${high},${(warm - 4 - (i % 3)).toFixed(1)}`)
    if (i === 50) lines.push(lines.at(-1)!)
  }
  await choose('daily.csv', lines.join('\n'))
  await expect(page.getByTestId('import-preview')).toContainText('low 16 °C, high 24 °C, rain 9 mm')
  await page.getByRole('button', { name: 'Read the file' }).click()
  const report = page.getByTestId('import-report')
  await expect(report).toContainText('4,025 days of 4,027 rows')
  await expect(report).toContainText('Days ahead will be drawn from these years')
  await expect(report).toContainText('Row 42, hi: high of 95 °C')
  await expect(report).toContainText('was already in row')
  await expect(page.getByText(/drawn from \d+ observed years/)).toHaveCount(0)
  await report.getByRole('button', { name: 'Store 4,025 days' }).click()
  await expect(page.getByText(/days ahead are drawn from 1\d observed years/)).toBeVisible()
})

test('the station and the forecast answer the same each time, and refuse what they cannot', async ({
  request,
}) => {
  const ask = (path: string) => request.get(path)
  const days = '/api/station?garden=marlpit-lane&from=2026-03-01&to=2026-04-01'
  const first = await (await ask(days)).json()
  expect(await (await ask(days)).json()).toEqual(first)
  expect(first.days.length).toBeGreaterThan(25)
  expect(first.days.length).toBeLessThanOrEqual(31)
  const forecast = await (await ask('/api/forecast?garden=harrier-point&issued=2026-10-01')).json()
  expect(forecast.days).toHaveLength(10)
  expect(forecast.days[0].date).toBe('2026-10-01')
  for (const [path, status, words] of [
    ['/api/station?garden=marlpit-lane&from=2026-02-30&to=2026-04-01', 400, 'from: This date does not exist'],
    ['/api/station?garden=marlpit-lane&from=2026-05-01&to=2026-04-01', 400, 'from must not lie after to'],
    ['/api/station?garden=marlpit-lane&from=2026-03-01', 400, 'to:'],
    ['/api/forecast?garden=elsewhere&issued=2026-10-01', 404, 'There is no station for the garden elsewhere'],
    ['/api/forecast?garden=marlpit-lane&issued=2026-10-01&fault=silent', 503, 'does not answer'],
    ['/api/forecast?garden=marlpit-lane&issued=2026-10-01&fault=loud', 400, 'fault'],
  ] as const) {
    const response = await ask(path)
    expect([path, response.status()]).toEqual([path, status])
    expect((await response.json()).error).toContain(words)
  }
})
