import { writeFileSync } from 'node:fs'
import { HUSBANDRY } from '../src/core/termination/animals'
import { doseNeeded } from '../src/core/termination/sheets'
import { actSurvival, burySurvival, turnSurvival } from '../src/core/termination/survival'
import { usualMinutes } from '../src/core/termination/workRates'
import { leftOnTop, METHODS } from '../src/core/termination/methods'
import { SPECIES } from '../src/core/plants/catalogue'
import { endingClass } from '../src/core/plants/parameters'
import { PARAMETERS, PARAMETER_NAMES } from '../src/core/plants/parameterRanges'

/** Writes docs/parameters.md: every growth parameter with unit and range, and its value and source class by species. */
const MARK = { published: 'p', extension: 'e', judgement: '' } as const

const lines = [
  '# Parameters of growth and of endings',
  '',
  'Written by `npm run docs` from `src/core/plants`; do not edit. Ranges are what a value may be for any species; a value',
  'outside its range is refused by the schema. Values are as calibrated. Sources of what was stated: **p** published (the reference stands in the archetype or the',
  'function that uses it), **e** extension guides, no mark: our judgement, to be taken as ± a third of the distance to',
  'either end of the range.',
  '',
  '| parameter | meaning | unit | range |',
  '| --- | --- | --- | --- |',
  ...PARAMETER_NAMES.map((name) => {
    const { meaning, unit, low, high } = PARAMETERS[name]
    return `| ${name} | ${meaning} | ${unit} | ${low} – ${high} |`
  }),
  '',
]
for (const group of ['grass', 'legume', 'broadleaf'] as const) {
  const species = SPECIES.filter((entry) => entry.group === group)
  lines.push(
    `## ${{ grass: 'Grasses', legume: 'Legumes', broadleaf: 'Broadleaves' }[group]}`,
    '',
    `| parameter | ${species.map((entry) => entry.name).join(' | ')} |`,
    `| --- | ${species.map(() => '---').join(' | ')} |`,
    ...PARAMETER_NAMES.map(
      (name) =>
        `| ${name} | ${species
          .map((entry) =>
            `${Number(entry.parameters[name].toPrecision(3))} ${MARK[entry.sources[name]?.class ?? 'judgement']}`.trim(),
          )
          .join(' | ')} |`,
    ),
    '',
  )
}
const BANDS = [31, 45, 51, 55, 61, 65, 69, 71, 75, 85]
const kinds = endingClass.options
const percent = (share: number) => `${Math.round(share * 100)}`
const row = (cells: readonly (string | number)[]) => `| ${cells.join(' | ')} |`
const head = (...cells: string[]) => [row(cells), row(cells.map(() => '---'))]
lines.push(
  '## Endings',
  '',
  'Share of plants alive after one careful pass, %, by class and BBCH. Crimping of cereals and vetch: published trials named',
  'in `src/core/termination/survival.ts`; turning and burial: extension; the rest judgement, to be taken as odds times or over 2.',
  'Own counts move every value (20 plants of prior weight).',
  '',
  ...(['crimp', 'chop'] as const).flatMap((act) => [
    ...head(act, ...BANDS.map((bbch) => `BBCH ${bbch}`)),
    ...kinds.map((kind) => row([kind, ...BANDS.map((bbch) => percent(actSurvival(act, kind, bbch)))])),
    '',
  ]),
  ...head(
    'class',
    'turned once at 25 / 39 / 61, %',
    'under 6 cm, %',
    'under 12 cm, %',
    'black sheet to 5 %, °C d',
    'clear film to 5 %, °C d',
  ),
  ...kinds.map((kind) =>
    row([
      kind,
      [25, 39, 61].map((bbch) => percent(turnSurvival(kind, bbch))).join(' / '),
      percent(burySurvival(kind, 0.06)),
      percent(burySurvival(kind, 0.12)),
      doseNeeded('black', { endingClass: kind }, 45, 'flat'),
      doseNeeded('clear', { endingClass: kind }, 45, 'flat'),
    ]),
  ),
  '',
  'Black sheets count air + 4.5 °C above 0 °C, clear film Tmax + 0.85·Rs above 40 °C. Alfalfa wants 1300 °C d of dark, white clover and sweetclover 1100, red clover 800.',
  '',
  ...head('way', 'minutes on 10 m²', 'stays as mulch, %', 'buried, %', 'taken off, %', 'soil moved, 0–3'),
  ...METHODS.map((method) =>
    row([
      method.name,
      Math.round(usualMinutes(method, { areaM2: 10, widthM: 1.2 })),
      percent(leftOnTop(method)),
      percent(method.buried),
      percent(method.removed),
      method.disturbance,
    ]),
  ),
  '',
  ...head(
    'animals',
    'feed, kg dry a day',
    'green share',
    'trodden per part eaten',
    'uproots per animal-day m⁻²',
    'nitrogen dropped, g a day',
    'least room, m²',
  ),
  ...Object.entries(HUSBANDRY).map(([kind, of]) =>
    row([kind, of.feedKg, of.forageShare, of.trodden, of.uproots, of.droppingsG, of.leastM2]),
  ),
  '',
)
writeFileSync('docs/parameters.md', lines.join('\n'))
console.log(`docs/parameters.md: ${PARAMETER_NAMES.length} parameters of ${SPECIES.length} species`)
