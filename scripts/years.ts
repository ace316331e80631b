import { mkdirSync } from 'node:fs'
import { chromium } from '@playwright/test'
import { CHROMIUM } from './chromium'
import { readSites } from './cases'
import { dayNumber } from '../src/core/foundations/day'
import { quantilesOf } from '../src/core/foundations/statistics'
import { SPECIES } from '../src/core/plants/catalogue'
import type { Species } from '../src/core/plants/parameters'
import { generatedEnsemble } from '../src/core/site/ensemble'
import { runStand } from '../src/core/stand/kernel'
import { drawMemberParameters } from '../src/core/stand/memberParameters'
import { dateQuantiles, stageDays, valuesOn } from '../src/core/stand/summary'
import { plainInput } from '../src/core/season/plainInput'
import { raked } from '../src/core/testing/stands'

/** `npm run years`: draws a year of every species at four contrasted sites, sown in spring, summer and autumn, as docs/years.png. */
const SITES = ['great-lakes-inland', 'southeast-piedmont', 'cool-maritime-summer-dry', 'humid-gulf-lowland']
const SOWN = [
  ['04-15', '#2f7d4f'],
  ['07-01', '#b4632a'],
  ['09-15', '#3b5b92'],
] as const
const MEMBERS = 30
const DAYS = 365
const STEP = 5
const [WIDTH, HEIGHT, TOP_T] = [150, 58, 12]
const sites = readSites()
const ensembles = new Map<string, ReturnType<typeof generatedEnsemble>>(
  SITES.flatMap((id) =>
    SOWN.map(([monthDay]) => {
      const sowDay = dayNumber(`2025-${monthDay}`)
      const site = sites.find((one) => one.id === id)!
      return [`${id} ${monthDay}`, generatedEnsemble(site, sowDay - 40, DAYS + 40, MEMBERS, 5)] as const
    }),
  ),
)

/** Mass by day as a line, fainter where most plants are dead; a dot at first flower. */
function yearOf(plant: Species, site: string, monthDay: string, colour: string): string {
  const sowDay = dayNumber(`2025-${monthDay}`)
  const input = plainInput(raked(plant), sowDay)
  const run = runStand(
    input,
    ensembles.get(`${site} ${monthDay}`)!,
    drawMemberParameters(input.sown, MEMBERS, 6),
  )
  // The year runs from the first of April, so that a winter lies in its middle.
  const offset = sowDay - dayNumber('2025-04-01')
  const middle = (series: Float32Array, day: number) =>
    quantilesOf(valuesOn(run, series, sowDay + day))?.p50 ?? 0
  const x = (day: number) => (WIDTH * (offset + day)) / (DAYS + 170)
  const y = (massG: number) => HEIGHT - (HEIGHT * Math.min(TOP_T, massG / 100)) / TOP_T
  const points = Array.from({ length: Math.floor((DAYS - 1) / STEP) }, (_, i) => i * STEP).map(
    (day) => `${x(day).toFixed(1)},${y(middle(run.massG, day)).toFixed(1)}`,
  )
  const { chance, quantiles } = dateQuantiles(stageDays(run, 0, 61))
  const flower =
    chance >= 0.5 && quantiles
      ? `<circle cx="${x(quantiles.p50 - sowDay)}" cy="${y(middle(run.massG, Math.round(quantiles.p50 - sowDay)))}" r="2.4" fill="${colour}"/>`
      : ''
  return `<polyline points="${points.join(' ')}" fill="none" stroke="${colour}" stroke-width="1.3"/>${flower}`
}

const cell = (plant: Species, site: string) =>
  `<td><svg width="${WIDTH}" height="${HEIGHT}" style="background:#fff;border:1px solid #ccc">${[3, 6, 9]
    .map(
      (t) =>
        `<line x1="0" x2="${WIDTH}" y1="${HEIGHT - (HEIGHT * t) / TOP_T}" y2="${HEIGHT - (HEIGHT * t) / TOP_T}" stroke="#eee"/>`,
    )
    .join('')}${SOWN.map(([monthDay, colour]) => yearOf(plant, site, monthDay, colour)).join('')}</svg></td>`

/** Two blocks of species beside one another. */
const half = Math.ceil(SPECIES.length / 2)
const table = (plants: readonly Species[]) =>
  `<table><tr><th></th>${SITES.map((id) => `<th>${id}</th>`).join('')}</tr>${plants
    .map((plant) => `<tr><th>${plant.name}</th>${SITES.map((site) => cell(plant, site)).join('')}</tr>`)
    .join('')}</table>`
const html = `<body style="font:11px sans-serif;background:#faf8f2;margin:8px"><p>Live shoots, 0–12 t/ha with lines at 3, 6 and 9, from April on for a year after sowing; dot: first flower in most years. Sown ${SOWN.map(([monthDay, colour]) => `<b style="color:${colour}">${monthDay}</b>`).join(', ')}.</p><div style="display:flex;gap:12px">${table(SPECIES.slice(0, half))}${table(SPECIES.slice(half))}</div></body>`

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox'],
})
const page = await browser.newPage({ viewport: { width: 1560, height: 900 } })
await page.setContent(html)
mkdirSync('docs', { recursive: true })
await page.screenshot({ path: 'docs/years.png', fullPage: true })
await browser.close()
