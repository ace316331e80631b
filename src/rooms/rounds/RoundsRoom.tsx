import { useState } from 'react'
import { Link } from 'react-router'
import { byUrgency, type Job } from '../../core/rounds/jobs'
import type { Bed } from '../../core/garden/schema'
import { shortDate } from '../../text/format'
import { SelectField, TextField } from '../../parts/SelectField'
import { jobRoom, jobText } from '../../parts/jobText'
import { PlanChance } from '../../parts/PlanChance'
import { notice } from '../../state/notices'
import { GrowingDialog } from '../../parts/growing/GrowingDialog'
import { useRounds } from './useRounds'
import { Form } from '../../parts/Form'
import { single } from '../../parts/once'
import { Failed } from '../../parts/Waiting'
import { useLasting } from '../../state/useSettled'

/** Jobs that are steps of a plan: its chance stands with them. */
const OF_THE_PLAN: readonly Job['kind'][] = ['sow', 'end']

type Rounds = ReturnType<typeof useRounds>

/** What to do and look at this week, in walking order or by urgency; to tick, put off, print, or take into a calendar. */
export function RoundsRoom() {
  const rounds = useRounds()
  const [growing, setGrowing] = useState<string[] | null>(null)
  const [order, setOrder] = useState<'walk' | 'urgency'>('walk')
  // On opening, jobs that come in a little later would push the others from under a finger.
  const lasts = useLasting(rounds.pending > 0)
  const [opened, setOpened] = useState(false)
  if (!opened && (rounds.pending === 0 || lasts)) setOpened(true)
  const known = opened ? rounds.jobs : []
  const jobs = order === 'walk' ? known : [...known].sort(byUrgency)
  return (
    <section className="max-w-3xl py-4">
      <h1>Rounds</h1>
      <p className="mt-1">
        {jobs.length === 0
          ? rounds.pending > 0
            ? 'Looking at what grows …'
            : rounds.failure
              ? 'What is due is not known.'
              : 'Nothing is due this week.'
          : `${jobs.length} to do or look at by ${shortDate(rounds.today + 7)}.`}{' '}
        {rounds.pending > 0 && jobs.length > 0 && (
          <span role="status" className="quiet">
            still looking at {rounds.pending}
          </span>
        )}
      </p>
      <Failed
        what={`Looking at ${rounds.failure?.count === 1 ? 'one cover' : `${rounds.failure?.count} covers`}`}
        failure={rounds.failure}
      />
      <Failed what="Looking for frost" failure={rounds.week} />
      <ol className="mt-3 divide-y divide-base-300 border-y border-base-300" data-testid="jobs">
        {jobs.map((job) => (
          <JobRow key={job.id} job={job} rounds={rounds} />
        ))}
      </ol>
      <NothingKnown beds={rounds.bare} onSay={(bedId) => setGrowing([bedId])} />
      <GrowingDialog bedIds={growing} onClose={() => setGrowing(null)} />
      <div className="no-print mt-3 flex flex-wrap items-end gap-x-3 gap-y-2">
        <SelectField
          label="Order"
          className="h-11 w-52"
          value={order}
          onChange={setOrder}
          options={[
            ['walk', 'as the beds are walked'],
            ['urgency', 'the most urgent first'],
          ]}
        />
        <button className="btn h-11" onClick={() => window.print()}>
          Print
        </button>
        <button
          className="btn h-11"
          onClick={() => void rounds.writeCalendar().catch((error: Error) => notice.error(error.message))}
        >
          Calendar file
        </button>
      </div>
    </section>
  )
}

/** So many bare beds are named; a garden with more is mostly bare, and says it on the loom. */
const MOST_NAMED = 24

/** Beds of which nothing is known to grow; pressing one says what does. */
function NothingKnown({ beds, onSay }: { beds: readonly Bed[]; onSay: (bedId: string) => void }) {
  if (beds.length === 0 || beds.length > MOST_NAMED) return null
  return (
    <p className="no-print mt-3 flex flex-wrap items-center gap-1.5">
      Bare, as far as is known. A cover grows in
      {beds.map(({ id, label }) => (
        <button key={id} className="btn btn-sm min-h-11 sm:min-h-8" onClick={() => onSay(id)}>
          {label}
        </button>
      ))}
    </p>
  )
}

function JobRow({ job, rounds }: { job: Job; rounds: Rounds }) {
  const [putting, setPutting] = useState(false)
  const [days, setDays] = useState('3')
  const [reason, setReason] = useState('')
  const { title, detail } = jobText(job, rounds.standOf(job))
  const late = job.dueDay < rounds.today
  const wrong = !(Number(days) >= 1 && Number(days) <= 60)
  return (
    <li className="py-3">
      <div className="grid grid-cols-[3rem_1fr] gap-x-3 gap-y-2 sm:grid-cols-[3rem_1fr_auto]">
        <strong className="font-display">{rounds.bedOf(job).label}</strong>
        <div>
          <p>
            <Link className="link font-semibold" to={jobRoom(job)}>
              {title}
            </Link>{' '}
            <span className={job.urgent ? 'font-semibold text-secondary' : 'quiet'}>
              {late
                ? `since ${shortDate(job.dueDay)}`
                : job.dueDay === rounds.today
                  ? 'today'
                  : shortDate(job.dueDay)}
              {job.urgent ? ', urgent' : ''}
            </span>
          </p>
          <p className="text-[0.95rem]">
            {detail}{' '}
            {OF_THE_PLAN.includes(job.kind) && <PlanChance standId={job.standId} before="The plan: " />}
          </p>
        </div>
        <div className="no-print col-span-2 flex gap-2 self-start sm:col-span-1">
          <button
            className="btn btn-primary h-12 flex-1 sm:h-9"
            onClick={single(() => rounds.tick(job))}
            aria-label={`Done: ${title}`}
          >
            Done
          </button>
          <button
            className="btn h-12 flex-1 sm:h-9"
            aria-expanded={putting}
            onClick={() => setPutting(!putting)}
            aria-label={`Later: ${title}`}
          >
            Later
          </button>
        </div>
      </div>
      {putting && (
        <Form
          className="no-print mt-2 flex flex-wrap items-start gap-3"
          aria-label={`Put off ${title}`}
          onSubmit={() => (wrong ? undefined : rounds.later(job, Math.round(Number(days)), reason.trim()))}
        >
          <TextField
            label="By days"
            className="w-24"
            error={wrong ? 'A number from 1 to 60.' : undefined}
            value={days}
            onChange={setDays}
          />
          <TextField label="Because" className="w-56" value={reason} onChange={setReason} />
          <button className="btn mt-6">Put off</button>
        </Form>
      )}
    </li>
  )
}
