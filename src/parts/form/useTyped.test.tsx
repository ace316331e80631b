import { afterEach, expect, jest, test } from '@jest/globals'
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { useEffect } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { z } from 'zod'
import { createStore, type Store } from '../../state/store'
import type { Units } from '../../text/format'
import { Form } from '../Form'
import { name, quantity, quantityOrNone } from './codecs'
import { TypedChoice, TypedText, TypedTick } from './fields'
import { useTyped } from './useTyped'

afterEach(cleanup)

type Bed = {
  label: string
  lengthM: number
  keptM2: number | null
  kind: 'raised' | 'in-ground'
  wet: boolean
}
const bed: Bed = { label: 'A1', lengthM: 3.05, keptM2: null, kind: 'raised', wet: false }
const schema = z.object({
  label: name('Label', 12),
  lengthM: quantity('length', 'imperial', { name: 'Length', low: 0.2, high: 500 }),
  keptM2: quantityOrNone('area', 'imperial', { name: 'Kept plants', low: 0, high: 5000 }),
  kind: z.enum(['raised', 'in-ground']),
  wet: z.boolean(),
})
type Stored = { seen: Bed; part: Partial<Bed> }

function BedForm({ record, store }: { record: Bed; store: (stored: Stored) => Promise<boolean> }) {
  const form = useTyped({ schema, record, valueOf: (stored: Bed) => stored, draft: { name: 'bed' } })
  return (
    <Form aria-label="Bed" onSubmit={form.submit(({ seen, part }) => store({ seen, part }))}>
      <TypedText form={form} name="label" label="Label" />
      <TypedText form={form} name="lengthM" label="Length, ft" />
      <TypedText form={form} name="keptM2" label="Kept plants, ft²" />
      <TypedChoice
        form={form}
        name="kind"
        label="Kind"
        options={[
          ['raised', 'raised'],
          ['in-ground', 'in the ground'],
        ]}
      />
      <TypedTick form={form} name="wet" label="wet" />
      <output data-testid="live">{form.value?.lengthM ?? 'wrong'}</output>
      <button>Save</button>
    </Form>
  )
}

function show(record = bed, opened: Store = createStore()) {
  const store = jest.fn<(stored: Stored) => Promise<boolean>>(async () => true)
  const page = (shown: Bed) => (
    <Provider store={opened}>
      <BedForm record={shown} store={store} />
    </Provider>
  )
  const { rerender } = render(page(record))
  return { opened, store, follow: (next: Bed) => rerender(page(next)) }
}
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const type = (label: string, value: string) => fireEvent.change(field(label), { target: { value } })
const save = () => act(async () => void fireEvent.submit(screen.getByRole('form')))

test('only what was typed is written, in the units of the core', async () => {
  const { store } = show()
  expect(field('Length, ft').value).toBe('10.01')
  type('Label', 'B2')
  type('Kept plants, ft²', '10')
  fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'in-ground' } })
  fireEvent.click(field('wet'))
  await save()
  await waitFor(() => expect(store).toHaveBeenCalledTimes(1))
  const { seen, part } = store.mock.calls[0][0]
  expect(seen).toBe(bed)
  // The length shown is rounded; nobody changed it, so it is not stored so.
  expect(part).toEqual({ label: 'B2', keptM2: expect.closeTo(0.929, 3), kind: 'in-ground', wet: true })
})

test('feet and inches are understood while they are typed', () => {
  show()
  type('Length, ft', '3\'6"')
  expect(Number(screen.getByTestId('live').textContent)).toBeCloseTo(1.0668)
})

test('what is wrong is said beside its field once it is sent off, in the garden’s unit, and nothing is stored', async () => {
  const { store } = show()
  type('Length, ft', 'long')
  expect(screen.queryByRole('alert')).toBeNull()
  await save()
  expect((await screen.findByRole('alert')).textContent).toBe('Length must be a number.')
  type('Length, ft', '2000')
  expect(screen.getByRole('alert').textContent).toMatch(/between 0.657 and 1640.ft/)
  type('Length, ft', '12')
  expect(screen.queryByRole('alert')).toBeNull()
  expect(store).not.toHaveBeenCalled()
})

test('fields that nobody touched follow the record; one that was typed stays, and is written against what was seen', async () => {
  const { store, follow } = show()
  type('Label', 'B2')
  const meanwhile = { ...bed, kind: 'in-ground' as const, label: 'C3' }
  follow(meanwhile)
  await waitFor(() => expect(screen.getByLabelText<HTMLSelectElement>('Kind').value).toBe('in-ground'))
  expect(field('Label').value).toBe('B2')
  await save()
  await waitFor(() => expect(store).toHaveBeenCalledTimes(1))
  expect(store.mock.calls[0][0]).toEqual({ seen: bed, part: { label: 'B2' } })
})

