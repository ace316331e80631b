import { describe, expect, test } from '@jest/globals'
import { photograph } from '../testing/scenes/render'
import { isSealed, readingsHold, readScene, SCENES } from '../testing/scenes/readings'
import type { SceneWish } from '../testing/scenes/scene'
import { isFlat, ontoFrame, WHOLE_PICTURE, type Frame } from './frame'
import { automaticThreshold, greenCover, greenness } from './greenCover'
import { pictureHeader } from './header'
import { madePicture } from './made'
import { oklab } from './oklab'

const SIZE = 128
const scene = (own: Partial<SceneWish>): SceneWish => ({
  foliage: 'rosettes',
  plants: 6,
  ground: 'soil',
  light: 'overcast',
  glossy: false,
  objects: [],
  seed: 4,
  ...own,
})

describe('green cover of a picture', () => {
  test('made photographs of every kind: near enough, and mostly within twice the error given', () => {
    const some = SCENES.filter((_, number) => !isSealed(number) && number % 57 === 0)
    const { near, inside } = readingsHold(some.map(readScene))
    expect(some.length).toBeGreaterThan(2)
    expect(near).toBeGreaterThan(0.8)
    expect(inside).toBeGreaterThan(0.8)
  })
  test('a closed canopy in hard noon sun is not called half bare for its shadows', () => {
    const { truth, read } = readScene(scene({ plants: 30, light: 'noon sun', glossy: true }))
    expect(truth).toBeGreaterThan(0.85)
    expect(Math.abs(read - truth)).toBeLessThan(0.1)
  })
  test('boards and hands are neither plant nor bare ground', () => {
    for (const objects of [['board'], ['hand']] as const) {
      const photo = photograph(scene({ objects }))
      const { grid, cover } = greenCover(photo, WHOLE_PICTURE)
      const left = grid.reduce((sum, mark) => sum + (mark === 4 ? 1 : 0), 0) / grid.length
      expect(left).toBeGreaterThan(0.08)
      expect(Math.abs(cover - photo.cover)).toBeLessThan(0.08)
    }
  })
  test('pale regrowth on dark soil is seen', () => {
    const { truth, read } = readScene(scene({ foliage: 'pale regrowth', plants: 15, ground: 'dark soil' }))
    expect(truth).toBeGreaterThan(0.2)
    expect(Math.abs(read - truth)).toBeLessThan(0.08)
  })
  test('a lower threshold never gives less cover', () => {
    const picture = madePicture({
      ground: 'soil',
      light: 'even',
      blurPx: 0,
      widthPx: SIZE,
      heightPx: 96,
      group: 'legume',
      cover: 0.5,
      seed: 3,
    })
    const covers = [-0.05, 0, 0.03, 0.08, 0.2].map(
      (threshold) => greenCover(picture, WHOLE_PICTURE, threshold).cover,
    )
    for (let i = 1; i < covers.length; i++) expect(covers[i]).toBeLessThanOrEqual(covers[i - 1])
  })
  test('a black picture is unclear, not bare', () => {
    const rgba = new Uint8ClampedArray(40 * 30 * 4)
    const read = greenCover({ widthPx: 40, heightPx: 30, rgba }, WHOLE_PICTURE)
    expect(read.unclear).toBe(1)
    expect(read.error).toBeGreaterThan(0.3)
  })
  test('a picture burnt out whole is unclear, neither bare nor an object', () => {
    const rgba = new Uint8ClampedArray(40 * 30 * 4).fill(255)
    const { grid, ...read } = greenCover({ widthPx: 40, heightPx: 30, rgba }, WHOLE_PICTURE)
    expect(grid.includes(4)).toBe(false)
    expect(read.unclear).toBe(1)
    expect(read.error).toBeGreaterThan(0.3)
    expect(read.tooMuchShadow).toBe(false)
  })
  test('soil and straw are not green, leaves in sun and shade are', () => {
    const of = (red: number, green: number, blue: number) => {
      const [lightness, a] = oklab(red, green, blue)
      return greenness(lightness, a)
    }
    expect(of(112, 84, 62)).toBeLessThan(0)
    expect(of(196, 168, 104)).toBeLessThan(0.03)
    expect(of(86, 128, 52)).toBeGreaterThan(0.12)
    expect(of(40, 60, 26)).toBeGreaterThan(0.12)
    expect(of(190, 200, 110)).toBeGreaterThan(0.04)
    expect(of(0, 0, 0)).toBeCloseTo(0, 9)
  })
  test('OKLab: white is light and without colour; green lies left of red', () => {
    const [white, a, b] = oklab(255, 255, 255)
    expect(white).toBeCloseTo(1, 3)
    expect(Math.hypot(a, b)).toBeLessThan(1e-3)
    expect(oklab(0, 255, 0)[1]).toBeLessThan(-0.2)
    expect(oklab(255, 0, 0)[1]).toBeGreaterThan(0.2)
  })
  test('one kind of pixel alone does not move the threshold', () => {
    const soil = new Float64Array(120)
    soil[20] = 900
    soil[22] = 1000
    expect(automaticThreshold(soil)).toBeCloseTo(0.05)
    expect(automaticThreshold(new Float64Array(120))).toBeCloseTo(0.05)
  })
})

