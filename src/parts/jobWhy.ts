import type { JobKind } from '../core/rounds/jobs'

/** What happens if a job is left undone, in a grower's words. */
const IF_NOT: Record<Exclude<JobKind, 'look'>, string> = {
  sow: 'each week later is a week less of growth, and more bare ground',
  'self-sown': 'nobody knows whether a stand comes, and the bed may lie bare',
  moist: 'seed that sprouted and dries out dies',
  emergence: 'a failed sowing is seen when it is too late to sow again',
  window: 'the days on which it dies of one cut go by unseen',
  seed: 'it sows itself, and comes back for years',
  cut: 'it flowers and seeds, and the acts after it come too late',
  end: 'it grows on, harder to end, and the planting waits',
  sheet: 'nobody knows whether it is dead when the bed is wanted',
  regrowth: 'a few that stand again are many in a month, and your table learns nothing',
  clear: 'the next in this bed waits',
  plant: 'the bed stands open, and the crop is later',
  tray: 'there are no plants on the planting day',
  frost: 'what is tender is lost in a night',
  dry: 'the stand comes up thin',
  decide: 'weeds take the gaps',
  move: 'they graze to the ground, and the ground packs',
  strip: 'the strips ripen unevenly',
  lay: 'the weeds grow on, and its weeks are missing before the planting',
  'half time': 'dry ground under it warms less, and weeds outlast it',
  mulch: 'weeds come up, and the ground dries',
  lift: 'what is planned next cannot begin, and the sheet is missing elsewhere',
}

/** Null for a look: what it says of itself says that too. */
export const ifNotDone = (kind: JobKind): string | null => (kind === 'look' ? null : IF_NOT[kind])
