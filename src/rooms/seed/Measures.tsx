import { useState } from 'react'
import { handfulFrom, USUAL_HANDFUL_G, USUAL_MEASURES } from '../../core/seeding/measures'
import type { SeedSize } from '../../core/plants/catalogue'
import { metres } from '../../text/format'
import { SelectField, TextField } from '../../parts/SelectField'
import { useCommit, useGarden } from '../../state/garden'
import { newId } from '../../data/ids'
import { ProblemLine } from '../../parts/ProblemLine'
import { typedNumber } from '../../parts/typed'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'

const SIZES: readonly (readonly [SeedSize, string])[] = [
  ['large', 'large: peas, beans'],
  ['medium', 'medium: cereals, vetch, buckwheat'],
  ['small', 'small: crimson clover, mustard'],
  ['tiny', 'tiny: white clover, phacelia'],
]

/** How each person throws: five handfuls into a cup, the width of a cast, ten paces. */
export function Measures() {
  const { data } = useGarden()
  const commit = useCommit()
  const { garden } = data
  const sowers = garden.sowers ?? []
  const [name, setName] = useState('')
  const [size, setSize] = useState<SeedSize>('medium')
  const [cup, setCup] = useState('')
  const [handfuls, setHandfuls] = useState('5')
  const [width, setWidth] = useState(String(USUAL_MEASURES.castWidthM))
  const [tenPaces, setTenPaces] = useState(String(USUAL_MEASURES.paceM * 10))
  const [problem, setProblem] = useState<string | null>(null)

  async function save() {
    if (name.trim() === '') return setProblem('Name: whose hands are these?')
    const handful = handfulFrom(typedNumber(cup), typedNumber(handfuls))
    if (!handful.ok) return setProblem(handful.problems[0].message)
    if (!(typedNumber(width) > 0)) return setProblem('Cast width: enter metres above 0.')
    if (!(typedNumber(tenPaces) > 0)) return setProblem('Ten paces: enter metres above 0.')
    setProblem(null)
    const old = sowers.find((sower) => sower.name === name.trim())
    const next = {
      id: old?.id ?? newId('sower'),
      name: name.trim(),
      gramsPerHandful: { ...old?.gramsPerHandful, [size]: Math.round(handful.value * 10) / 10 },
      castWidthM: typedNumber(width),
      paceM: typedNumber(tenPaces) / 10,
    }
    const stored = await commit(`Measured ${next.name}’s hands`, [
      changed('gardens', garden, {
        sowers: [...sowers.filter((sower) => sower.id !== next.id), next],
      }),
    ])
    if (!stored.ok) setProblem(stored.problems[0].message)
    else setCup('')
  }

  return (
    <>
      <p className="mt-1 max-w-prose">
        Throw five handfuls into a cup as you would over the bed, and weigh it. Usual hands:{' '}
        {SIZES.map(([id]) => `${USUAL_HANDFUL_G[id]} g ${id}`).join(', ')}.
      </p>
      {sowers.length > 0 && (
        <ul className="mt-1" data-testid="sowers">
          {sowers.map((sower) => (
            <li key={sower.id}>
              <strong>{sower.name}</strong>:{' '}
              {SIZES.flatMap(([id]) =>
                sower.gramsPerHandful[id] ? [`${sower.gramsPerHandful[id]} g ${id}`] : [],
              ).join(', ')}
              ; casts {metres(sower.castWidthM, garden.units)} wide, paces of{' '}
              {metres(sower.paceM, garden.units)}
            </li>
          ))}
        </ul>
      )}
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Own measures" onSubmit={save}>
        <TextField label="Name" className="w-40" value={name} onChange={setName} />
        <SelectField label="Seed" className="w-80" value={size} onChange={setSize} options={SIZES} />
        <TextField label="Handfuls" className="w-24" value={handfuls} onChange={setHandfuls} />
        <TextField label="In the cup, g" decimal className="w-28" value={cup} onChange={setCup} />
        <TextField label="Cast width, m" decimal className="w-28" value={width} onChange={setWidth} />
        <TextField label="Ten paces, m" decimal className="w-28" value={tenPaces} onChange={setTenPaces} />
        <button className="btn mt-6">Keep it</button>
      </Form>
      <ProblemLine text={problem} />
    </>
  )
}
