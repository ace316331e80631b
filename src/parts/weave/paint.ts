import { isWoven, MIX_STRIPE_PICKS, threadEnd, WEFT, type Band } from './cloth'
import { MOTIFS, motifCell } from './motifs'
import type { Rgb, Yarns } from './palette'

/** One bed's strip of cloth: its bands, and the days its rows stand for. */
export type Strip = { bands: readonly Band[]; firstDay: number; days: number; today: number }

/** Width of a warp thread on screen, px. */
const THREAD_PX = 3
const PICKS_PER_WEEK = 4

/** Slow drift of a dye lot along the yarn, −1 to 1: neighbouring picks differ a little, as hand-dyed wool does. */
const abrash = (pick: number, salt: number) =>
  Math.sin(pick * 0.35 + salt * 1.7) * 0.5 + Math.sin(pick * 0.13 + salt) * 0.5

/** How much lighter the future is woven. */
const FUTURE_FADE = { crop: 0.3, other: 0.42 }

/** A band as one pick of it is woven: what all its threads share. */
type WovenBand = {
  band: Band
  /** The day each thread lets go of it. */
  ends: Float64Array
  /** Threads it lies on: from the first up to the last. */
  from: number
  upTo: number
  woven: boolean
  straw: boolean
}

const BARE = { weft: WEFT.bare as number, color: null as Rgb | null }

/** What lies in a cell of the cloth, and its colour; ground where that is null. */
function cellOf(woven: WovenBand | null, yarns: Yarns, thread: number, pick: number): typeof BARE {
  if (!woven) return BARE
  const { band } = woven
  if (band.kind === 'crop') return { weft: WEFT.crop, color: pick % 4 === 3 ? yarns.cropRib : yarns.crop }
  if (band.kind === 'sheet')
    return { weft: WEFT.sheet, color: (thread + pick) % 5 < 2 ? yarns.sheetRib : yarns.sheet }
  // Pens leave their round of tracks: pairs of short dark picks on the grazed ground.
  if (band.kind === 'animals' && pick % 3 === 0 && (thread + pick) % 4 < 2)
    return { weft: WEFT.animals, color: yarns.crop }
  if (woven.woven) {
    const group = band.groups[Math.floor(pick / MIX_STRIPE_PICKS) % band.groups.length]
    const yarn = yarns.groups[group]
    const mark = motifCell(MOTIFS[group], thread, pick)
    return { weft: WEFT.motif, color: mark === 1 ? yarn.main : mark === 2 ? yarn.accent : yarn.ground }
  }
  return woven.straw && (thread * 7 + pick * 3) % 5 < 3 ? { weft: WEFT.residue, color: yarns.residue } : BARE
}

/** Colours and light of one pick, thread by thread. */
type PickRow = {
  red: Float64Array
  green: Float64Array
  blue: Float64Array
  /** Light in the middle of the yarn, and how much of it is lost towards its edges; 1 and 0 on bare ground. */
  light: Float64Array
  round: Float64Array
  bare: Uint8Array
}

const pickRow = (threads: number): PickRow => ({
  red: new Float64Array(threads),
  green: new Float64Array(threads),
  blue: new Float64Array(threads),
  light: new Float64Array(threads),
  round: new Float64Array(threads),
  bare: new Uint8Array(threads),
})

/** The bands that may lie in a pick, the uppermost last. */
function bandsIn(
  strip: Strip,
  ends: readonly Float64Array[],
  threads: number,
  day: number,
  pick: number,
): WovenBand[] {
  return strip.bands.flatMap((band, i) => {
    if (day < band.startDay || day >= Math.max(band.end.p10, band.end.p90)) return []
    const green = band.kind === 'cover' || band.kind === 'animals'
    return [
      {
        band,
        ends: ends[i],
        from: Math.round(band.across[0] * threads),
        upTo: Math.round(band.across[1] * threads),
        woven: green && isWoven(band.cover(day), pick),
        straw: green && isWoven(band.residue(day) * 0.8, pick + 3),
      },
    ]
  })
}

