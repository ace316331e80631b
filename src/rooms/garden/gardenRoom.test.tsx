import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Garden } from '../../core/garden/schema'
import { commit } from '../../data/commit'
import { database } from '../../data/database'
import { historyForFile } from '../../data/devices/replica'
import { writeGardenFile, type FileHistory } from '../../data/gardenFile'
import { loadGarden } from '../../data/gardens'
import { importGarden } from '../../data/importGarden'
import { changed } from '../../data/writes'
import { harrierPoint } from '../../demo/harrierPoint'

const garden = async () => (await database.gardens.get('marlpit-lane')) as Garden
const beds = () => database.beds.where('gardenId').equals('marlpit-lane').toArray()

async function room() {
  await openRoom('/garden')
  await screen.findByRole('form', { name: 'Settings' }, SLOW)
}

test('settings are checked before they are stored, and undone as one step', async () => {
  await room()
  type('Garden name', '')
  press('Save settings')
  await waitFor(() => expect(screen.getByLabelText('Garden name').getAttribute('aria-invalid')).toBe('true'))
  expect((await garden()).name).toBe('Marlpit Lane')
  type('Garden name', 'Lower field')
  type('Days from dead to transplants', '10')
  press('Save settings')
  await waitFor(
    async () => expect(await garden()).toMatchObject({ name: 'Lower field', waitDays: { transplant: 10 } }),
    SLOW,
  )
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[0])
  await waitFor(async () => expect(await garden()).toMatchObject({ name: 'Marlpit Lane' }), SLOW)
})

test('a setting saved later does not bring back what was undone in between', async () => {
  await room()
  const { animals } = await garden()
  expect(animals).not.toContain('dogs')
  fireEvent.click(screen.getByLabelText('dogs'))
  press('Save settings')
  await waitFor(async () => expect((await garden()).animals).toContain('dogs'), SLOW)
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[0])
  await waitFor(async () => expect((await garden()).animals).toEqual(animals), SLOW)
  await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('dogs').checked).toBe(false), SLOW)
  type('Garden name', 'Lower field')
  press('Save settings')
  await waitFor(async () => expect(await garden()).toMatchObject({ name: 'Lower field', animals }), SLOW)
})

test('a form opened before another change writes only its own fields', async () => {
  await room()
  type('Garden name', 'Lower field')
  fireEvent.click(screen.getByLabelText('dogs'))
  press('Edit L1')
  const length = await screen.findByLabelText('Length, m', { selector: '[role=dialog] *, dialog *' })
  fireEvent.change(length, { target: { value: '12' } })
  // Meanwhile, from elsewhere.
  const seen = await garden()
  const bed = (await beds()).find(({ label }) => label === 'L1')!
  await commit(database, seen.id, 'Elsewhere', [
    changed('gardens', seen, { tools: seen.tools.slice(1), waitDays: { transplant: 21, seed: 28 } }),
    changed('beds', bed, { shade: 0.3 }),
  ])
  press('Save bed')
  await waitFor(async () =>
    expect((await beds()).find(({ label }) => label === 'L1')).toMatchObject({ lengthM: 12, shade: 0.3 }),
  )
  press('Save settings')
  await waitFor(
    async () =>
      expect(await garden()).toMatchObject({
        name: 'Lower field',
        waitDays: { transplant: 21, seed: 28 },
        animals: [...seen.animals, 'dogs'],
        tools: seen.tools.slice(1),
      }),
    SLOW,
  )
})

test('an import that is undone leads back to the garden that was open', async () => {
  await room()
  const file = writeGardenFile(
    { ...harrierPoint(), garden: { ...harrierPoint().garden, name: 'Far away' } },
    '2026-01-01T00:00:00Z',
  )
  const input = screen.getByLabelText<HTMLInputElement>('Import a garden')
  fireEvent.change(input, { target: { files: [new File([file], 'far.json')] } })
  const preview = await screen.findByRole('form', { name: 'Import' }, SLOW)
  expect(preview.textContent).toMatch(/Far away, from far\.json: \d+ beds/)
  fireEvent.click(within(preview).getByRole('button', { name: 'Import it' }))
  await screen.findAllByText(/Far away was imported/, undefined, SLOW)
  const toasts = await screen.findByRole('region', { name: /Notifications/ }, SLOW)
  // The pointer above it holds the message, however long the garden takes to open.
  fireEvent.mouseEnter(await within(toasts).findByRole('list', undefined, SLOW))
  await screen.findByRole('heading', { name: 'Far away' }, SLOW)
  // Messages of the tests before may still stand beside it.
  const [said] = await within(toasts).findAllByText(/Far away was imported/, undefined, SLOW)
  fireEvent.click(within(said.closest('li')!).getByRole('button', { name: 'Undo' }))
  await screen.findByRole('heading', { name: 'Marlpit Lane' }, SLOW)
  expect(await database.gardens.get('harrier-point')).toBeUndefined()
  expect((await beds()).length).toBe(14)
})

