import { expect, test, type Page } from '@playwright/test'
import { openDemo, stepWeeks, todayOf } from './helpers'

type Walk = {
  stand: number
  bed: string
  way: string
  method: string
  weeks: number
  /** A later planting date, where the planned one is too near. */
  plantOn?: string
  /** What its work plan must show. */
  materials: RegExp
  steps: RegExp
  /** Whether a sheet is taken off before it is counted. */
  lifted?: boolean
  /** What is done about what stands again. */
  finished?: RegExp
  count: { standing: string; before: string }
  crop: RegExp
}

const path = (stand: number, view = '') =>
  `/end/marlpit-lane-stand-${String(stand).padStart(2, '0')}${view && `/${view}`}`

async function compared(page: Page) {
  await expect(page.getByTestId('endings')).toBeVisible()
  await expect(page.getByText('Ending this stand by every way')).toHaveCount(0)
}

/** From the comparison over the plan, the record and a count to planting and what came of it. */
async function walk(page: Page, plan: Walk) {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(plan.stand))
  await stepWeeks(page, plan.weeks)
  if (plan.plantOn) await page.getByLabel(/^Plant .* on$/).fill(plan.plantOn)
  await compared(page)
  await page.getByRole('button', { name: new RegExp(`^Plan.*: ${plan.way}$`) }).click()
  await expect(page.getByTestId('plan-line')).toHaveAttribute('data-method', plan.method)

  await page.getByRole('link', { name: 'Work plan' }).click()
  const work = page.getByTestId('work-plan')
  await expect(work.getByRole('heading', { name: new RegExp(`^${plan.way} in ${plan.bed},`) })).toBeVisible()
  await expect(work.getByTestId('materials')).toContainText(plan.materials)
  await expect(work.getByRole('list').first()).toContainText(plan.steps)
  await work.getByLabel('On', { exact: true }).fill('2024-01-01')
  await expect(work.getByRole('alert').first()).toContainText('It was sown on')
  await work.getByLabel('On', { exact: true }).fill(await todayOf(page))
  await expect(work.getByRole('img').first()).toBeVisible()

  await page.getByLabel('Done on').fill(await todayOf(page))
  await expect(page.getByLabel('How', { exact: true })).toHaveValue(plan.method)
  await page.getByLabel('By', { exact: true }).fill('Ada')
  await page.getByLabel('Minutes').fill('35')
  await page.getByRole('button', { name: 'Record the end' }).click()
  await expect(page).toHaveURL(/\/after$/)
  await expect(page.getByTestId('after')).toContainText('Done by Ada. 35 minutes.')

  await stepWeeks(page, 2)
  if (plan.lifted) {
    await page.getByRole('button', { name: 'Record that it is off' }).click()
    await expect(page.getByText(/^The sheet came off on .* after 14 days/)).toBeVisible()
    await stepWeeks(page, 1)
  }
  await page.getByLabel('Counted on').fill(await todayOf(page))
  await page.getByLabel('Plants standing again').fill(plan.count.standing)
  await page.getByLabel('Stood there before').fill(plan.count.before)
  await page.getByRole('button', { name: 'Record the count' }).click()
  await expect(page.getByTestId('next-step')).toContainText(/Leave it|Pull them|Do it again|Cover them|Wait/)
  if (plan.finished) {
    await page.getByLabel('Minutes it took').fill('20')
    await page.getByRole('button', { name: 'Record it', exact: true }).click()
    await expect(page.getByTestId('finishings')).toContainText(plan.finished)
    await expect(page.getByTestId('next-step')).toHaveCount(0)
  }
  await page.reload()
  await expect(page.getByRole('table', { name: 'Counts after the end' })).toContainText(
    `${plan.count.standing} of ${plan.count.before}`,
  )

  await page.getByRole('link', { name: 'When can it be planted?' }).click()
  await expect(page.getByTestId('gates')).toBeVisible()
  await expect(page.getByTestId('nitrogen')).toContainText(/Nitrogen from this residue/)
  await expect(page.getByTestId('through').getByRole('listitem').first()).toContainText('fits well')
  await expect(page.getByTestId('spacing')).toContainText(/\d+ plants in/)
  await page.getByLabel('Planted on').fill(await todayOf(page))
  await page.getByRole('button', { name: 'Record planting' }).click()
  const outcome = page.getByRole('form', { name: 'Outcome' })
  await expect(outcome).toBeVisible()
  await outcome.getByLabel(/^Yield of/).fill('28')
  await outcome.getByLabel('It did').selectOption('better')
  await outcome.getByRole('button', { name: 'Record the outcome' }).click()
  const followed = page.getByTestId('followed').getByRole('row').filter({ hasText: plan.bed }).first()
  await expect(followed).toContainText(new RegExp(plan.way, 'i'))
  await expect(followed).toContainText(plan.crop)
  await expect(followed).toContainText(/kg\/m², better/)
}

