import { useState, type ReactNode } from 'react'
import type { Stand } from '../../core/garden/schema'
import type { Following } from '../../core/portrait/following'
import type { Portrait } from '../../core/portrait/portrait'
import { lastDayOf, sceneOn } from '../../core/portrait/scene'
import type { Told } from '../../text/amounts'
import { longDate } from '../../text/format'
import { leadGroup } from '../../text/names'
import { sceneLine } from '../../text/scene'
import { BedPicture } from './BedPicture'
import { DayStrip } from './DayStrip'
import { dayTitle, namedDays, type NamedDay } from './days'

export type Pictured = { portrait: Portrait; stand: Stand; following: Following | null }

/** The day with the most growth. */
const fullestDay = ({ massG, startDay }: Portrait): number =>
  startDay + massG.p50.indexOf(Math.max(...massG.p50))

/** A stand's bed on a day that is chosen below it. `opens` is the day it opens on, where the stand has it. */
export function DayPicture({
  of,
  opens,
  tallestM,
  told,
  today,
  label,
  children,
}: {
  of: Pictured
  opens: NamedDay['id']
  tallestM: number
  told: Told
  today: number
  /** What tells this picture from the one beside it. */
  label: string
  children?: ReactNode
}) {
  const { portrait, stand, following } = of
  const [asked, setAsked] = useState<number | null>(null)
  const named = namedDays(stand, following, today, portrait)
  const within = (day: number) => Math.min(lastDayOf(portrait), Math.max(portrait.startDay, day))
  const day = within(
    asked ?? named.find(({ id }) => id === opens)?.day ?? named.at(-1)?.day ?? fullestDay(portrait),
  )
  const scene = sceneOn(portrait, stand, following, day)
  if (!scene) return null
  const title = dayTitle(day, stand, following, today)
  const line = sceneLine(scene, told)
  return (
    <figure className="min-w-0" data-testid="bed-picture" data-help="bed-picture" data-day={day}>
      <figcaption>
        {children}
        <h2 className="text-lg">{title}</h2>
        <p className="quiet lg:min-h-12" data-testid="bed-picture-line">
          {line}
        </p>
      </figcaption>
      <BedPicture scene={scene} tallestM={tallestM} told={told} seed={stand.id} />
      <DayStrip
        portrait={portrait}
        group={leadGroup(stand)}
        day={day}
        label={`Day of the picture, ${label}`}
        words={`${longDate(day)}: ${line}`}
        marks={named.map((mark) => mark.day)}
        onDay={setAsked}
      />
      <div className="no-print mt-1 flex flex-wrap gap-1">
        {named.map((choice) => (
          <button
            key={choice.id}
            type="button"
            className="btn btn-sm"
            aria-pressed={choice.day === day}
            onClick={() => setAsked(choice.day)}
          >
            {choice.name}
          </button>
        ))}
      </div>
    </figure>
  )
}
