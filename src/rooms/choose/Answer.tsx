import { upperFirst } from 'es-toolkit/string'
import { useState } from 'react'
import type { Candidate, ChooseAnswer, LimitName, MixComponent } from '../../core/choosing/types'
import { findPurpose, type Purpose } from '../../core/choosing/purposes'
import { findSpecies, groupsOf } from '../../core/plants/catalogue'
import { Caution } from '../../parts/Caution'
import { Chance } from '../../parts/Chance'
import { cautionText } from '../../text/cautions'
import { heldText, endingText, reasonText, riskText } from '../../text/choosing'
import type { Told } from '../../text/amounts'
import { dateRangeText, shortDate, type Units, money } from '../../text/format'
import { seasonText } from '../../text/season'
import { Swatch } from '../../parts/Swatch'
import { Why } from '../../parts/Why'
import { CostAbove } from './CostAbove'
import type { LightWindow } from '../../core/choosing/lightWindows'
import { amountText, LIMIT_WORDS, mixText, tradeText } from './words'

/** `told`: how amounts of the ground asked for are told. */
type Money = { units: Units; told: Told; currency: string }
type Shared = Money & {
  /** The crop it would be sown under, with its light; null in the open. */
  light: LightWindow | null
  onChoose: (candidate: Candidate) => void
  onAdjust: (components: MixComponent[]) => void
}

/** Candidates shown before the rest is asked for. */
const SHOWN_FIRST = 10

/** Covers and mixes that fit, best first; `worth` says when a cover is usually sown in the bed. */
export function Answer({
  answer,
  final,
  worth,
  ...shared
}: { answer: ChooseAnswer; final: boolean; worth: string } & Shared) {
  const { candidates } = answer
  const [all, setAll] = useState(false)
  const byKey = new Map(candidates.map((candidate) => [candidate.key, candidate]))
  return (
    <>
      <h2>
        {candidates.length > 0
          ? `${candidates.length} fit this window`
          : final
            ? 'Nothing fits this window'
            : 'Nothing yet'}
      </h2>
      {candidates.length === 0 && final && (
        <p className="mt-1">
          {upperFirst(worth)}. Every cover left out can be tried all the same, with what would help. Or plant
          later, sow earlier, add a tool in the Shed, or take a limit off.
        </p>
      )}
      {candidates.length > 0 && (
        <ol
          className="mt-2 divide-y divide-base-300 border-y border-base-300"
          data-testid="candidates"
          data-help="candidates"
        >
          {candidates.slice(0, all ? undefined : SHOWN_FIRST).map((candidate, rank) => (
            <CandidateRow
              key={candidate.key}
              candidate={candidate}
              rank={rank + 1}
              next={candidate.againstNext ? (byKey.get(candidate.againstNext.key) ?? null) : null}
              {...shared}
            />
          ))}
        </ol>
      )}
      {candidates.length > SHOWN_FIRST && (
        <button className="btn btn-sm mt-2" onClick={() => setAll(!all)}>
          {all ? 'Show the best ten' : `Show all ${candidates.length}`}
        </button>
      )}
    </>
  )
}

/** Covers that do not fit, by the limit that stopped them. */
export function Rejections({
  rejections,
  ...shared
}: { rejections: ChooseAnswer['rejections'] } & Money & Pick<Shared, 'onAdjust'>) {
  const limits = [...new Set(rejections.map((rejection) => rejection.limit))]
  if (rejections.length === 0) return null
  return (
    <section aria-label="Left out" data-testid="rejections">
      <h2 className="mt-6">Left out</h2>
      {limits.map((limit) => (
        <LeftOut
          key={limit}
          limit={limit}
          rejections={rejections.filter((entry) => entry.limit === limit)}
          {...shared}
        />
      ))}
    </section>
  )
}

function LeftOut({
  limit,
  rejections,
  units,
  currency,
  onAdjust,
}: { limit: LimitName; rejections: ChooseAnswer['rejections'] } & Money & Pick<Shared, 'onAdjust'>) {
  return (
    <details className="mt-1.5" open={rejections.length <= 8}>
      <summary className="cursor-pointer font-semibold">
        {LIMIT_WORDS[limit]} <span className="quiet font-normal">{rejections.length}</span>
      </summary>
      <ul className="mt-1 grid gap-x-8 gap-y-1 xl:grid-cols-2">
        {rejections.map((rejection) => (
          <li key={rejection.key} className="grid grid-cols-[9.5rem_1fr] gap-3 text-[0.95rem]">
            <span className="font-semibold">{mixText(rejection.components)}</span>
            <span>
              {reasonText(rejection.reason, units, currency)}{' '}
              <button
                className="btn btn-ghost btn-xs"
                aria-label={`Try ${mixText(rejection.components)} anyway`}
                onClick={() => onAdjust(rejection.components)}
              >
                Try it
              </button>
            </span>
          </li>
        ))}
      </ul>
    </details>
  )
}

