import { describe, expect, test } from '@jest/globals'
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { judge } from '../../core/choosing/judge'
import { IN_EARNEST } from '../../core/choosing/screening'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { ensembleOf } from '../../core/season/weatherSpec'
import { NOTHING_OBSERVED } from '../../core/site/record'
import { AGREEING_GARDENS, seededGarden } from './seededGarden'
import { draftKept } from '../../state/session'
import { jobs } from '../../compute/jobs'
import { openGarden, SLOW } from './openRoom'

/** Members of a plan here: the rooms are compared with one another, not with a field. */
const MEMBERS = 4

/** Weeks ahead in which a plan for today's window begins at the latest. */
const MOST_WEEKS = 40

/** What a plan line shows, in words and as data, once it is known. */
async function planLine() {
  const line = await waitFor(() => {
    const found = screen.getByTestId('plan-line')
    expect(found.dataset.state).toBe('ready')
    return found
  }, SLOW)
  const { state, testid, ...data } = { ...line.dataset } as Record<string, string>
  expect([state, testid]).toEqual(['ready', 'plan-line'])
  const words = within(line).getByTestId('plan-chance').textContent
  return { ...data, words } as Record<string, string>
}

/** The chance of the stored plan and its words where a room tells it in passing. */
async function inPassing(before: string) {
  const told = await screen.findByTestId('stored-chance', undefined, SLOW)
  return { chance: told.dataset.chance, words: told.textContent.replace(before, '') }
}

/** The pages of all rooms show the same plan of gardens made by chance: of every second one, from the first or the second on. */
export const agreeOn = (first: 0 | 1) =>
  describe('on gardens made by chance the pages of all rooms show the same plan', () => {
    test.each(AGREEING_GARDENS.filter((seed) => seed % 2 === first))('garden %i', async (seed) => {
      const { data, bed, today, form, components } = seededGarden(seed)
      const sowDay = today + 2
      /** The ranking of this one cover. */
      const choose: typeof jobs.choose = function* (spec, question) {
        yield
        const judged = judge(components, sowDay, question, ensembleOf(spec, NOTHING_OBSERVED), IN_EARNEST)
        return judged.verdict === 'rejected'
          ? { candidates: [], rejections: [judged.rejection] }
          : { candidates: [judged.candidate], rejections: [] }
      }
      const { evaluate, ownMix, outlook } = jobs
      const room = await openGarden(
        '/garden',
        data,
        isoDate(today),
        { choose, ownMix, evaluate, outlook },
        MEMBERS,
      )
      await screen.findByRole('heading', { level: 1 }, SLOW)
      act(() => void room.store.dispatch(draftKept({ name: `choose ${bed.id} ${today}`, value: form })))
      const go = (path: string) => act(async () => void (await room.router.navigate(path)))
      await go(`/choose/${bed.id}?day=${today}`)
      const offered = await planLine()
      fireEvent.click(screen.getAllByRole('button', { name: /^Choose (?!a cover)|^Plan it/ })[0])
      await waitFor(() => expect(room.router.state.location.pathname).toMatch(/^\/sow\//), SLOW)
      const standId = room.router.state.location.pathname.split('/')[2]
      for (const path of ['sow', 'watch', 'end', 'plant']) {
        await go(`/${path}/${standId}`)
        expect([path, await planLine()]).toEqual([path, offered])
      }
      await go(`/bed/${bed.id}`)
      expect(await planLine()).toEqual(offered)
      // Rounds tells of it once its sowing is due.
      if (dayNumber(offered.sown) <= today + 7) {
        await go('/rounds')
        expect(await inPassing('The plan: ')).toEqual({ chance: offered.chance, words: offered.words })
      }
      await go('/')
      // The cursor begins at today and goes down to the plan.
      const loom = await screen.findByTestId('loom', undefined, SLOW)
      const found = () => /, planned/.test(screen.getByTestId('spot').textContent)
      for (let week = 0; week < MOST_WEEKS && !found(); week++) fireEvent.keyDown(loom, { key: 'ArrowDown' })
      const { chance, words } = await inPassing('plan ')
      expect(chance).toBe(offered.chance)
      expect(offered.words.startsWith(words)).toBe(true)
      cleanup()
    })
  })
