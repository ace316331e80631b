import { AmountsSwitch } from '../../parts/AmountsSwitch'
import { useTold } from '../../state/useTold'
import { useMemo, useRef } from 'react'
import { nextSowing } from '../../core/choosing/nextSowing'
import { nextSowingText } from '../../text/season'
import { dayNumber } from '../../core/foundations/day'
import type { Bed, Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { DraftOffer } from '../../parts/DraftOffer'
import type { BedWindow } from '../../core/garden/windows'
import type { LightBy, LightWindow } from '../../core/choosing/lightWindows'
import type { MixComponent } from '../../core/choosing/types'
import { segmentAreaM2 } from '../../core/garden/area'
import { SPECIES } from '../../core/plants/catalogue'
import { findCrop } from '../../core/plants/crops'
import { area, betweenText, longDate } from '../../text/format'
import { standName } from '../../text/names'
import { Waiting } from '../../parts/Waiting'
import { useGarden } from '../../state/garden'
import { Answer, Rejections } from './Answer'
import { CandidateLine } from './CandidateLine'
import { candidateTried } from './candidateTried'
import { LastWeeding } from './LastWeeding'
import { OwnMix } from './OwnMix'
import { Question } from './Question'
import { QuickCrops } from './QuickCrops'
import { segmentFrom } from '../../parts/ground/groundForm'
import { StandsAgain, useCutOver } from '../../parts/CutOver'
import { SowInto } from '../../parts/SowInto'
import { useChoose } from './useChoose'
import { useOwnMix } from './useOwnMix'

/** Choosing a cover for one bed: the window on the left, what fits it on the right. */
export function ChooseBed({ bed, day, underId }: { bed: Bed; day: number; underId: string | null }) {
  const { data, today } = useGarden()
  const { garden } = data
  const { window, light, into, cutDay, next, form, answer, choose, choice, args } = useChoose(
    bed,
    day,
    underId,
  )
  const nothingFits = answer.value && answer.value.candidates.length === 0 ? answer.value.rejections : null
  const own = useOwnMix(args, nothingFits)
  const ownHeading = useRef<HTMLHeadingElement>(null)
  const segment = form.value && segmentFrom(form.value, bed)
  const told = useTold(bed, segment ?? undefined)
  const shown = answer.value ?? answer.soFar
  const best = shown?.candidates[0]
  const adjust = (components: MixComponent[]) => {
    own.setComponents(components)
    ownHeading.current?.focus()
  }
  const asked = args?.[1]
  const worth = useMemo(() => {
    if (!asked) return ''
    const from = Math.max(asked.today, asked.freeFromDay)
    const wanted = asked.follows.kind === 'nothing' ? null : asked.follows.day
    return nextSowingText(nextSowing(garden.site, bed.soil, from, wanted), today, wanted)
  }, [asked, garden.site, bed.soil, today])
  const nextName = next
    ? next.content.kind === 'crop'
      ? (findCrop(next.content.cropId)?.name.toLowerCase() ?? '')
      : 'the next cover'
    : null
  return (
    <section className="py-3">
      <h1>
        Choose a cover for {bed.label}{' '}
        <span className="quiet font-sans text-base font-normal">
          {segment ? area(segmentAreaM2(bed, segment), garden.units) : ''}
        </span>
      </h1>
      <AmountsSwitch units={garden.units} />
      <p className="mt-1">
        {into
          ? `Into ${standName(into.above).toLowerCase()}, which is cut over the seed the day it is sown.`
          : light
            ? lightText(light)
            : window
              ? windowText(window, today, nextName)
              : 'This bed is not bare then. You can still ask what would fit.'}
      </p>
      {into && cutDay !== null && <WhetherItEnds above={into.above} day={cutDay} />}
      {!light && !window && <SowInto bed={bed} />}
      {light?.crop && light.lastWeedingDay !== null && (
        <LastWeeding crop={light.crop} plantedDay={dayNumber(latest(light.above.start)!.date)} />
      )}
      {args && choice && (
        <CandidateLine
          tried={own.components.length > 0 ? own.shown : best ? candidateTried(best) : null}
          choice={choice}
          question={args[1]}
          running={own.components.length > 0 ? own.current === null : answer.running}
          failed={(own.components.length > 0 ? own.answer : answer).error !== null}
        />
      )}
      <DraftOffer offer={form.offer} />
      <div className="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
        <Question bed={bed} garden={garden} under={light !== null} form={form} />
        <div className="min-w-0">
          <Waiting
            what={`Growing ${SPECIES.length} covers and their mixes through two hundred seasons`}
            running={answer.running}
            progress={answer.progress}
            error={answer.error}
            onCancel={answer.cancel}
            onRetry={answer.retry}
          />
          {!args && <p>Complete the window to see what fits it.</p>}
          {shown && (
            <Answer
              answer={shown}
              final={answer.value !== undefined}
              worth={worth}
              units={garden.units}
              told={told}
              currency={garden.currency}
              light={light}
              onChoose={choose}
              onAdjust={adjust}
            />
          )}
          {args && (
            <OwnMix
              heading={ownHeading}
              own={own}
              question={args[1]}
              units={garden.units}
              told={told}
              currency={garden.currency}
              onChoose={choose}
            />
          )}
          {args && <QuickCrops args={args} />}
          {shown && (
            <Rejections
              rejections={shown.rejections}
              units={garden.units}
              told={told}
              currency={garden.currency}
              onAdjust={adjust}
            />
          )}
        </div>
      </div>
    </section>
  )
}

function WhetherItEnds({ above, day }: { above: Stand; day: number }) {
  return (
    <p>
      <StandsAgain above={above} cut={useCutOver(above, day, false)} />
    </p>
  )
}

function windowText(window: BedWindow, today: number, next: string | null): string {
  const from = window.freeFromDay <= today ? 'Bare now' : `Bare from ${longDate(window.freeFromDay)}`
  if (!window.nextStandId) return `${from}; nothing is planned after it.`
  const weeks = Math.round((window.neededByDay - Math.max(today, window.freeFromDay)) / 7)
  return `${from}, for ${weeks} weeks, until ${next} on ${longDate(window.neededByDay)}.`
}

const RETURNS: Record<LightBy, string> = {
  harvest: 'as it is harvested',
  thinning: 'as it thins',
  frost: 'with frost or clearing',
  cut: 'as it is cut over the seed',
  cold: 'as cold ends it',
  heat: 'as heat ends it',
}

function lightText({ above, sowFromDay, sowUntilDay, lightDay, by, recoveredWeeks }: LightWindow): string {
  return `Under ${standName(above).toLowerCase()}: sow ${betweenText(sowFromDay, sowUntilDay)}; light returns about ${longDate(lightDay)}, ${RETURNS[by]}; ${recoveredWeeks} bare weeks recovered.`
}
