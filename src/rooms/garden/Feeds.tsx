import { useState } from 'react'
import type { ManureKind, NitrogenSource } from '../../core/garden/rules'
import { manureOf, startsClock } from '../../core/planting/manure'
import { BroughtIn } from '../../parts/BroughtIn'
import { Caution } from '../../parts/Caution'
import { SelectField, TextField } from '../../parts/SelectField'
import { newId } from '../../data/ids'
import { useCommit, useGarden } from '../../state/garden'
import { typedNumber } from '../../parts/typed'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { single } from '../../parts/once'

type Fields = {
  name: string
  nitrogen: string
  share: string
  weight: string
  manure: ManureKind
  sprayed: Sprayed
}
type Sprayed = 'not asked' | NonNullable<NitrogenSource['sprayed']>
const BLANK: Fields = { name: '', nitrogen: '', share: '', weight: '', manure: 'none', sprayed: 'not asked' }
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
] as const satisfies readonly (readonly [Sprayed, string])[]

/** What is wrong with a feed as typed; an analysis may be missing, but not be nonsense. */
export function feedProblems({
  name,
  nitrogen,
  share,
  weight,
}: Pick<Fields, 'name' | 'nitrogen' | 'share' | 'weight'>): Partial<Record<keyof Fields, string>> {
  const within = (text: string, low: number, high: number, words: string) =>
    text.trim() === '' || (typedNumber(text) >= low && typedNumber(text) <= high) ? undefined : words
  return {
    name: name.trim() === '' ? 'Give it a name, such as Own compost.' : undefined,
    nitrogen: within(
      nitrogen,
      0.05,
      20,
      'Nitrogen is a percentage from 0.05 to 20, as on the label or from a laboratory.',
    ),
    share: within(share, 2, 100, 'The share is a percentage from 2 to 100.'),
    weight: within(weight, 50, 2000, 'A cubic metre weighs from 50 to 2000 kg.'),
  }
}

/** Compost and other feed, with their analysis as far as it is known. */
export function Feeds() {
  const { data } = useGarden()
  const { garden } = data
  const commit = useCommit()
  const [fields, setFields] = useState(BLANK)
  const [asked, setAsked] = useState(false)
  /** The feed whose analysis is being filled in; null while a new one is typed. */
  const [editing, setEditing] = useState<string | null>(null)
  const problems = feedProblems(fields)
  const feeds = garden.nitrogenSources ?? []
  const change = (part: Partial<Fields>) => setFields({ ...fields, ...part })
  const put = (label: string, nitrogenSources: NitrogenSource[]) =>
    commit(label, [changed('gardens', garden, { nitrogenSources })])
  async function add() {
    setAsked(true)
    if (Object.values(problems).some(Boolean)) return
    const read = (text: string) => (text.trim() === '' ? null : typedNumber(text))
    const share = read(fields.share)
    const known = feeds.find((feed) => feed.id === editing)
    const feed: NitrogenSource = {
      id: known?.id ?? newId('feed'),
      name: fields.name.trim(),
      nitrogenPct: read(fields.nitrogen),
      carbonPct: known?.carbonPct ?? null,
      firstSeason: share === null ? null : share / 100,
      kgPerM3: read(fields.weight),
      manure: fields.manure,
      ...(fields.sprayed === 'not asked' ? {} : { sprayed: fields.sprayed }),
    }
    const stored = await put(
      `${known ? 'Changed' : 'Added'} ${feed.name}`,
      known ? feeds.map((other) => (other.id === known.id ? feed : other)) : [...feeds, feed],
    )
    if (!stored.ok) return
    setFields(BLANK)
    setEditing(null)
    setAsked(false)
  }
  const error = (key: keyof Fields) => (asked ? problems[key] : undefined)
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
                setFields({
                  name: feed.name,
                  nitrogen: feed.nitrogenPct === null ? '' : String(feed.nitrogenPct),
                  share: feed.firstSeason === null ? '' : String(Math.round(feed.firstSeason * 100)),
                  weight: feed.kgPerM3 === null ? '' : String(feed.kgPerM3),
                  manure: manureOf(feed),
                  sprayed: feed.sprayed ?? 'not asked',
                })
              }}
            >
              Change
            </button>
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${feed.name}`}
              onClick={single(() =>
                put(
                  `Removed ${feed.name}`,
                  feeds.filter((other) => other.id !== feed.id),
                ),
              )}
            >
              Remove
            </button>
          </li>
        ))}
        {feeds.length === 0 && (
          <li className="quiet">None. Add compost to see how much of it a crop still needs.</li>
        )}
      </ul>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Add compost or feed" onSubmit={add}>
        <TextField
          label="Name of the feed"
          className="w-44"
          error={error('name')}
          value={fields.name}
          onChange={(name) => change({ name })}
        />
        <TextField
          label="Nitrogen, % as spread"
          className="w-36"
          decimal
          error={error('nitrogen')}
          value={fields.nitrogen}
          onChange={(nitrogen) => change({ nitrogen })}
        />
        <TextField
          label="Freed in the first season, %"
          className="w-44"
          decimal
          error={error('share')}
          value={fields.share}
          onChange={(share) => change({ share })}
        />
        <TextField
          label="Weight of a cubic metre, kg"
          className="w-44"
          decimal
          error={error('weight')}
          value={fields.weight}
          onChange={(weight) => change({ weight })}
        />
        <SelectField
          label="Manure in it"
          className="w-44"
          value={fields.manure}
          onChange={(manure) => change({ manure })}
          options={MANURE}
        />
        <SelectField
          label="Sprayed on it"
          className="w-40"
          value={fields.sprayed}
          onChange={(sprayed) => change({ sprayed })}
          options={SPRAYED}
        />
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
