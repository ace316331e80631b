import { Fragment, useState } from 'react'
import { Link } from 'react-router'
import { byUrgency, type Job } from '../../core/rounds/jobs'
import type { Bed } from '../../core/garden/schema'
import { earlierDayText, shortDate } from '../../text/format'
import { nextSowingText } from '../../text/season'
import { SelectField } from '../../parts/SelectField'
import { notice } from '../../state/notices'
import { GrowingDialog } from '../../parts/growing/GrowingDialog'
import { useRounds, type Rounds } from './useRounds'
import { Failed } from '../../parts/Waiting'
import { useLasting } from '../../state/useSettled'
import { DaysAhead } from './DaysAhead'
import { DaysAway } from './DaysAway'
import { Walk } from './Walk'
import { takeWords, walkTime } from './walkWords'

const EVERYBODY = ''

/** The walk of today and what comes in the week, bed after bed; to do, put off, give, print, or take into a calendar. */
export function RoundsRoom() {
  const rounds = useRounds()
  const [growing, setGrowing] = useState<string[] | null>(null)
  const [order, setOrder] = useState<'walk' | 'urgency'>('walk')
  const [person, setPerson] = useState(EVERYBODY)
  // On opening, jobs that come in a little later would push the others from under a finger.
  const lasts = useLasting(rounds.pending > 0)
  const [opened, setOpened] = useState(false)
  if (!opened && (rounds.pending === 0 || rounds.oldDay !== null || lasts)) setOpened(true)
  const known = (opened ? rounds.jobs : []).filter(
    (job) => person === EVERYBODY || rounds.whoOf(job) === person,
  )
  const jobs = order === 'walk' ? known : [...known].sort(byUrgency)
  const due = jobs.filter(({ dueDay }) => dueDay <= rounds.today)
  const ahead = jobs.filter(({ dueDay }) => dueDay > rounds.today)
  return (
    <section className="py-4" data-pending={rounds.pending}>
      <h1>Rounds</h1>
      <Summary rounds={rounds} due={due} ahead={ahead} />
      <Failed
        what={`Looking at ${rounds.failure?.count === 1 ? 'one cover' : `${rounds.failure?.count} covers`}`}
        failure={rounds.failure}
      />
      <Failed what="Looking for frost" failure={rounds.week} />
      <div className="mt-3 grid grid-cols-1 gap-x-10 gap-y-5 lg:grid-cols-2 lg:grid-rows-[auto_1fr]">
        {jobs.length > 0 && (
          <div className="contents" data-testid="jobs" data-help="jobs">
            <Walk
              title="Today"
              jobs={due}
              rounds={rounds}
              empty="Nothing is due today."
              className="lg:row-span-2"
            />
            <Walk
              title={`By ${shortDate(rounds.today + 7)}`}
              jobs={ahead}
              rounds={rounds}
              empty="Nothing else comes this week."
            />
          </div>
        )}
        <div className={jobs.length > 0 ? 'lg:col-start-2' : ''}>
          <WorthSowing rounds={rounds} />
          <NothingKnown beds={rounds.bare} onSay={(bedId) => setGrowing([bedId])} />
          <DaysAway />
          {!rounds.demo && <DaysAhead />}
        </div>
      </div>
      <GrowingDialog bedIds={growing} onClose={() => setGrowing(null)} />
      <div className="no-print mt-4 flex flex-wrap items-end gap-x-3 gap-y-2">
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
        {rounds.people.length > 0 && (
          <SelectField
            label="Whose"
            className="h-11 w-40"
            value={person}
            onChange={setPerson}
            options={[[EVERYBODY, 'everybody’s'], ...rounds.people.map((name) => [name, name] as const)]}
          />
        )}
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

/** How much there is to do, how long today's walk takes, and what to take along. */
function Summary({ rounds, due, ahead }: { rounds: Rounds; due: readonly Job[]; ahead: readonly Job[] }) {
  const take = rounds.take(due)
  const time = walkTime(take)
  const along = takeWords(take, rounds.units)
  const all = due.length + ahead.length
  const of = earlierDayText(rounds.oldDay, rounds.today)
  return (
    <>
      <p className="mt-1">
        {all === 0
          ? rounds.pending > 0
            ? 'Checking your beds …'
            : rounds.failure
              ? 'What is due is not known.'
              : 'Nothing is due this week.'
          : `${due.length === 0 ? 'Nothing' : due.length} for today${time ? `, ${time}` : ''}; ${ahead.length} more by ${shortDate(rounds.today + 7)}.`}{' '}
        {rounds.pending > 0 && all > 0 && (
          <span role="status" className="quiet">
            still looking at {rounds.pending}
            {of && `, as of ${of} until then`}
          </span>
        )}
      </p>
      {all === 0 && rounds.pending === 0 && rounds.comes && (
        <p className="mt-1" data-testid="comes">
          Next, on {shortDate(rounds.comes.day)}:{' '}
          <Link className="link font-semibold" to={rounds.comes.to}>
            {rounds.comes.title}
          </Link>
          .
        </p>
      )}
      {along.length > 0 && (
        <p className="mt-1" data-testid="take-along" data-help="take-along">
          <strong>Take along:</strong> {along.join(', ')}.
        </p>
      )}
    </>
  )
}

/** When something is worth sowing in the beds that are bare, those alike together. */
function WorthSowing({ rounds: { sowings, today } }: { rounds: Rounds }) {
  if (sowings.length === 0) return null
  return (
    <ul className="mt-3" data-testid="worth-sowing">
      {sowings.map(({ beds, next, neededByDay }) => (
        <li key={neededByDay}>
          {beds.slice(0, MOST_LINKED).map(({ id, label }, i) => (
            <Fragment key={id}>
              {i > 0 && ', '}
              <Link className="link font-semibold" to={`/choose/${id}?day=${next?.day ?? today}`}>
                {label}
              </Link>
            </Fragment>
          ))}
          {beds.length > MOST_LINKED && ` and ${beds.length - MOST_LINKED} more`}, bare:{' '}
          {nextSowingText(next, today, neededByDay)}.
        </li>
      ))}
    </ul>
  )
}

/** Beds of one line that are named. */
const MOST_LINKED = 6

/** So many bare beds are named; a garden with more is mostly bare, and says it on the loom. */
const MOST_NAMED = 24

/** Beds of which nothing is known to grow; pressing one says what does. */
function NothingKnown({ beds, onSay }: { beds: readonly Bed[]; onSay: (bedId: string) => void }) {
  if (beds.length === 0 || beds.length > MOST_NAMED) return null
  return (
    <p className="no-print mt-3 flex flex-wrap items-center gap-1.5">
      These beds look bare. Tap one if something grows there.
      {beds.map(({ id, label }) => (
        <button key={id} className="btn btn-sm min-h-11 sm:min-h-8" onClick={() => onSay(id)}>
          {label}
        </button>
      ))}
    </p>
  )
}
