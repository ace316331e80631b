import { isWoven, MIX_STRIPE_PICKS, threadEnd, WEFT, type Band } from './cloth'
import { MOTIFS, motifCell } from './motifs'
import type { Rgb, Yarns } from './palette'

/** One bed's strip of cloth: its bands, and the days its rows stand for. */
export type Strip = { bands: readonly Band[]; firstDay: number; days: number; today: number }

/** Width of a warp thread on screen, px. */
const THREAD_PX = 3
const PICKS_PER_WEEK = 4

type Cell = { weft: number; color: Rgb; future: boolean }

const mixed = (a: Rgb, b: Rgb, share: number): Rgb => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
]

/** Slow drift of a dye lot along the yarn, −1 to 1: neighbouring picks differ a little, as hand-dyed wool does. */
const abrash = (pick: number, salt: number) =>
  Math.sin(pick * 0.35 + salt * 1.7) * 0.5 + Math.sin(pick * 0.13 + salt) * 0.5

function bandAt(bands: readonly Band[], thread: number, day: number): Band | null {
  let found: Band | null = null
  for (let i = 0; i < bands.length; i++) {
    const band = bands[i]
    if (day >= band.startDay && day < threadEnd(band.end, thread, i)) found = band
  }
  return found
}

function cellOf(strip: Strip, yarns: Yarns, thread: number, pick: number): Cell {
  const day = strip.firstDay + ((pick + 0.5) * 7) / PICKS_PER_WEEK
  const band = bandAt(strip.bands, thread, day)
  const future = day >= strip.today
  if (!band) return { weft: WEFT.bare, color: yarns.ground, future }
  if (band.kind === 'crop')
    return { weft: WEFT.crop, color: pick % 4 === 3 ? yarns.cropRib : yarns.crop, future }
  if (band.kind === 'sheet')
    return { weft: WEFT.sheet, color: (thread + pick) % 5 < 2 ? yarns.sheetRib : yarns.sheet, future }
  // Pens leave their round of tracks: pairs of short dark picks on the grazed ground.
  if (band.kind === 'animals' && pick % 3 === 0 && (thread + pick) % 4 < 2)
    return { weft: WEFT.animals, color: yarns.crop, future }
  if (isWoven(band.cover(day), pick)) {
    const group = band.groups[Math.floor(pick / MIX_STRIPE_PICKS) % band.groups.length]
    const yarn = yarns.groups[group]
    const mark = motifCell(MOTIFS[group], thread, pick)
    return {
      weft: WEFT.motif,
      color: mark === 1 ? yarn.main : mark === 2 ? yarn.accent : yarn.ground,
      future,
    }
  }
  const straw = isWoven(band.residue(day) * 0.8, pick + 3) && (thread * 7 + pick * 3) % 5 < 3
  return straw
    ? { weft: WEFT.residue, color: yarns.residue, future }
    : { weft: WEFT.bare, color: yarns.ground, future }
}

/** How much lighter the future is woven. */
const FUTURE_FADE = { crop: 0.3, other: 0.42 }

/** Light on a rounded yarn that goes over and under in turn: `across` is −0.5 to 0.5 over the pick. */
function yarnLight(across: number, over: boolean, pick: number, thread: number): number {
  const round = 0.42 * across * across * (over ? 0.7 : 1.5)
  return 1.05 - round - (over ? 0 : 0.045) + 0.035 * abrash(pick, thread >> 3)
}

/**
 * Paints a strip into pixels, thread by thread: bare ground shows its warp, woven picks are rounded like yarn and
 * go over and under in turn. `scale` is device pixels per CSS pixel.
 */
export function paintStrip(image: ImageData, strip: Strip, yarns: Yarns, scale: number): void {
  const { width, height, data } = image
  const threadPx = THREAD_PX * scale
  const picks = Math.max(1, Math.round((strip.days / 7) * PICKS_PER_WEEK))
  const pickPx = height / picks
  const row: Cell[] = new Array(Math.ceil(width / threadPx))
  let pickOfRow = -1
  for (let y = 0; y < height; y++) {
    const pick = Math.min(picks - 1, Math.floor(y / pickPx))
    if (pick !== pickOfRow) {
      for (let thread = 0; thread < row.length; thread++) row[thread] = cellOf(strip, yarns, thread, pick)
      pickOfRow = pick
    }
    const across = (y - pick * pickPx) / pickPx - 0.5
    for (let x = 0; x < width; x++) {
      const thread = Math.floor(x / threadPx)
      const cell = row[thread]
      let color = cell.color
      let light = 1
      if (cell.weft === WEFT.bare) {
        if (thread % 2 === 0 && x - thread * threadPx < 0.4 * threadPx) color = yarns.warp
      } else {
        light = yarnLight(across, (thread + pick) % 2 === 0, pick, thread)
        if (cell.future)
          color = mixed(color, yarns.ground, cell.weft === WEFT.crop ? FUTURE_FADE.crop : FUTURE_FADE.other)
      }
      const at = (y * width + x) * 4
      data[at] = Math.min(255, color[0] * light)
      data[at + 1] = Math.min(255, color[1] * light)
      data[at + 2] = Math.min(255, color[2] * light)
      data[at + 3] = 255
    }
  }
}
