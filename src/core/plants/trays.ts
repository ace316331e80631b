/** Weeks from sowing a tray to planting out, and days that the plants can wait past it before they are pot-bound. */
export type Tray = { weeks: number; waitsDays: number }

/** By crop, for middling plugs (extension; weeks ± 1, days ± a third). Crops grown from tubers, cloves, slips or bought plants have none. */
const TRAYS: Readonly<Record<string, Tray>> = {
  tomato: { weeks: 7, waitsDays: 14 },
  pepper: { weeks: 9, waitsDays: 14 },
  aubergine: { weeks: 8, waitsDays: 14 },
  tomatillo: { weeks: 5, waitsDays: 10 },
  squash: { weeks: 3, waitsDays: 7 },
  pumpkin: { weeks: 3, waitsDays: 7 },
  cucumber: { weeks: 3, waitsDays: 7 },
  courgette: { weeks: 3, waitsDays: 7 },
  melon: { weeks: 4, waitsDays: 7 },
  cabbage: { weeks: 5, waitsDays: 14 },
  broccoli: { weeks: 5, waitsDays: 10 },
  cauliflower: { weeks: 5, waitsDays: 7 },
  kale: { weeks: 5, waitsDays: 14 },
  'brussels-sprouts': { weeks: 6, waitsDays: 14 },
  kohlrabi: { weeks: 4, waitsDays: 10 },
  'pak-choi': { weeks: 4, waitsDays: 7 },
  leek: { weeks: 10, waitsDays: 28 },
  onion: { weeks: 9, waitsDays: 21 },
  lettuce: { weeks: 4, waitsDays: 10 },
  endive: { weeks: 5, waitsDays: 10 },
  radicchio: { weeks: 5, waitsDays: 10 },
  artichoke: { weeks: 9, waitsDays: 21 },
  celery: { weeks: 10, waitsDays: 14 },
  celeriac: { weeks: 10, waitsDays: 14 },
  fennel: { weeks: 4, waitsDays: 7 },
  basil: { weeks: 6, waitsDays: 14 },
}

/** The tray of a crop that is raised in one; null for the others. */
export const trayOf = (cropId: string): Tray | null => TRAYS[cropId] ?? null
