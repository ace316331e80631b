import { expect, test, type BrowserContext, type Page } from '@playwright/test'
import jsQR from 'jsqr'
import { writeFileSync } from 'node:fs'
import { PNG } from 'pngjs'
import { exportGarden, openDemo, startOwn, woven } from './helpers'

/** A name that the browser takes for this machine, and that is no secure context as the machine's own names are. */
const PLAIN_HOST = 'kilim.example'
const port = Number(process.env.KILIM_TEST_PORT ?? 4317)

test.use({
  launchOptions: async ({ launchOptions }, give) =>
    give({
      ...launchOptions,
      args: [...(launchOptions.args ?? []), `--host-resolver-rules=MAP ${PLAIN_HOST} 127.0.0.1`],
    }),
})

/** What a camera reads from the code on a page. */
async function scanned(page: Page): Promise<string> {
  const shown = page.getByRole('img', { name: 'Code for the camera of the other device' })
  const { data, width, height } = PNG.sync.read(await shown.screenshot())
  return jsQR(new Uint8ClampedArray(data), width, height)?.data ?? ''
}

test.describe('opened over plain HTTP by a name of the network', () => {
  test.use({ baseURL: `http://${PLAIN_HOST}:${port}` })

  test('a garden goes to the phone by camera and comes back by typed code, and both have what either changed', async ({
    page,
    browser,
    baseURL,
  }) => {
    await startOwn(page, { name: 'Coltsfoot Bank', units: 'imperial' })
    await page.goto('/garden')
    expect(await page.evaluate(() => isSecureContext)).toBe(false)
    await expect(page.getByText('Opened over plain HTTP, this browser cannot')).toBeVisible()
    await page.getByRole('button', { name: 'Hand over to another device' }).click()
    await expect(page.getByTestId('typed-code')).toHaveText(/^\w{4}(-\w{4}){3}$/)
    const address = await scanned(page)
    expect(address).toMatch(new RegExp(`^${baseURL}/receive#\\w{26}$`))

    const phone = await (
      await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } })
    ).newPage()
    await phone.goto(address)
    const preview = phone.getByRole('form', { name: 'Import' })
    await expect(preview).toContainText('Coltsfoot Bank, from the other device: 6 beds.')
    expect(phone.url()).toBe(`${baseURL}/receive`)
    await expect(page.getByRole('status').filter({ hasText: 'Coltsfoot Bank was fetched' })).toBeVisible()
    await preview.getByRole('button', { name: 'Import it' }).click()
    await woven(phone)

    for (const [on, field, value] of [
      [phone, /^Length/, '30'],
      [page, /^Shade/, '20'],
    ] as const) {
      await on.goto('/garden')
      await on.getByRole('button', { name: 'Edit A2' }).click()
      await on.getByRole('dialog').getByLabel(field).fill(value)
      await on.getByRole('dialog').getByRole('button', { name: 'Save bed' }).click()
      await expect(on.getByRole('dialog')).toBeHidden()
    }
    await phone.getByRole('button', { name: 'Hand over to another device' }).click()
    const code = await phone.getByTestId('typed-code').textContent()
    await page.getByRole('link', { name: 'Take over from another device' }).click()
    await page.getByLabel('Code').fill('0000')
    await page.getByRole('button', { name: 'Fetch it' }).click()
    await expect(page.getByRole('alert')).toContainText('16 letters and digits, this has 4')
    await page.getByLabel('Code').fill(code!.toLowerCase().replaceAll('-', ' '))
    await page.getByRole('button', { name: 'Fetch it' }).click()
    await expect(page.getByRole('form', { name: 'Import' })).toContainText('This garden is here already.')
    await page.getByRole('button', { name: 'Import it' }).click()
    await woven(page)
    await page.goto('/garden')
    const bed = page.getByRole('row', { name: /A2/ })
    await expect(bed).toContainText('30 ft × 4 ft')
    await expect(bed).toContainText('20 %')
    // What was fetched is not there a second time.
    await page.goto('/receive')
    await page.getByLabel('Code').fill(code!)
    await page.getByRole('button', { name: 'Fetch it' }).click()
    await expect(page.getByRole('alert')).toContainText('Nothing waits under this code')
  })
})

