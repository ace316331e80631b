import { writeFileSync } from 'node:fs'
import { SPECIES } from '../src/core/plants/catalogue'
import { PARAMETERS, PARAMETER_NAMES } from '../src/core/plants/parameters'

/** Writes docs/parameters.md: every growth parameter with unit and range, and its value and source class by species. */
const MARK = { published: 'p', extension: 'e', judgement: '' } as const

const lines = [
  '# Parameters of growth',
  '',
  'Written by `npm run docs` from `src/core/plants`; do not edit. Ranges are what a value may be for any species; a value',
  'outside its range is refused by the schema. Sources: **p** published (the reference stands in the archetype or the',
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
          .map((entry) => `${entry.parameters[name]} ${MARK[entry.sources[name] ?? 'judgement']}`.trim())
          .join(' | ')} |`,
    ),
    '',
  )
}
writeFileSync('docs/parameters.md', lines.join('\n'))
console.log(`docs/parameters.md: ${PARAMETER_NAMES.length} parameters of ${SPECIES.length} species`)