describe('a frame on the ground', () => {
  const slanted: Frame = {
    shape: 'frame',
    corners: [
      { x: 0.3, y: 0.2 },
      { x: 0.7, y: 0.2 },
      { x: 0.95, y: 0.9 },
      { x: 0.05, y: 0.9 },
    ],
  }
  test('corners map to corners', () => {
    const onto = ontoFrame(slanted)
    expect(onto(0, 0).x).toBeCloseTo(0.3)
    expect(onto(1, 1)).toMatchObject({ x: expect.closeTo(0.95), y: expect.closeTo(0.9) })
    // Seen at a slant, the middle of the ground lies above the middle of the frame's sides.
    expect(onto(0.5, 0.5).y).toBeLessThan(0.55)
  })
  test('folded corners are not flat', () => {
    const [a, b, c, d] = slanted.corners
    expect(isFlat(slanted)).toBe(true)
    expect(isFlat({ ...slanted, corners: [a, c, b, d] })).toBe(false)
    expect(isFlat({ ...slanted, corners: [a, a, c, d] })).toBe(false)
  })
  test('only the inside of a ring is counted', () => {
    // Green corners outside the ring, soil inside.
    const size = 60
    const rgba = new Uint8ClampedArray(size * size * 4).fill(255)
    for (let y = 0; y < size; y++)
      for (let x = 0; x < size; x++) {
        const inRing = (x - 29.5) ** 2 + (y - 29.5) ** 2 < 30 ** 2
        rgba.set(inRing ? [112, 84, 62, 255] : [60, 130, 40, 255], 4 * (y * size + x))
      }
    const pixels = { widthPx: size, heightPx: size, rgba }
    expect(greenCover(pixels, { ...WHOLE_PICTURE, shape: 'ring' }, 0.05).cover).toBeLessThan(0.02)
    expect(greenCover(pixels, WHOLE_PICTURE, 0.05).cover).toBeCloseTo(1 - Math.PI / 4, 1)
  })
})

describe('header of a picture', () => {
  const png = (w: number, h: number) => {
    const bytes = new Uint8Array(40)
    bytes.set([0x89, 0x50, 0x4e, 0x47])
    new DataView(bytes.buffer).setUint32(16, w)
    new DataView(bytes.buffer).setUint32(20, h)
    return bytes
  }
  test('size of PNG and JPEG', () => {
    expect(pictureHeader(png(640, 480))).toEqual({
      ok: true,
      value: { kind: 'png', widthPx: 640, heightPx: 480 },
    })
    const jpeg = new Uint8Array([
      0xff, 0xd8, 0xff, 0xe1, 0, 6, 1, 2, 3, 4, 0xff, 0xc0, 0, 17, 8, 0x03, 0x20, 0x04, 0xb0, 3, 0, 0, 0,
    ])
    expect(pictureHeader(jpeg)).toMatchObject({ value: { kind: 'jpeg', widthPx: 1200, heightPx: 800 } })
  })
  test('text, cut files and giants are refused in words', () => {
    expect(pictureHeader(new TextEncoder().encode('not a picture at all'))).toMatchObject({
      problems: [{ code: 'not-a-picture' }],
    })
    expect(pictureHeader(new Uint8Array([0xff, 0xd8, 0xff]))).toMatchObject({ ok: false })
    expect(pictureHeader(png(20_000, 20_000))).toMatchObject({
      problems: [{ code: 'too-large', message: expect.stringContaining('400 megapixels') }],
    })
    expect(pictureHeader(new Uint8Array(20), 'image/heic').ok).toBe(true)
  })
})