test('a crimped cereal', async ({ page }) => {
  await walk(page, {
    stand: 10,
    bed: 'L4',
    way: 'Crimp',
    method: 'crimp',
    weeks: 6,
    plantOn: '2026-07-06',
    materials: /Crimp board with one blunt edge0.85\sm.*Steps72/,
    steps: /step on the board every 25\scm: 72 steps in one run/,
    count: { standing: '3', before: '40' },
    crop: /Leek/,
  })
})

test('a chopped legume', async ({ page }) => {
  await walk(page, {
    stand: 4,
    bed: 'L2',
    way: 'Chop and drop',
    method: 'chop',
    weeks: 5,
    materials: /Sharp scythe/,
    steps: /Hairy vetch: cut at 2\scm; buds sit in the lowest leaf axils/,
    count: { standing: '9', before: '50' },
    finished: /Pulled by hand on .*20 minutes.*Until you count/,
    crop: /Tomato/,
  })
})

test('a tarped mix', async ({ page }) => {
  await walk(page, {
    stand: 24,
    bed: 'Y1',
    way: 'Black tarp',
    method: 'tarp',
    weeks: 3,
    plantOn: '2026-07-02',
    lifted: true,
    materials: /Black sheet, not woven9\sm × 2\sm.*Weights of about 8\skg22/,
    steps: /Soil damp\? If not, water with 115\sl/,
    count: { standing: '2', before: '60' },
    crop: /Sweet corn/,
  })
})

test('a hen plot: lanes, rounds, moves in the rounds and the interval to harvest', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(15, 'animals'))
  const numbers = page.getByTestId('animal-numbers')
  await expect(numbers).toContainText('4 hens, 8 stops of 2 days')
  const rounds = page.getByRole('table', { name: 'Rounds' }).getByRole('row')
  await expect(rounds).toHaveCount(3)
  await expect(numbers).toContainText('4 days on the last')
  await expect(numbers).toContainText('grain to scatter on the last round')
  await page.getByRole('textbox', { name: 'On the last round' }).fill('3')
  await expect(numbers).toContainText('3 days on the last')
  await page.getByRole('textbox', { name: 'Rounds' }).fill('9')
  await expect(page.getByRole('alert')).toContainText('Rounds must be between 1 and 6')
  await page.getByRole('textbox', { name: 'Rounds' }).fill('3')
  await expect(rounds).toHaveCount(4)
  await page.getByRole('textbox', { name: 'Rounds' }).fill('2')
  await expect(rounds).toHaveCount(3)
  await expect(page.getByTestId('animals')).toContainText('Look for animals before anything moves')
  await page.getByRole('button', { name: /^Plan from/ }).click()
  await expect(page.getByTestId('plan-line')).toHaveAttribute('data-method', 'hens')
  await page.getByRole('button', { name: 'Record the end' }).click()
  await expect(page).toHaveURL(/\/after$/)

  await page.goto('/rounds')
  const moves = page.getByTestId('jobs').getByRole('listitem').filter({ hasText: 'Move the hens' })
  await expect(moves.first()).toContainText('Look before you move')
  await moves
    .first()
    .getByRole('link', { name: /Move the hens/ })
    .click()
  await expect(page.getByRole('img', { name: 'Pen on 8 stops a round' })).toBeVisible()

  await page.goto(path(15).replace('/end/', '/plant/'))
  await expect(page.getByTestId('gates')).toContainText('Interval from manure to harvest')
  await expect(page.getByTestId('gates')).toContainText(
    /90 days from the last animals|120 days from the last animals/,
  )
  await page.getByLabel('Planted on').fill(await todayOf(page))
  await page.getByRole('button', { name: 'Record planting' }).click()
  await expect(page.getByRole('form', { name: 'Outcome' })).toBeVisible()
  await expect(page.getByTestId('followed')).toContainText('hens in a moved pen')
})

test('dates are dragged: every way and the regrowth follow at once', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(1))
  await compared(page)
  const crimp = page.getByRole('row').filter({ has: page.getByRole('button', { name: /^Plan.*: Crimp$/ }) })
  const before = await crimp.textContent()
  const planting = page.getByRole('slider', { name: 'Drag the planting date' })
  await planting.focus()
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight')
  await expect(crimp).not.toHaveText(before ?? '')
  await expect(page.getByTestId('plan-change')).toContainText('not kept yet')
  await page.getByRole('slider', { name: 'Drag the start' }).focus()
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('button', { name: 'Each at its own best' })).toBeVisible()
  await page.getByRole('button', { name: 'Each at its own best' }).click()

  await page.getByRole('link', { name: 'Regrowth', exact: true }).click()
  const numbers = page.getByTestId('grows-back-numbers')
  await expect(numbers).toContainText('Stems again')
  const cutting = page.getByRole('slider', { name: 'Drag the cutting date' })
  await cutting.focus()
  await page.keyboard.press('Home')
  const early = await numbers.textContent()
  await page.keyboard.press('End')
  await expect(numbers).not.toHaveText(early ?? '')
  const stems = async () =>
    Number(/again([\d,]+) per/.exec((await numbers.textContent()) ?? '')?.[1].replace(',', ''))
  const late = await stems()
  await cutting.press('Home')
  await expect.poll(stems).toBeGreaterThan(3 * late)

  const drawing = page.getByRole('img', { name: /by cutting date/ })
  await drawing.click({ position: { x: 500, y: 200 } })
  await expect.poll(stems).toBeLessThan(3 * late)
  await page.getByLabel('By', { exact: true }).selectOption('chop')
  await expect(page.getByLabel('Stubble')).toBeVisible()
  await expect(page.getByRole('heading', { name: /^Cut on/ })).toBeVisible()
  await page.getByRole('button', { name: 'Plan this cut' }).click()
  await expect(page.getByTestId('plan-line')).toHaveAttribute('data-method', 'chop')
})