function CandidateRow({
  candidate,
  rank,
  next,
  told,
  currency,
  light,
  onChoose,
  onAdjust,
}: { candidate: Candidate; rank: number; next: Candidate | null } & Shared) {
  const { components, overSingle, againstNext } = candidate
  const name = mixText(components, false)
  return (
    <li
      className="grid gap-x-5 gap-y-1 py-2.5 sm:grid-cols-[3.5rem_12rem_1fr_auto]"
      data-mix={components.length > 1 || undefined}
    >
      <div className="flex items-start gap-1 pt-1">
        <span className="quiet w-5 text-sm">{rank}</span>
        <Swatch groups={groupsOf(components)} size={1.5} />
      </div>
      <div>
        <h3>{name}</h3>
        {components.length > 1 && (
          <p className="text-sm">
            {components
              .map(
                (component) =>
                  `${Math.round(component.share * 100)} % ${findSpecies(component.speciesId)?.shortName ?? ''}`,
              )
              .join(', ')}
            <span className="quiet"> of the full rate</span>
          </p>
        )}
        <Chance share={candidate.chance} />
        <p className="quiet text-sm">
          sow {shortDate(candidate.sowDay)},{' '}
          {candidate.covering === 'surface' ? 'left on the surface' : candidate.covering}; seed about{' '}
          {money(candidate.cost.mid, currency)}
        </p>
        {candidate.season && (
          <p className={candidate.season.word === 'unusual' ? 'text-sm font-semibold' : 'quiet text-sm'}>
            {seasonText(candidate.season)}
          </p>
        )}
      </div>
      <div className="min-w-0">
        <Amounts candidate={candidate} told={told} />
        <p>
          {endingText(candidate)} {heldText(candidate)}
          {candidate.firstFlower.quantiles && candidate.firstFlower.chance > 0.5
            ? ` ${findSpecies(components[0].speciesId)?.group === 'grass' ? 'Pollen' : 'First flower'} ${dateRangeText(candidate.firstFlower.quantiles)}.`
            : ''}{' '}
          {riskText(candidate)}
        </p>
        {light && <CostAbove candidate={candidate} light={light} />}
        {overSingle && (
          <p>
            {tradeText(
              overSingle,
              `${mixText([{ speciesId: overSingle.speciesId, share: 1 }]).toLowerCase()} alone`,
              told,
              currency,
            )}
          </p>
        )}
        {next && againstNext && (
          <p className="quiet">
            {tradeText(againstNext, `${mixText(next.components, false).toLowerCase()}, next`, told, currency)}
          </p>
        )}
        {[...new Set(candidate.cautions.map(cautionText))].map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        <WhyRanked candidate={candidate} />
      </div>
      <div className="flex flex-col items-stretch gap-1 self-start">
        <button
          className="btn btn-primary btn-sm"
          onClick={() => onChoose(candidate)}
          aria-label={`Choose ${name}`}
        >
          Choose
        </button>
        <button
          className="btn btn-ghost btn-xs"
          onClick={() => onAdjust(components)}
          aria-label={`Adjust ${name}`}
        >
          Adjust
        </button>
      </div>
    </li>
  )
}

/** Units of amounts that are counted on a day. */
const DATED: readonly Purpose['unit'][] = ['dry matter', 'nitrogen', 'fresh']

export function Amounts({ candidate, told }: { candidate: Candidate; told: Told }) {
  return candidate.purposes.map(({ id, amount }) => (
    <p key={id}>
      <strong>{amountText(id, amount.p50, told)}</strong> {findPurpose(id).measure}
      {DATED.includes(findPurpose(id).unit) && ` by ${shortDate(candidate.countedOn)}`}{' '}
      <span className="quiet">
        ({amountText(id, amount.p10, told)} to {amountText(id, amount.p90, told)})
      </span>
    </p>
  ))
}

function WhyRanked({ candidate }: { candidate: Candidate }) {
  return (
    <Why>
      Grown from {shortDate(candidate.sowDay)} in {candidate.members} seasons of this garden’s weather at
      broadcast rates. The chance is the share in which every step succeeds on its day: the ground can be
      worked, it covers 30 % of it ({Math.round(candidate.established * 100)} %), the end can be done and is
      dead in time, and every gate before planting is open. The rank weighs the purposes 50, 30 and 20, then
      the chance that the cover and its end decide ({Math.round(candidate.worth * 100)} %); each species
      beyond the first costs a little, bare days up to a third, and a day that is possible and not the usual
      one an eighth. What is unusual stands below all others.{' '}
      {candidate.purposes.map(({ id }) => `${findPurpose(id).name}: ${findPurpose(id).from}. `).join('')}
      Growth parameters are mostly judgement; see docs/model.md. Prices are rough.
    </Why>
  )
}
