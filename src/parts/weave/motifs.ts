import type { PlantGroup } from '../../core/plants/parameters'

/** A woven tile: rows of thread colours, `.` ground, `#` main, `o` accent. Repeats in both directions. */
export type Motif = { width: number; height: number; cells: Uint8Array }

function tile(rows: string[]): Motif {
  const width = rows[0].length
  const cells = Uint8Array.from(
    rows
      .join('')
      .split('')
      .map((mark) => (mark === '#' ? 1 : mark === 'o' ? 2 : 0)),
  )
  return { width, height: rows.length, cells }
}

/** Grasses: standing blades that lean and meet, like rows of leaves. */
const grass = tile([
  '#.########.#',
  '##.######.##',
  '.##.####.##.',
  'o.##.##.##.o',
  '#o.##..##.o#',
  '##o.####.o##',
  '###o.##.o###',
  '####o..o####',
  '#####oo#####',
  '############',
])

/** Legumes: stepped lozenges with an eye, like a flower head. */
const legume = tile([
  '######..######',
  '#####....#####',
  '####..oo..####',
  '###..oooo..###',
  '##..oo##oo..##',
  '#..oo####oo..#',
  '#..oo####oo..#',
  '##..oo##oo..##',
  '###..oooo..###',
  '####..oo..####',
  '#####....#####',
  '######..######',
])

/** Broadleaves: a stepped key that runs across, like a branching stem. */
const broadleaf = tile([
  '############',
  'oooooo##....',
  '####oo##..##',
  '####oo##..##',
  '##oooo##....',
  '##oo######..',
  '##oo######..',
  '##oooooo##..',
  '############',
  '..##########',
])

export const MOTIFS: Record<PlantGroup, Motif> = { grass, legume, broadleaf }

export const motifCell = (motif: Motif, thread: number, pick: number) =>
  motif.cells[(pick % motif.height) * motif.width + (thread % motif.width)]
