import type { PlantGroup } from '../../core/plants/parameters'

export type Rgb = readonly [number, number, number]

/** Yarns of wool and plant dyes; one set on light wool, one on dark. */
export type Yarns = {
  /** What shows between open threads. */
  ground: Rgb
  warp: Rgb
  crop: Rgb
  cropRib: Rgb
  residue: Rgb
  sheet: Rgb
  sheetRib: Rgb
  groups: Record<PlantGroup, { main: Rgb; ground: Rgb; accent: Rgb }>
}

export const LIGHT_YARNS: Yarns = {
  ground: [238, 229, 211],
  warp: [205, 192, 166],
  crop: [219, 203, 174],
  cropRib: [205, 187, 155],
  residue: [166, 131, 74],
  sheet: [78, 70, 66],
  sheetRib: [112, 102, 95],
  groups: {
    grass: { main: [44, 68, 108], ground: [226, 218, 200], accent: [112, 141, 170] },
    legume: { main: [158, 48, 36], ground: [240, 228, 206], accent: [94, 34, 38] },
    broadleaf: { main: [203, 156, 41], ground: [244, 232, 203], accent: [92, 62, 38] },
  },
}

export const DARK_YARNS: Yarns = {
  ground: [38, 31, 27],
  warp: [78, 66, 56],
  crop: [92, 79, 65],
  cropRib: [78, 66, 54],
  residue: [150, 118, 66],
  sheet: [13, 12, 12],
  sheetRib: [56, 51, 48],
  groups: {
    grass: { main: [86, 120, 172], ground: [36, 40, 52], accent: [164, 189, 216] },
    legume: { main: [190, 76, 58], ground: [52, 28, 24], accent: [242, 200, 172] },
    broadleaf: { main: [204, 160, 56], ground: [54, 40, 20], accent: [250, 226, 160] },
  },
}
