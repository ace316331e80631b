import { findPurpose } from '../../core/choosing/purposes'
import type { Candidate, ChooseAnswer } from '../../core/choosing/types'
import { findSpecies } from '../../core/plants/catalogue'
import { Caution } from '../../parts/Caution'
import { Chance } from '../../parts/Chance'
import { dateSpreadText, datedText, dryMatter, nitrogen, shortDate, type Units } from '../../parts/format'
import { Swatch } from '../../parts/Swatch'
import { Why } from '../../parts/Why'

/** Covers that fit, best first, and those that do not, with the limit that stopped them. */
export function Answer({
  answer,
  onChoose,
  units,
}: {
  answer: ChooseAnswer
  onChoose: (candidate: Candidate) => void
  units: Units
}) {
  return (
    <>
      <h2>
        {answer.candidates.length > 0
          ? `${answer.candidates.length} fit this window`
          : 'Nothing fits this window'}
      </h2>
      {answer.candidates.length === 0 && (
        <p className="mt-1">
          Plant later, sow earlier, add a tool in the Garden room, or leave the bed under a sheet or mulch.
        </p>
      )}
      <ol className="mt-2 divide-y divide-base-300 border-y border-base-300" data-testid="candidates">
        {answer.candidates.map((candidate, rank) => (
          <CandidateRow
            key={candidate.speciesId}
            candidate={candidate}
            rank={rank + 1}
            onChoose={onChoose}
            units={units}
          />
        ))}
      </ol>
      {answer.rejections.length > 0 && (
        <>
          <h2 className="mt-6">Left out</h2>
          <ul className="mt-2 grid gap-x-8 gap-y-1.5 xl:grid-cols-2" data-testid="rejections">
            {answer.rejections.map((rejection) => {
              const plant = findSpecies(rejection.speciesId)!
              return (
                <li key={rejection.speciesId} className="grid grid-cols-[9.5rem_1fr] gap-3 text-[0.95rem]">
                  <span className="font-semibold">{plant.name}</span>
                  <span>{datedText(rejection.reason)}</span>
                </li>
              )
            })}
          </ul>
        </>
      )}
    </>
  )
}

function amountText(id: Candidate['purposes'][number]['id'], value: number, units: Units): string {
  const purpose = findPurpose(id)
  if (id === 'mass' || id === 'mulch') return dryMatter(value, units)
  if (id === 'feed' || id === 'hold') return nitrogen(value, units)
  return `${Math.round(value)}${purpose.unit ? ` ${purpose.unit}` : ''}`
}

function CandidateRow({
  candidate,
  rank,
  onChoose,
  units,
}: {
  candidate: Candidate
  rank: number
  onChoose: (candidate: Candidate) => void
  units: Units
}) {
  const plant = findSpecies(candidate.speciesId)!
  const { firstFlower } = candidate
  return (
    <li className="grid gap-x-5 gap-y-1 py-2.5 sm:grid-cols-[3.5rem_12rem_1fr_auto]">
      <div className="flex items-start gap-1 pt-1">
        <span className="quiet w-4 text-sm">{rank}</span>
        <Swatch groups={[plant.group]} size={1.5} />
      </div>
      <div>
        <h3>{plant.name}</h3>
        <p className="quiet text-sm">sow {shortDate(candidate.sowDay)}</p>
        <Chance share={candidate.chance} />
      </div>
      <div className="text-[0.95rem]">
        {candidate.purposes.map(({ id, amount }) => (
          <p key={id}>
            <strong>{amountText(id, amount.mid, units)}</strong> {findPurpose(id).measure}{' '}
            <span className="quiet">
              ({amountText(id, amount.low, units)} to {amountText(id, amount.high, units)})
            </span>
          </p>
        ))}
        <p>
          {datedText(candidate.reason)}
          {firstFlower.spread && firstFlower.chance > 0.5
            ? ` ${plant.group === 'grass' ? 'Pollen' : 'First flower'} ${dateSpreadText(firstFlower.spread)}.`
            : ''}
        </p>
        {candidate.cautions.map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        <Why>
          Grown from {shortDate(candidate.sowDay)} in a hundred seasons of this garden’s weather at the full
          broadcast rate. The chance is the share of seasons in which it covers 30 % of the ground and is
          dead, with your waiting time over, by the planting date. The rank weighs the first purpose 65, the
          second 35, and the chance. Growth parameters are mostly judgement; see docs/model.md.
        </Why>
      </div>
      <div className="self-start">
        <button
          className="btn btn-primary btn-sm"
          onClick={() => onChoose(candidate)}
          aria-label={`Choose ${plant.name}`}
        >
          Choose
        </button>
      </div>
    </li>
  )
}