test('what was begun is there again when the form is opened anew, and gone once it is stored', async () => {
  const { opened, store } = show()
  type('Label', 'B2')
  await waitFor(() => expect(opened.getState().session.drafts.bed?.value).toEqual({ label: 'B2' }))
  cleanup()
  const again = show(bed, opened)
  await waitFor(() => expect(field('Label').value).toBe('B2'))
  await save()
  await waitFor(() => expect(again.store).toHaveBeenCalledTimes(1))
  expect(again.store.mock.calls[0][0].part).toEqual({ label: 'B2' })
  await waitFor(() => expect(opened.getState().session.drafts.bed).toBeUndefined())
  expect(store).not.toHaveBeenCalled()
})

const sizes = (units: Units) =>
  z.object({
    lengthM: quantity('length', units, { name: 'Length', low: 0.2, high: 500 }),
    runs: z.array(z.object({ kg: quantityOrNone('weight', units, { name: 'Weight', low: 0, high: 99 }) })),
    note: z.string(),
  })
function Sizes({ units }: { units: Units }) {
  const form = useTyped({
    schema: sizes(units),
    units,
    draft: { name: 'sizes' },
    blank: { lengthM: '', runs: [{ kg: '' }, { kg: '' }], note: '' },
  })
  return (
    <>
      <TypedText form={form} name="lengthM" label="Length" />
      <TypedText form={form} name="runs.0.kg" label="First" />
      <TypedText form={form} name="runs.1.kg" label="Second" />
      <TypedText form={form} name="note" label="Note" />
    </>
  )
}

test('in other units what was typed means the same; its draft goes with it, and what cannot be read stays', async () => {
  const opened = createStore()
  const page = (units: Units) => (
    <Provider store={opened}>
      <Sizes units={units} />
    </Provider>
  )
  const { rerender } = render(page('metric'))
  type('Length', '8')
  type('First', '2,5')
  type('Second', 'some')
  type('Note', '8')
  const drafts = () => Object.keys(opened.getState().session.drafts)
  await waitFor(() => expect(drafts()).toEqual(['sizes']))
  rerender(page('imperial'))
  await waitFor(() => expect(field('Length').value).toBe('26.25'))
  expect(['First', 'Second', 'Note'].map((label) => field(label).value)).toEqual(['5.51', 'some', '8'])
  await waitFor(() => expect(drafts()).toEqual(['sizes, imperial']))
})

test('what is typed back to how it stood is no change and no draft', async () => {
  const { opened } = show()
  type('Label', 'B2')
  await waitFor(() => expect(opened.getState().session.drafts.bed).toBeTruthy())
  type('Label', 'A1')
  await waitFor(() => expect(opened.getState().session.drafts.bed).toBeUndefined())
})

test('of an old draft only what the form still has is taken up', async () => {
  const opened = createStore()
  opened.dispatch({
    type: 'session/draftKept',
    payload: { name: 'bed', draft: { version: 1, at: 0, value: { label: 'B2', colour: 'red', wet: 'yes' } } },
  })
  show(bed, opened)
  await waitFor(() => expect(field('Label').value).toBe('B2'))
  expect(field('wet').checked).toBe(false)
})

test('what is typed while the form takes up a changed record is kept', async () => {
  const { opened } = show()
  cleanup()
  // Outside of act the page renders as in a browser: effects run, and what they change is shown a moment later.
  const environment = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }
  environment.IS_REACT_ACT_ENVIRONMENT = false
  const place = document.body.appendChild(document.createElement('div'))
  const root = createRoot(place)
  const write = (value: string) => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(field('Label'), value)
    field('Label').dispatchEvent(new Event('input', { bubbles: true }))
  }
  const typed = jest.fn()
  function Follows({ record }: { record: Bed }) {
    useEffect(() => {
      if (record === bed) return
      queueMicrotask(() => {
        write('C7')
        typed()
      })
    }, [record])
    return null
  }
  const page = (record: Bed) => (
    <Provider store={opened}>
      <BedForm record={record} store={async () => true} />
      <Follows record={record} />
    </Provider>
  )
  try {
    root.render(page(bed))
    await waitFor(() => expect(field('Label').value).toBe('A1'))
    root.render(page({ ...bed, label: 'A2', lengthM: 6.1 }))
    await waitFor(() => expect(typed).toHaveBeenCalled())
    await waitFor(() => expect(field('Length, ft').value).toBe('20.01'))
    expect(field('Label').value).toBe('C7')
  } finally {
    root.unmount()
    place.remove()
    environment.IS_REACT_ACT_ENVIRONMENT = true
  }
})
