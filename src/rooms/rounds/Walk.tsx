import { Link } from 'react-router'
import type { Job } from '../../core/rounds/jobs'
import type { Rounds } from './useRounds'
import { JobRow } from './JobRow'

/** Jobs in the order they are given, those of a bed together under its name. */
export function Walk({
  title,
  jobs,
  rounds,
  empty,
  className = '',
}: {
  title: string
  jobs: readonly Job[]
  rounds: Rounds
  empty: string
  className?: string
}) {
  const beds = [...new Set(jobs.map(({ bedId }) => bedId))]
  return (
    <section aria-label={title} className={`min-w-0 ${className}`}>
      <h2>{title}</h2>
      {jobs.length === 0 && <p className="quiet mt-1">{empty}</p>}
      {beds.map((bedId) => {
        const own = jobs.filter((job) => job.bedId === bedId)
        return (
          <div
            key={bedId}
            className="mt-2 grid grid-cols-[3rem_minmax(0,1fr)] gap-x-2 border-t border-base-300 pt-1"
          >
            <h3 className="pt-2">
              <Link className="link link-hover" to={`/bed/${bedId}`}>
                {rounds.bedOf(own[0]).label}
              </Link>
            </h3>
            <ul className="divide-y divide-base-300">
              {own.map((job) => (
                <JobRow key={job.id} job={job} rounds={rounds} />
              ))}
            </ul>
          </div>
        )
      })}
    </section>
  )
}
