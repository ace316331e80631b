import { findPurpose } from '../../core/choosing/purposes'
import type { Difference, MixComponent } from '../../core/choosing/types'
import { dryMatter, nitrogen, weight, type Told } from '../../text/amounts'
import { money, percent } from '../../text/format'
import { compositionName } from '../../text/names'
import type { PurposeId } from '../../core/garden/schema'

/** An amount of a purpose with its unit. */
export function amountText(id: PurposeId, value: number, told: Told): string {
  const { unit } = findPurpose(id)
  if (unit === 'dry matter') return dryMatter(value, told)
  if (unit === 'nitrogen') return nitrogen(value, told)
  if (unit === 'fresh') return weight(value, told)
  return `${Math.round(value)}${unit === '%' ? '\u00a0%' : unit === 'days' ? '\u00a0days' : ''}`
}

const lower = (text: string) => text.toLowerCase()

const listed = (items: string[]) =>
  items.length <= 1 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`

/** `Cereal rye 60 % with hairy vetch 50 %`; a straight species by its name alone. */
export function mixText(components: readonly MixComponent[], withShares = true): string {
  if (components.length === 1 || !withShares) return compositionName(components)
  const [first, ...others] = components.map((component, i) => {
    const name = compositionName([component])
    return `${i === 0 ? name : lower(name)} ${percent(component.share)}`
  })
  return `${first} with ${listed(others)}`
}

function differenceText({ of, ours, theirs }: Difference, told: Told, currency: string): string {
  if (of === 'chance') return `a chance of ${percent(ours)} against ${percent(theirs)}`
  if (of === 'cost') return `seed for ${money(ours, currency)} against ${money(theirs, currency)}`
  return `${amountText(of, ours, told)} ${findPurpose(of).measure} against ${amountText(of, theirs, told)}`
}

/** The same difference seen from the other side. */
const turned = ({ of, ours, theirs }: Difference): Difference => ({ of, ours: theirs, theirs: ours })

/** What a mix has over its best single species, or what one answer trades against the next, in one sentence. */
export function tradeText(
  { better, worse }: { better: Difference[]; worse: Difference[] },
  otherName: string,
  told: Told,
  currency: string,
): string {
  const say = (differences: Difference[]) =>
    listed(differences.slice(0, 2).map((difference) => differenceText(difference, told, currency)))
  if (better.length === 0 && worse.length === 0) return `Much the same as ${otherName}.`
  if (better.length === 0) return `Just ahead of ${otherName}, which has ${say(worse.map(turned))}.`
  return `Over ${otherName}: ${say(better)}${worse.length > 0 ? `; it gives up ${say(worse)}` : ''}.`
}

/** Where the limits that stop covers come from, for grouping. */
export const LIMIT_WORDS = {
  'out of season': 'Out of season',
  'too little time': 'Too little time',
  'ground cannot be worked': 'Ground cannot be worked',
  winter: 'Winter',
  'cannot be ended': 'Cannot be ended in time',
  'harms animals': 'Harms your animals',
  'trouble in this bed': 'Troubles of this bed',
  'not wanted': 'Not wanted',
  'too tall': 'Too tall',
  nematodes: 'Feeds nematodes',
  reseeds: 'Sows itself',
  'no seed at hand': 'No seed at hand',
  'too dear': 'Too dear',
  'not eaten': 'Not eaten',
  'does nothing for it': 'Does nothing for it',
} as const
