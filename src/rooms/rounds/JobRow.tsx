import { useState } from 'react'
import { Link } from 'react-router'
import { segmentOf } from '../../core/rounds/job'
import type { Job } from '../../core/rounds/jobs'
import { minutes, shortDate } from '../../text/format'
import { TextField } from '../../parts/SelectField'
import { jobRoom, jobText } from '../../parts/jobText'
import { ifNotDone } from '../../parts/jobWhy'
import { PlanChance } from '../../parts/PlanChance'
import { Form } from '../../parts/Form'
import { single } from '../../parts/once'
import type { Rounds } from './useRounds'
import { betterWords } from '../../text/betterDay'
import { awayWords } from './walkWords'
import { segmentText } from '../../text/bed'

/** Jobs that are steps of a plan: its chance stands with them. */
const OF_THE_PLAN: readonly Job['kind'][] = ['sow', 'end']
/** Jobs that are recorded by being done, and what the button says then. */
const DEEDS: Partial<Record<Job['kind'], string>> = {
  sow: 'Sown',
  'self-sown': 'It has',
  cut: 'Mown',
  end: 'Ended',
  plant: 'Planted',
  clear: 'Cleared',
}

/** Jobs that are done by a check, which ticks them. */
const LOOKS: readonly Job['kind'][] = ['emergence', 'look', 'window']

/** A job: what, why now, how long, and what happens if it is left; done, put off, or given to somebody. */
export function JobRow({ job, rounds }: { job: Job; rounds: Rounds }) {
  const [more, setMore] = useState(false)
  const { title, detail } = jobText(job, rounds.standOf(job), rounds.units, rounds.overOf(job))
  const part = segmentText(segmentOf(job, rounds.standOf(job)), rounds.units, rounds.bedOf(job))
  const named = `${title}, ${rounds.bedOf(job).label}`
  const late = job.dueDay < rounds.today
  const took = rounds.minutesOf(job)
  const better = rounds.betterOf(job)
  const clash = rounds.awayOf(job)
  const who = rounds.whoOf(job)
  const ifNot = ifNotDone(job.kind)
  return (
    <li className="py-2">
      <div className="grid grid-cols-1 gap-x-3 gap-y-2 sm:grid-cols-[1fr_auto]">
        <div className="min-w-0">
          <p>
            <Link className="link font-semibold" to={jobRoom(job)}>
              {title}
            </Link>
            {part && `, ${part}`}{' '}
            <span className={job.urgent ? 'font-semibold text-secondary' : 'quiet'}>
              {late
                ? `since ${shortDate(job.dueDay)}`
                : job.dueDay === rounds.today
                  ? 'today'
                  : shortDate(job.dueDay)}
              {job.urgent ? ', urgent' : ''}
              {who ? `, ${who}` : ''}
            </span>
          </p>
          <p className="text-[0.95rem]">
            {detail}{' '}
            {OF_THE_PLAN.includes(job.kind) && <PlanChance standId={job.standId} before="The plan: " />}
          </p>
          {better && (
            <p className="text-[0.95rem] font-semibold">
              {betterWords(better)}{' '}
              {rounds.canMove(job) && (
                <button
                  className="no-print link font-normal"
                  onClick={single(() => rounds.move(job, better.day))}
                >
                  Move it there
                </button>
              )}
            </p>
          )}
          {clash && (
            <p className="text-[0.95rem] font-semibold text-secondary" role="note">
              {awayWords(clash)}
            </p>
          )}
          <p className="quiet text-sm">
            {took !== null &&
              `${took < 10 ? `${Math.max(1, Math.round(took))}\u00a0min` : `About ${minutes(took)}`}. `}
            {ifNot && `If not: ${ifNot}.`}
          </p>
        </div>
        <div className="no-print flex gap-2 self-start">
          {LOOKS.includes(job.kind) && (
            <Link
              className="btn btn-primary h-12 flex-1 sm:h-11"
              to={jobRoom(job)}
              aria-label={`Check: ${named}`}
            >
              Check
            </Link>
          )}
          <button
            className={`btn h-12 flex-1 sm:h-11 ${LOOKS.includes(job.kind) ? '' : 'btn-primary'}`}
            onClick={single(() => rounds.tick(job))}
            aria-label={`Done: ${named}`}
          >
            {DEEDS[job.kind] ?? 'Done'}
          </button>
          <button
            className="btn h-12 flex-1 sm:h-11"
            aria-expanded={more}
            onClick={() => setMore(!more)}
            aria-label={`Later: ${named}`}
          >
            Later
          </button>
        </div>
      </div>
      {more && <PutOff job={job} title={named} rounds={rounds} />}
    </li>
  )
}

/** Putting a job off by some days, or giving it to somebody. */
function PutOff({ job, title, rounds }: { job: Job; title: string; rounds: Rounds }) {
  const [days, setDays] = useState('3')
  const [reason, setReason] = useState('')
  const [who, setWho] = useState(rounds.whoOf(job) ?? '')
  const wrong = !(Number(days) >= 1 && Number(days) <= 60)
  return (
    <>
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
        <TextField label="Because" className="w-44" value={reason} onChange={setReason} />
        <button className="btn mt-6 h-11">Put off</button>
      </Form>
      <Form
        className="no-print mt-1 flex flex-wrap items-start gap-3"
        aria-label={`Who does ${title}`}
        onSubmit={() => (who.length > 60 ? undefined : rounds.give(job, who))}
      >
        <TextField
          label="Whose it is"
          className="w-44"
          error={who.length > 60 ? 'Name: use 60 characters or fewer.' : undefined}
          value={who}
          onChange={setWho}
        />
        <button className="btn mt-6 h-11">Name</button>
      </Form>
    </>
  )
}
