import { inside } from './cases'
import { SPECIES } from '../src/core/plants/catalogue'
import { FACTOR_NAMES, FACTORS, type Calibration, type Factors } from '../src/core/plants/calibration'
import { SHARED_NAMES, SHARED_PHYSICS } from '../src/core/stand/physics'
import type { Verdict } from '../src/core/testing/cases/judge'

type Found = { calibration: Calibration; verdicts: Verdict[] }

const row = (cells: readonly (string | number)[]) => `| ${cells.join(' | ')} |`
const head = (...cells: string[]) => [row(cells), row(cells.map(() => '---'))]
const share = (verdicts: readonly Verdict[]) =>
  `${inside(verdicts)} of ${verdicts.length} (${Math.round((100 * inside(verdicts)) / verdicts.length)} %)`

const factorText = (name: (typeof FACTOR_NAMES)[number], factors: Factors | undefined) => {
  const value = factors?.[name]
  if (value === undefined) return ''
  return name === 'hardinessC'
    ? `${value > 0 ? '+' : ''}${value.toFixed(1)} °C`
    : `× ${Math.exp(value).toFixed(2)}`
}

const factorTable = (first: string, of: Readonly<Record<string, Factors>>) => [
  ...head(first, ...FACTOR_NAMES.map((name) => `${name} (${FACTORS[name].of.join(', ')})`)),
  ...Object.entries(of).map(([name, factors]) =>
    row([
      SPECIES.find(({ id }) => id === name)?.name ?? name,
      ...FACTOR_NAMES.map((factor) => factorText(factor, factors)),
    ]),
  ),
  '',
]

const outsiders = (verdicts: readonly Verdict[]) => [
  ...head('site', 'stand', 'check', 'expected', 'got'),
  ...verdicts
    .filter((verdict) => !verdict.inside)
    .map(({ site, stand, check, expected, got }) => row([site, stand, check, expected, got])),
  '',
]

/** docs/calibration.md: what the search found, and how it does at sites it has not seen. */
export function calibrationReport(all: Found, folds: readonly (Found & { site: string })[]): string {
  const left = folds.flatMap(({ verdicts }) => verdicts)
  return [
    '# Calibration',
    '',
    'Written by `npm run calibrate`; do not edit. Physics that all plants share, then kinds of plants, then species are moved',
    'from what the catalogue states, each a step up or down where all published cases together come out better: a check costs',
    'by its distance from the middle of its range, bounded, and a value by its distance from what is stated. To see how the',
    'model does at a place it was not fitted to, the search is run again without each site, from what is stated, and judges',
    'that site’s cases.',
    '',
    `All cases: ${share(all.verdicts)} inside their ranges. Left out: ${share(left)}.`,
    '',
    ...head('site', 'fitted to all', 'left out'),
    ...folds.map(({ site, verdicts }) =>
      row([site, share(all.verdicts.filter((verdict) => verdict.site === site)), share(verdicts)]),
    ),
    '',
    '## Outside, fitted to all',
    '',
    ...outsiders(all.verdicts),
    '## Outside where the site was left out',
    '',
    ...outsiders(left),
    '## Physics all plants share',
    '',
    ...head('value', 'unit', 'stated', 'range', 'calibrated'),
    ...SHARED_NAMES.map((name) => {
      const { meaning, unit, stated, low, high } = SHARED_PHYSICS[name]
      return row([meaning, unit, stated, `${low} – ${high}`, all.calibration.shared[name] ?? 'as stated'])
    }),
    '',
    '## Kinds of plants',
    '',
    ...factorTable('kind', all.calibration.archetypes),
    '## Species',
    '',
    ...factorTable('species', all.calibration.species),
  ].join('\n')
}
