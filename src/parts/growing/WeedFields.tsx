import { useState } from 'react'
import { nameWeeds } from '../../actions/keepBed'
import { CREEPING_WEEDS } from '../../core/garden/creepingWeeds'
import { useAct, useGarden } from '../../state/garden'
import { Chip } from '../Chip'
import { DialogButtons } from '../DialogButtons'
import { Form } from '../Form'
import { BedTicks } from './BedTicks'
import type { Asked } from './form'

/** Weeds that creep in some beds, named once: they change what any way of ending may promise. */
export function WeedFields({ bedIds, onDone, onCancel }: Asked) {
  const { data, today } = useGarden()
  const act = useAct()
  const [ids, setIds] = useState<string[]>([...bedIds])
  const [weeds, setWeeds] = useState<string[]>([])
  const [sent, setSent] = useState(false)
  const toggle = (weed: string) =>
    setWeeds(weeds.includes(weed) ? weeds.filter((other) => other !== weed) : [...weeds, weed])
  const beds = data.beds.filter(({ id }) => ids.includes(id))
  const problem = weeds.length === 0 ? 'Choose at least one weed.' : null
  const save = async () => {
    setSent(true)
    if (problem || beds.length === 0) return
    if (await act(nameWeeds(beds, weeds, today))) onDone()
  }
  return (
    <Form className="mt-3 flex flex-col gap-4" onSubmit={save}>
      <fieldset>
        <legend className="text-sm font-semibold">Which come back from roots or tubers there</legend>
        <div className="mt-1 flex flex-wrap gap-1.5">
          {CREEPING_WEEDS.map((weed) => (
            <Chip key={weed} chosen={weeds.includes(weed)} onPress={() => toggle(weed)}>
              {weed}
            </Chip>
          ))}
        </div>
        {sent && problem && <p role="alert">{problem}</p>}
      </fieldset>
      <BedTicks
        bedIds={ids}
        onChange={setIds}
        problem={sent && beds.length === 0 ? 'Choose at least one bed.' : undefined}
      />
      <DialogButtons store="Record weeds" onCancel={onCancel} />
    </Form>
  )
}