/** Whether a band puts a weft into a pick: of two, one sown under the other, the upper shows where the lower is not green yet. */
const shows = ({ band, woven, straw }: WovenBand) =>
  woven || straw || (band.kind !== 'cover' && band.kind !== 'animals')

function weavePick(row: PickRow, strip: Strip, ends: readonly Float64Array[], yarns: Yarns, pick: number) {
  const day = strip.firstDay + ((pick + 0.5) * 7) / PICKS_PER_WEEK
  const bands = bandsIn(strip, ends, row.bare.length, day, pick)
  const future = day >= strip.today
  const { ground } = yarns
  for (let thread = 0; thread < row.bare.length; thread++) {
    let top: WovenBand | null = null
    for (const woven of bands)
      if (thread >= woven.from && thread < woven.upTo && day < woven.ends[thread])
        if (top === null || shows(woven) || !shows(top)) top = woven
    const { weft, color } = cellOf(top, yarns, thread, pick)
    const yarn = color ?? ground
    const fade = !future || color === null ? 0 : weft === WEFT.crop ? FUTURE_FADE.crop : FUTURE_FADE.other
    const over = (thread + pick) % 2 === 0
    row.red[thread] = yarn[0] + (ground[0] - yarn[0]) * fade
    row.green[thread] = yarn[1] + (ground[1] - yarn[1]) * fade
    row.blue[thread] = yarn[2] + (ground[2] - yarn[2]) * fade
    // A rounded yarn that goes over and under in turn.
    row.light[thread] = color ? 1.05 - (over ? 0 : 0.045) + 0.035 * abrash(pick, thread >> 3) : 1
    row.round[thread] = color ? 0.42 * (over ? 0.7 : 1.5) : 0
    row.bare[thread] = color ? 0 : 1
  }
}

/** A pixel as canvases keep it, in the byte order of all machines that browsers run on: red first. */
const pixel = (red: number, green: number, blue: number) =>
  0xff000000 | (byte(blue) << 16) | (byte(green) << 8) | byte(red)
const byte = (value: number) => (value >= 254.5 ? 255 : (value + 0.5) | 0)

/**
 * Paints a strip into pixels, thread by thread: bare ground shows its warp, woven picks are rounded like yarn and
 * go over and under in turn. `scale` is device pixels per CSS pixel.
 */
export function paintStrip(image: ImageData, strip: Strip, yarns: Yarns, scale: number): void {
  const { width, height } = image
  const pixels = new Uint32Array(image.data.buffer, image.data.byteOffset, width * height)
  const warp = pixel(...yarns.warp)
  const threadPx = THREAD_PX * scale
  const threads = Math.ceil(width / threadPx)
  const picks = Math.max(1, Math.round((strip.days / 7) * PICKS_PER_WEEK))
  const pickPx = height / picks
  const ends = strip.bands.map(({ end }, i) =>
    Float64Array.from({ length: threads }, (_, thread) => threadEnd(end, thread, i)),
  )
  const row = pickRow(threads)
  let pickOfRow = -1
  for (let y = 0; y < height; y++) {
    const pick = Math.min(picks - 1, Math.floor(y / pickPx))
    if (pick !== pickOfRow) weavePick(row, strip, ends, yarns, pick)
    pickOfRow = pick
    const across = (y - pick * pickPx) / pickPx - 0.5
    const edge = across * across
    const start = y * width
    for (let thread = 0; thread < threads; thread++) {
      const light = row.light[thread] - row.round[thread] * edge
      const yarn = pixel(row.red[thread] * light, row.green[thread] * light, row.blue[thread] * light)
      const left = thread * threadPx
      const right = Math.min(width, Math.ceil(left + threadPx))
      const warpUntil = row.bare[thread] && thread % 2 === 0 ? left + 0.4 * threadPx : -1
      for (let x = Math.ceil(left); x < right; x++) pixels[start + x] = x < warpUntil ? warp : yarn
    }
  }
}