test('undone from the header, an imported garden is gone; the page offers it again and the others', async () => {
  await room()
  await importGarden(database, { ...harrierPoint(), weather: [], lots: [], pictures: [] }, null, 'new')
  fireEvent.change(await screen.findByLabelText('Open', undefined, SLOW), {
    target: { value: 'harrier-point' },
  })
  await screen.findByRole('heading', { name: 'Harrier Point' }, SLOW)
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[0])
  fireEvent.click(await screen.findByRole('button', { name: 'Do it again: Imported Harrier Point' }, SLOW))
  await screen.findByRole('heading', { name: 'Harrier Point' }, SLOW)
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[0])
  fireEvent.click(await screen.findByRole('button', { name: 'Open Marlpit Lane' }, SLOW))
  await screen.findByRole('heading', { name: 'Marlpit Lane' }, SLOW)
})

test('a bed is measured anew; a length below nothing is refused', async () => {
  await room()
  press('Edit L1')
  const length = await screen.findByLabelText('Length, m', { selector: '[role=dialog] *, dialog *' })
  fireEvent.change(length, { target: { value: '-3' } })
  press('Save bed')
  const bed = async () => (await beds()).find(({ label }) => label === 'L1')!
  const before = (await bed()).lengthM
  expect(before).toBeGreaterThan(0)
  fireEvent.change(length, { target: { value: '12,5' } })
  press('Save bed')
  await waitFor(async () => expect((await bed()).lengthM).toBe(12.5), SLOW)
})

test('any of the last steps is taken back alone, unless a later one needs it', async () => {
  await room()
  const [first, second] = await beds()
  await commit(database, 'marlpit-lane', 'Longer', [changed('beds', first, { lengthM: 3 })])
  await commit(database, 'marlpit-lane', 'Shadier', [changed('beds', second, { shade: 0.4 })])
  const seen = (await beds()).find(({ id }) => id === first.id)!
  await commit(database, 'marlpit-lane', 'Longer still', [changed('beds', seen, { lengthM: 4 })])
  const fold = screen.getByText('What was done last')
  fireEvent.click(fold)
  const list = await screen.findByRole('list', { name: 'Steps' }, SLOW)
  expect(within(list).getAllByRole('listitem')[0].textContent).toMatch(/Longer still/)
  fireEvent.click(within(list).getByRole('button', { name: 'Take back: Longer' }))
  await screen.findByText(
    /“Longer” cannot be taken back alone: “Longer still” changed the same since/,
    undefined,
    SLOW,
  )
  fireEvent.click(within(list).getByRole('button', { name: 'Take back: Shadier' }))
  await waitFor(
    async () => expect((await beds()).find(({ id }) => id === second.id)?.shade).toBe(second.shade),
    SLOW,
  )
  await waitFor(() => expect(list.textContent).toMatch(/taken back/), SLOW)
  expect((await beds()).find(({ id }) => id === first.id)?.lengthM).toBe(4)
})

test('the same field changed meanwhile is shown beside one’s own, and is written over only where that is said', async () => {
  await room()
  press('Edit L1')
  const shade = await screen.findByLabelText('Shade, %', { selector: '[role=dialog] *, dialog *' })
  fireEvent.change(shade, { target: { value: '20' } })
  const bed = (await beds()).find(({ label }) => label === 'L1')!
  await commit(database, 'marlpit-lane', 'Elsewhere', [changed('beds', bed, { shade: 0.3 })])
  const shadeNow = async () => (await beds()).find(({ label }) => label === 'L1')?.shade
  press('Save bed')
  const said = await screen.findByText(/shade is 30\s% now; you put 20\s% over 0\s%/, undefined, SLOW)
  expect(await shadeNow()).toBe(0.3)
  fireEvent.click(within(said.closest('li')!).getByRole('button', { name: 'Put mine' }))
  await waitFor(async () => expect(await shadeNow()).toBe(0.2), SLOW)
})

/** Picks a garden file, and gives what is shown of it. */
async function picked(name: string, text: string) {
  const input = screen.getByLabelText<HTMLInputElement>('Import a garden')
  fireEvent.change(input, { target: { files: [new File([text], name)] } })
  return screen.findByRole('form', { name: 'Import' }, SLOW)
}
async function exported(): Promise<string> {
  const data = (await loadGarden(database, 'marlpit-lane'))!
  const history = await historyForFile(database, 'marlpit-lane')
  return writeGardenFile({ ...data, history }, '2026-01-01T00:00:00Z')
}