test('a server that listens to its own machine only says how others reach it', async ({ page }) => {
  await openDemo(page, 'harrier-point', 'for the first time')
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Hand over to another device' }).click()
  await expect(page.getByRole('alert')).toContainText('Start it with HOST=0.0.0.0')
})

/** Everything that pages of a context ask for, run, say and refuse. */
async function overheard(context: BrowserContext) {
  const heard = {
    requests: new Set<string>(),
    refusals: [] as string[],
    dialogs: [] as string[],
    errors: [] as string[],
  }
  context.on('request', (request) => {
    const { protocol, host } = new URL(request.url())
    if (protocol.startsWith('http') || protocol.startsWith('ws')) heard.requests.add(host)
  })
  await context.exposeFunction('refusedByPolicy', (what: string) => void heard.refusals.push(what))
  await context.addInitScript(() =>
    document.addEventListener('securitypolicyviolation', ({ violatedDirective, blockedURI, sourceFile }) => {
      const page = window as unknown as { refusedByPolicy: (what: string) => void }
      page.refusedByPolicy(`${violatedDirective} ${blockedURI} ${sourceFile}`)
    }),
  )
  context.on('page', (page) => {
    page.on('dialog', (dialog) => {
      heard.dialogs.push(dialog.message())
      void dialog.dismiss()
    })
    page.on('pageerror', ({ message }) => void heard.errors.push(message))
  })
  return heard
}

const MARKUP = `<img src=x onerror="alert(1)"><script>alert(2)</script> =HYPERLINK("http://elsewhere.example","x")\n{{7*7}} \u202Eabc`

test('in all rooms, with markup for names and notes, nothing leaves the machine, is run or is refused', async ({
  browser,
  baseURL,
}, info) => {
  const context = await browser.newContext({ baseURL })
  const heard = await overheard(context)
  const page = await context.newPage()
  await openDemo(page, 'marlpit-lane', 'for the first time')
  const file = JSON.parse(await exportGarden(page)) as {
    data: {
      garden: { name: string; sections: { name: string }[] }
      beds: { label: string; id: string }[]
      stands: { id: string }[]
      checks: { note: string }[]
    }
  }
  const { garden, beds, stands, checks } = file.data
  garden.name = MARKUP.slice(0, 60)
  garden.sections.forEach((section) => (section.name = MARKUP.slice(0, 40)))
  beds.forEach((bed, i) => (bed.label = `<b>${i}`))
  checks.forEach((check) => (check.note = MARKUP))
  const path = info.outputPath('markup.json')
  writeFileSync(path, JSON.stringify(file))
  await page.setInputFiles('input[type=file]', path)
  await page.getByRole('radio', { name: /In the place/ }).check()
  await page.getByRole('button', { name: 'Import it' }).click()
  await woven(page)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('<img src=x onerror="alert(1)">')
  const standing = (kind: string) => stands.find(({ id }) => id.includes(kind))?.id ?? stands[0].id
  for (const address of [
    '/rounds',
    `/bed/${beds[0].id}`,
    `/choose/${beds[2].id}`,
    '/choose',
    '/sow',
    '/seed',
    '/shed',
    '/beds',
    '/standing',
    '/check',
    `/check/${standing('L1')}`,
    '/watch',
    `/watch/${standing('L1')}`,
    `/end/${standing('L1')}`,
    `/plant/${standing('L1')}`,
    '/plants',
    '/plants/rye',
    '/reference',
    '/weather',
    '/garden',
    '/start',
    '/receive',
    '/nowhere',
  ]) {
    await page.goto(address)
    await expect(page.getByRole('heading').first()).toBeVisible()
    await expect(page.getByText(/Growing this stand|Checking your beds/)).toHaveCount(0)
  }
  expect([...heard.requests]).toEqual([new URL(baseURL!).host])
  expect(heard).toMatchObject({ refusals: [], dialogs: [], errors: [] })
  await context.close()
})
