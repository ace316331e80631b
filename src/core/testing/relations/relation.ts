import { mixSeed, randomStream, seedFromText, type RandomStream } from '../../foundations/random'

/**
 * What one case of a relation comes to: it holds; it is no case of it; the relation is agronomically wrong for it, with why;
 * or it is violated, with what was found.
 */
export type Verdict =
  { is: 'holds' } | { is: 'no case' } | { is: 'excepted'; why: string } | { is: 'violated'; found: string }

export const HOLDS: Verdict = { is: 'holds' }
export const NO_CASE: Verdict = { is: 'no case' }
export const excepted = (why: string): Verdict => ({ is: 'excepted', why })
export const violated = (found: string): Verdict => ({ is: 'violated', found })
/** Holds, or is violated with what was found. */
export const holdsIf = (is: boolean, found: () => string): Verdict => (is ? HOLDS : violated(found()))

/** Something that must hold whatever the model is, tried on a case drawn at random. */
export type Relation = {
  id: string
  says: string
  of: (random: RandomStream) => Verdict
  /** Takes seconds for each case: a few are tried in the tests. */
  slow?: true
}

/** How a relation fared. `smallest` is the first violation found, with the seed that draws it again. */
export type Fared = {
  id: string
  cases: number
  violations: number
  exceptions: Record<string, number>
  smallest: { seed: number; found: string } | null
}

/** Draws that are no case are drawn again this many times for each case wanted. */
const MOST_DRAWS = 40

/** Tries a relation on so many cases, the same for the same seed. */
export function tried({ id, of }: Relation, cases: number, seed: number): Fared {
  const fared: Fared = { id, cases: 0, violations: 0, exceptions: {}, smallest: null }
  for (let draw = 0; draw < cases * MOST_DRAWS && fared.cases < cases; draw++) {
    const own = mixSeed(mixSeed(seed, seedFromText(id)), draw)
    const verdict = of(randomStream(own))
    if (verdict.is === 'no case') continue
    if (verdict.is === 'excepted') {
      fared.exceptions[verdict.why] = (fared.exceptions[verdict.why] ?? 0) + 1
      continue
    }
    fared.cases++
    if (verdict.is === 'violated') {
      fared.violations++
      if (!fared.smallest || verdict.found.length < fared.smallest.found.length)
        fared.smallest = { seed: own, found: verdict.found }
    }
  }
  return fared
}