test('a file taken in the place of a garden leaves a copy that can be imported again', async () => {
  await room()
  const text = await exported()
  await commit(database, 'marlpit-lane', 'Renamed', [
    changed('gardens', await garden(), { name: 'Lower field' }),
  ])
  const form = await picked('old.json', text)
  fireEvent.click(within(form).getByRole('radio', { name: /In the place of the garden here/ }))
  fireEvent.click(within(form).getByRole('button', { name: 'Import it' }))
  await waitFor(async () => expect((await garden()).name).toBe('Marlpit Lane'), SLOW)
  fireEvent.click(screen.getByRole('link', { name: 'Garden' }))
  const copies = await screen.findByRole('list', { name: 'Copies kept' }, SLOW)
  expect(copies.textContent).toMatch(/Lower field as it was before .*kept for 30 days/)
  fireEvent.click(within(copies).getByRole('button', { name: 'Import it again' }))
  expect((await screen.findByRole('form', { name: 'Import' }, SLOW)).textContent).toMatch(
    /Lower field, from lower-field-before/,
  )
})

test('what both changed is told until it is looked at, and no more once the step is taken back', async () => {
  await room()
  const file = JSON.parse(await exported()) as {
    data: {
      beds: { id: string; label: string; shade: number; sectionId: string }[]
      history: FileHistory
      garden: Garden
    }
  }
  const bed = file.data.beds.find(({ label }) => label === 'L1')!
  const other = file.data.garden.sections.at(-1)!
  Object.assign(bed, { shade: 0.4, sectionId: other.id })
  const known = file.data.history.records.find(({ name }) => name === `beds ${bed.id}`)!
  Object.assign(known.places, { shade: [50, 'phone'], sectionId: [1, 'phone'] })
  file.data.history.seen.phone = 50
  const here = (await beds()).find(({ id }) => id === bed.id)!
  const [section] = (await garden()).sections.filter(({ id }) => id !== here.sectionId && id !== other.id)
  await commit(database, 'marlpit-lane', 'Here', [
    changed('beds', here, { shade: 0.2, sectionId: section.id }),
  ])
  const form = await picked('phone.json', JSON.stringify(file))
  expect(form.textContent).toMatch(/1 record changes. 2 things were changed on both/)
  fireEvent.click(within(form).getByRole('button', { name: 'Import it' }))
  const told = await screen.findByRole('region', { name: 'Changed on both devices' }, SLOW)
  expect(told.textContent).toMatch(/Bed L1, shade: now 40\s% *; on the other device 20\s%/)
  expect(told.textContent).toContain(`section: now ${section.name}; on the other device ${other.name}`)
  fireEvent.click(screen.getByText('What was done last'))
  const steps = await screen.findByRole('list', { name: 'Steps' }, SLOW)
  expect(
    within(steps)
      .getAllByRole('listitem')
      .map(({ textContent }) => textContent),
  ).toEqual([
    expect.stringMatching(/^Brought together with the file of Marlpit Lane ?from a file, /),
    expect.stringMatching(/^Here ?here, /),
  ])
  fireEvent.click(within(told).getAllByRole('button', { name: 'Leave it so' })[0])
  await waitFor(() => expect(within(told).getAllByRole('listitem')).toHaveLength(1), SLOW)
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[0])
  await waitFor(
    () => expect(screen.queryByRole('region', { name: 'Changed on both devices' })).toBeNull(),
    SLOW,
  )
  expect((await beds()).find(({ id }) => id === bed.id)?.shade).toBe(0.2)
})

test('where the browser can hand a file on, a garden is shared, and counts as exported; closed, nothing is said', async () => {
  const given: File[] = []
  let [closed, asked] = [false, 0]
  Object.assign(navigator, {
    canShare: () => true,
    share: async ({ files }: { files: File[] }) => {
      asked++
      if (closed) throw new DOMException('closed', 'AbortError')
      given.push(...files)
    },
  })
  await room()
  fireEvent.click(screen.getByRole('button', { name: 'Share it' }))
  await screen.findByText(/^Kept outside this browser too as of .*nothing changed since/, undefined, SLOW)
  expect(given.map(({ name }) => name)).toEqual(['marlpit-lane.kilim.json'])
  closed = true
  fireEvent.click(screen.getByRole('button', { name: 'Share it' }))
  await waitFor(() => expect(asked).toBe(2), SLOW)
  expect(given).toHaveLength(1)
  expect(screen.queryByText(/could not be exported/)).toBeNull()
  Object.assign(navigator, { canShare: undefined, share: undefined })
})
