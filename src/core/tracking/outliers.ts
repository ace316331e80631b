import { dayNumber } from '../foundations/day'
import type { Check } from '../garden/check'
import { bandOn, type StandForecast } from '../season/standForecast'
import type { Bands } from '../stand/summary'
import { OBSERVATION_ERROR, sampleMass } from './observations'

/** Something of a check that does not fit: what was seen against what was known. */
export type Outlier =
  | { kind: 'cover' | 'height' | 'mass' | 'stage'; seen: number; low: number; high: number }
  /** The stage went back, or the cover fell, since an earlier check without a cut or damage. */
  | { kind: 'stage back' | 'cover fell'; seen: number; before: number; on: string }

/** A look this many standard deviations off is asked about. */
const ASKED_ABOUT = 2.6
/** Width of a 10–90 % range in standard deviations. */
const RANGE_SDS = 2.56
/** Stage and cover may go back this much between two looks by eye. */
const STAGE_SLACK = 9
const COVER_SLACK = 0.25

function against(
  kind: 'cover' | 'height' | 'mass' | 'stage',
  seen: number | null,
  bands: Bands | undefined,
  day: number,
  error: number,
): Outlier[] {
  const band = seen === null || !bands ? null : bandOn(bands, day)
  if (seen === null || !band) return []
  const spread = Math.hypot((band.p90 - band.p10) / RANGE_SDS, error)
  return Math.abs(seen - band.p50) > ASKED_ABOUT * spread
    ? [{ kind, seen, low: band.p10, high: band.p90 }]
    : []
}

/**
 * What of a check contradicts the forecast made without it, or the check before it. Empty when all fits.
 * `cutSince`: whether the stand was cut between the two.
 */
export function outliersOf(
  check: Check,
  forecast: StandForecast | null,
  earlier: readonly Check[],
  cutSince: (date: string) => boolean,
): Outlier[] {
  const day = dayNumber(check.date)
  const mass = check.sample && sampleMass(check.sample)
  const height = check.heightCm === null ? null : check.heightCm / 100
  const doubts = [
    ...against(
      'cover',
      check.cover === null ? null : Math.max(0, check.cover - (check.weeds?.cover ?? 0)),
      forecast?.cover,
      day,
      OBSERVATION_ERROR.cover,
    ),
    ...against('stage', check.stageOf ? null : check.stageBbch, forecast?.bbch, day, OBSERVATION_ERROR.bbch),
    ...against(
      'height',
      height,
      forecast?.heightM,
      day,
      OBSERVATION_ERROR.heightM + OBSERVATION_ERROR.heightShare * (height ?? 0),
    ),
    ...against(
      'mass',
      mass?.massG ?? null,
      forecast?.massG,
      day,
      (mass?.massG ?? 0) * (mass?.error ?? 0) + 20,
    ),
  ]
  const last = earlier
    .filter(
      (other) => other.id !== check.id && !other.setAside && other.date < check.date && !cutSince(other.date),
    )
    .sort((a, b) => b.date.localeCompare(a.date))
  const staged = last.find((other) => other.stageBbch !== null && other.stageOf === check.stageOf)
  if (staged && check.stageBbch !== null && check.stageBbch < staged.stageBbch! - STAGE_SLACK)
    doubts.push({ kind: 'stage back', seen: check.stageBbch, before: staged.stageBbch!, on: staged.date })
  const covered = last.find((other) => other.cover !== null)
  const hurt = check.damage.length > 0
  const ripening = (check.stageBbch ?? bandOn(forecast?.bbch ?? NO_BANDS, day)?.p50 ?? 0) >= 71
  if (covered && check.cover !== null && !hurt && !ripening && check.cover < covered.cover! - COVER_SLACK)
    doubts.push({ kind: 'cover fell', seen: check.cover, before: covered.cover!, on: covered.date })
  return doubts
}

const NO_BANDS: Bands = { startDay: 0, stepDays: 1, p10: [], p50: [], p90: [] }
