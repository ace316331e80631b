import type { Occupant, Treatment } from '../core/season/occupied'
import { longDate } from '../text/format'
import { standName } from '../text/names'
import { SelectField } from './SelectField'

const WORDS: Record<Treatment, string> = {
  'ends then': 'ends that day',
  'ended before': 'ends before, as planned in End',
  'goes on': 'goes on beside or under it',
  'gives way': 'gives way there alone',
}

const ENDED_BEFORE_ON_A_PART = 'ends before on that part alone'

/** What stands where something new begins, and what becomes of it: said, and changeable. */
export function Occupied({
  occupants,
  said,
  onSay,
}: {
  occupants: readonly Occupant[]
  said: Readonly<Record<string, Treatment>>
  onSay: (standId: string, treatment: Treatment) => void
}) {
  return occupants.map(({ stand, untilDay, usual, open, choosesEnd }) => (
    <div key={stand.id} className="sm:col-span-2" role="status" data-testid="occupied">
      <p>
        {standName(stand)} stands there{untilDay === null ? '' : ` until ${longDate(untilDay)}`}.
      </p>
      <SelectField
        label={`${standName(stand)} then`}
        className="w-full"
        value={said[stand.id] ?? usual}
        onChange={(treatment) => onSay(stand.id, treatment)}
        options={open.map((one) => [
          one,
          one === 'gives way' && choosesEnd ? ENDED_BEFORE_ON_A_PART : WORDS[one],
        ])}
      />
    </div>
  ))
}
