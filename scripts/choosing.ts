import { readFileSync, writeFileSync } from 'node:fs'
import { readSites } from './cases'
import { rankCovers } from '../src/core/choosing/rank'
import type { ChooseQuestion, Limits, MixComponent } from '../src/core/choosing/types'
import { findPurpose } from '../src/core/choosing/purposes'
import { dayNumber, isoDate } from '../src/core/foundations/day'
import type { PurposeId } from '../src/core/garden/schema'
import { findSpecies } from '../src/core/plants/catalogue'
import type { SiteClimate } from '../src/core/garden/site'
import { PLACES } from '../src/core/testing/places'
import { testTool } from '../src/core/testing/beds'
import { questionWeather, testMeans, testQuestion } from '../src/core/testing/questions'
import { endingText, reasonText } from '../src/text/choosing'
import { inHundred, monthName, shortDate } from '../src/text/format'

/**
 * `npm run choosing`: ranks covers for twelve windows at six sites, and for a bare bed in every month at twelve places, and
 * writes docs/choosing.md, with what a grower said of each, kept in validation/windows.json. Takes about ten minutes.
 */
type Window = {
  title: string
  site: string
  from: string
  wantedBy: string
  purpose: PurposeId
  crop: 'transplant' | 'seed' | null
  tools: ('scythe' | 'crimp board' | 'black tarp')[]
  limits?: Partial<Limits>
  comment: string
}

const MEMBERS = 60
const { windows, places } = JSON.parse(readFileSync('validation/windows.json', 'utf8')) as {
  windows: Window[]
  places: Record<keyof typeof PLACES, string>
}
const sites = readSites()

function questionOf(
  { from, wantedBy, purpose, crop, tools, limits }: Window,
  climate: SiteClimate,
): ChooseQuestion {
  const question = testQuestion(from, wantedBy, {
    purposes: [purpose],
    climate,
    means: testMeans({
      tools: tools.map((kind) => (kind === 'black tarp' ? testTool(kind, 2, 12) : testTool(kind))),
    }),
    ...(limits && { limits }),
  })
  return crop === null
    ? { ...question, follows: { kind: 'nothing' } }
    : {
        ...question,
        follows: { kind: 'deadline', day: dayNumber(wantedBy), establishment: crop },
      }
}

const nameOf = (components: readonly MixComponent[]) =>
  components.map(({ speciesId }) => findSpecies(speciesId)!.name).join(' + ')
const amountText = (purpose: PurposeId, value: number) => {
  const { unit, measure } = findPurpose(purpose)
  const number =
    unit === 'dry matter'
      ? `${(value / 100).toFixed(1)} t/ha`
      : unit === 'nitrogen'
        ? `${Math.round(value * 10)} kg/ha`
        : `${Math.round(value)} ${unit}`
  return `${number} ${measure}`
}

function sectionOf(window: Window): string[] {
  const site = sites.find(({ id }) => id === window.site)!
  const question = questionOf(window, site)
  const { candidates, rejections } = rankCovers(question, questionWeather(question, site, MEMBERS))
  console.log(
    `${window.title}: ${candidates
      .slice(0, 3)
      .map(({ components }) => nameOf(components))
      .join('; ')}`,
  )
  return [
    `## ${window.title}`,
    '',
    `${window.site}, free from ${shortDate(question.today)}, ${
      window.crop === null
        ? `nothing planned until ${shortDate(dayNumber(window.wantedBy))}`
        : `wanted ${shortDate(dayNumber(window.wantedBy))} for ${window.crop === 'seed' ? 'sowing' : 'transplants'}`
    }; ${findPurpose(window.purpose).name.toLowerCase()}; tools: ${window.tools.join(', ')}.`,
    '',
    '| | cover | sown | chance | comes to | ended |',
    '| --- | --- | --- | --- | --- | --- |',
    ...candidates.slice(0, 5).map((candidate, i) => {
      const [result] = candidate.purposes
      return `| ${i + 1} | ${nameOf(candidate.components)} | ${isoDate(candidate.sowDay).slice(5)} | ${inHundred(candidate.chance)} in 100 | ${result ? amountText(result.id, result.amount.p50) : ''} | ${endingText({ ...candidate, follows: question.follows.kind })} |`
    }),
    '',
    ...(rejections.length > 0
      ? [
          'First left out:',
          '',
          ...rejections
            .slice(0, 5)
            .map(
              ({ components, limit, reason }) =>
                `- ${nameOf(components)}: ${limit}. ${reasonText(reason, 'metric', 'EUR')}`,
            ),
          '',
        ]
      : []),
    `**A grower:** ${window.comment}`,
    '',
  ]
}

const MONTH_MEMBERS = 12
const MONTH_PURPOSES = ['mass', 'feed', 'smother', 'insects'] as const
/** A bed that is bare from the fifth of a month on, with nothing planned, is asked about for so long, days. */
const OPEN_DAYS = 230

const firstOf = (month: number) => `2027-${String(month).padStart(2, '0')}-05`

/** The first five for a bare bed, each with its sowing day and how that suits it. */
function firstFive(climate: SiteClimate, month: number, purpose: PurposeId): string {
  const from = firstOf(month)
  const question = testQuestion(from, isoDate(dayNumber(from) + OPEN_DAYS), {
    purposes: [purpose],
    climate,
    follows: { kind: 'nothing' },
  })
  const { candidates } = rankCovers(question, questionWeather(question, climate, MONTH_MEMBERS))
  const told = candidates.slice(0, 5).map(({ components, sowDay, season }) => {
    const word = season?.word === 'usual' ? '' : `, ${season?.word}`
    return `${nameOf(components)} (${shortDate(sowDay)}${word})`
  })
  return told.length > 0 ? told.join('; ') : 'nothing'
}

/** A place: what leads in each month for each purpose, and what a grower found surprising. */
function placeSection([place, climate]: [string, SiteClimate]): string[] {
  const rows = Array.from({ length: 12 }, (_, i) => i + 1).flatMap((month) =>
    MONTH_PURPOSES.map((purpose, i) => {
      const name = i === 0 ? monthName(dayNumber(firstOf(month))) : ''
      return `| ${name} | ${findPurpose(purpose).name.toLowerCase()} | ${firstFive(climate, month, purpose)} |`
    }),
  )
  console.log(place)
  return [
    `### ${place[0].toUpperCase()}${place.slice(1)}`,
    '',
    '| bare from | for | first five |',
    '| --- | --- | --- |',
    ...rows,
    '',
    `**A grower:** ${places[place as keyof typeof PLACES]}`,
    '',
  ]
}

writeFileSync(
  'docs/choosing.md',
  [
    '# What Choose answers',
    '',
    'Written by `npm run choosing`; the comments stand in `validation/windows.json`. A bed of 10 × 0.75 m on loam of medium',
    'fertility; chance is that of the whole plan, from sowing to planting.',
    '',
    ...windows.flatMap(sectionOf),
    '## A bare bed, month by month, at twelve places',
    '',
    'Free on the fifth of the month, nothing planned for 230 days. Each cover with its sowing day; where that is not the usual',
    'time for it, the word follows.',
    '',
    ...Object.entries(PLACES).flatMap(placeSection),
  ].join('\n'),
)
