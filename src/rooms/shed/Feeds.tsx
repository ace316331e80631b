import { unitOf } from '../../text/quantity'
import { useState } from 'react'
import { keepFeed, removeFeed } from '../../actions/changeGarden'
import type { ManureKind } from '../../core/garden/rules'
import { manureOf, startsClock } from '../../core/planting/manure'
import { BroughtIn } from '../../parts/BroughtIn'
import { Caution } from '../../parts/Caution'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { textOf } from '../../parts/form/typedText'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { feedForm, feedValue } from './stockForms'
import { single } from '../../parts/once'

const MANURE = [
  ['none', 'none'],
  ['composted', 'composted hot'],
  ['raw', 'raw'],
  ['unknown', 'not known how treated'],
] as const satisfies readonly (readonly [ManureKind, string])[]
const SPRAYED = [
  ['not asked', 'not asked yet'],
  ['none', 'nothing that lasts'],
  ['not known', 'not known'],
] as const

const BLANK = {
  name: '',
  nitrogenPct: '',
  firstSeason: '',
  kgPerM3: '',
  manure: 'none' as const,
  sprayed: 'not asked' as const,
}

/** Compost and other feed, with their analysis as far as it is known. */
export function Feeds() {
  const { data } = useGarden()
  const { garden } = data
  const { units } = garden
  const act = useAct()
  /** The feed whose analysis is being filled in; null while a new one is typed. */
  const [editing, setEditing] = useState<string | null>(null)
  const feeds = garden.nitrogenSources
  const schema = feedForm(units)
  const form = useTyped({ schema, draft: { name: 'feed' }, blank: BLANK })
  const save = form.submit(async ({ value: { sprayed, ...value } }) => {
    const known = feeds.find(({ id }) => id === editing)
    const feed = {
      ...value,
      carbonPct: known?.carbonPct ?? null,
      ...(sprayed !== 'not asked' && { sprayed }),
    }
    const stored = await act(keepFeed(garden, feed, known?.id ?? null))
    if (stored) setEditing(null)
    return stored
  })
  return (
    <section className="mt-6" aria-label="Compost and feed">
      <h2>Compost and feed</h2>
      <ul className="mt-1">
        {feeds.map((feed) => (
          <li key={feed.id} className="flex flex-wrap items-center gap-3 py-0.5">
            {feed.name},{' '}
            {feed.nitrogenPct === null
              ? 'no analysis yet'
              : `${feed.nitrogenPct} % nitrogen, ${feed.firstSeason === null ? 'share freed not known' : `${Math.round(feed.firstSeason * 100)} % of it in the first season`}`}
            {startsClock(manureOf(feed)) && '; manure counts as raw'}
            {feed.sprayed !== 'none' && '; ask what was sprayed on it'}
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Change ${feed.name}`}
              onClick={() => {
                setEditing(feed.id)
                form.set(textOf(schema, feedValue(feed)))
              }}
            >
              Change
            </button>
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${feed.name}`}
              onClick={single(() => act(removeFeed(garden, feed)))}
            >
              Remove
            </button>
          </li>
        ))}
        {feeds.length === 0 && (
          <li className="quiet">None. Add compost to see how much of it a crop still needs.</li>
        )}
      </ul>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Add compost or feed"
        onSubmit={save}
      >
        <TypedText form={form} name="name" label="Name of the feed" className="w-44" />
        <TypedText form={form} name="nitrogenPct" label="Nitrogen, % as spread" className="w-36" decimal />
        <TypedText
          form={form}
          name="firstSeason"
          label="Freed in the first season, %"
          className="w-44"
          decimal
        />
        <TypedText
          form={form}
          name="kgPerM3"
          label={`It weighs, ${unitOf('bulk', units)}`}
          className="w-44"
          decimal
        />
        <TypedChoice form={form} name="manure" label="Manure in it" className="w-44" options={MANURE} />
        <TypedChoice form={form} name="sprayed" label="Sprayed on it" className="w-40" options={SPRAYED} />
        <button className="btn btn-sm mt-6">{editing ? 'Save feed' : 'Add feed'}</button>
      </Form>
      <div className="mt-2 flex flex-col gap-1">
        <BroughtIn />
        <Caution>
          Raw manure, or manure of unknown treatment, starts the same interval to the harvest as animals do.
        </Caution>
      </div>
    </section>
  )
}
