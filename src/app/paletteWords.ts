import { plainText } from '../core/foundations/plainText'

/** Words that people put between and that say nothing of where to go. */
const IDLE = new Set(['the', 'for', 'in', 'of', 'a', 'bed', 'to', 'on', 'my'])

/** Whether every word that was typed begins a word of the target. */
export function fits(words: string, typed: string): boolean {
  const of = plainText(words).split(' ')
  const wanted = plainText(typed)
    .split(' ')
    .filter((word) => word !== '' && !IDLE.has(word))
  return wanted.every((word) => of.some((one) => one.startsWith(word)))
}