test('own rules have their price shown, and are kept', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(10))
  await compared(page)
  await page.getByText('Your own rules').click()
  await page.getByLabel('Turning the ground').selectOption('never')
  await expect(page.getByText('Your own rules leave out: 2')).toBeVisible()
  await compared(page)
  await expect(
    page.getByText(/You never turn the ground. Without that rule: \d+\s% in time/).first(),
  ).toBeVisible()
  await page.reload()
  await compared(page)
  await expect(page.getByText('Your own rules leave out: 2')).toBeVisible()
})

test('a cut that lets it live: what leaves, where it arrives, what grows again', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(1, 'cut'))
  await page.getByLabel('What for').selectOption('mulch')
  await page.getByLabel('To', { exact: true }).selectOption('marlpit-lane-L2')
  const outcome = page.getByTestId('cut-outcome')
  await expect(outcome).toContainText('On L2 it makes a mulch of')
  await expect(outcome).toContainText('To dry it wants 4 days without rain')
  await expect(outcome.getByRole('table')).toContainText('Hairy vetch')
  await page.getByLabel('Height left, cm').fill('900')
  await expect(page.getByRole('alert')).toContainText(/between 0 and 200.cm/)
  await page.getByLabel('Height left, cm').fill('8')
  await page.getByRole('button', { name: 'Record the cut' }).click()
  await expect(page.getByRole('region', { name: 'Cuts so far' })).toContainText('carried off to L2, about')
  await page.goto('/plant/marlpit-lane-stand-04')
  await expect(page.getByTestId('mulch')).toContainText('of it were brought here from other beds')
})

test('what is missing is said with the fix', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(1))
  await compared(page)
  await page.getByLabel('Plant pumpkin on').fill('2026-04-01')
  await expect(page.getByRole('alert').first()).toContainText(/^Planting on .* is past/)
  await page.getByLabel('Plant pumpkin on').fill('2026-06-24')
  await page.getByLabel('Start date').fill('2025-01-01')
  await expect(page.getByRole('alert')).toContainText('It was sown on 2025-09-10')

  await page.goto('/shed')
  const animals = page.getByRole('form', { name: 'Add animals' })
  await page.getByRole('button', { name: 'Remove hens' }).click()
  await animals.getByLabel('How many').fill('4')
  await animals.getByRole('button', { name: 'Add animals' }).click()
  await expect(animals.getByRole('alert').first()).toContainText('Measure the pen')
  const tools = page.getByRole('form', { name: 'Tools' })
  for (const tool of [
    'hand shears',
    'scythe',
    'crimp board',
    'black tarp',
    'rake',
    'spade or fork',
    'wheelbarrow',
  ])
    await tools.getByLabel(tool, { exact: true }).uncheck()
  await tools.getByRole('button', { name: 'Save tools' }).click()
  await expect(page.getByText(/^(Saved|Changed).*settings/i)).toBeVisible()
  await page.goto(path(1))
  await expect(page.getByRole('alert').filter({ hasText: 'No tools are on your list' })).toBeVisible()
  await page.goto('/plant/marlpit-lane-stand-01')
  await expect(page.getByTestId('nitrogen')).toBeVisible()
  await page.getByLabel('Fill it with').selectOption('marlpit-lane-leaf')
  await expect(page.getByTestId('nitrogen')).toContainText('has no nitrogen, no share freed')
})

test('a sheet that lies until the residue is thin is judged so in all rooms, every other sheet with it', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(path(10))
  await compared(page)
  const chance = page.getByTestId('plan-chance')
  await expect(chance).toContainText('nearly certain')
  const begins = () =>
    page
      .getByRole('row')
      .filter({ hasText: /^Crimp, then tarp/ })
      .getByRole('button', { name: /^Plan/ })
      .innerText()
  const before = await begins()
  await page.getByTestId('until-thin').getByRole('checkbox').click()
  await expect(chance).toContainText(/in 100, fails when too much residue/)
  await compared(page)
  await expect.poll(begins).not.toBe(before)
  const told = await chance.innerText()
  for (const room of ['watch', 'plant'] as const) {
    await page.goto(path(10).replace('end', room))
    await expect(chance).toHaveText(told)
  }
  await expect(page.getByText('Residue thin enough').first()).toBeVisible()
  await page.goto(path(10, 'plan'))
  await expect(page.getByTestId('work-plan')).toContainText('leave it on until what lies under it is thin')
})
