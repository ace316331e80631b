import { failure, success, type Outcome } from '../../core/foundations/outcome'
import type { Frame } from '../../core/picture/frame'
import { greenCover, type GreenCover, type Pixels } from '../../core/picture/greenCover'
import { pictureHeader } from '../../core/picture/header'
import { madePicture, type MadePicture } from '../../core/picture/made'

/** Long side of a picture as kept, of its small one, and of the one its cover is read from, px. */
const KEPT_PX = 1600
const SMALL_PX = 240
const READ_PX = 900
const QUALITY = 0.8
/** Bytes in which the size of a picture is looked for; notes and thumbnails of a camera come before it. */
const HEAD_BYTES = 4_000_000

/** A picture made ready for keeping: turned upright, made smaller, with nothing in it but the picture. */
export type PreparedPicture = {
  full: Uint8Array<ArrayBuffer>
  small: Uint8Array<ArrayBuffer>
  widthPx: number
  heightPx: number
  /** Size it came in. */
  fromWidthPx: number
  fromHeightPx: number
}

/** Pixels of the picture in hand, for reading its cover again and again. */
let pixels: Pixels | null = null

async function jpegOf(bitmap: ImageBitmap, longest: number) {
  const scale = Math.min(1, longest / Math.max(bitmap.width, bitmap.height))
  const width = Math.max(1, Math.round(bitmap.width * scale))
  const height = Math.max(1, Math.round(bitmap.height * scale))
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  context.drawImage(bitmap, 0, 0, width, height)
  return { canvas, context, width, height }
}

const bytesOf = async (canvas: OffscreenCanvas) =>
  new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })).arrayBuffer())

async function prepared(bitmap: ImageBitmap): Promise<PreparedPicture> {
  const kept = await jpegOf(bitmap, KEPT_PX)
  const small = await jpegOf(bitmap, SMALL_PX)
  const read = await jpegOf(bitmap, READ_PX)
  pixels = {
    widthPx: read.width,
    heightPx: read.height,
    rgba: read.context.getImageData(0, 0, read.width, read.height).data,
  }
  return {
    full: await bytesOf(kept.canvas),
    small: await bytesOf(small.canvas),
    widthPx: kept.width,
    heightPx: kept.height,
    fromWidthPx: bitmap.width,
    fromHeightPx: bitmap.height,
  }
}

/** Image work, one picture at a time. */
export const pictureWork = {
  /** Reads a file; the browser turns it upright by its EXIF note, and drawing it anew drops all notes, place included. */
  async prepare(file: Blob): Promise<Outcome<PreparedPicture>> {
    const head = new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer())
    const header = pictureHeader(head, file.type)
    if (!header.ok) return header
    let bitmap: ImageBitmap
    try {
      bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' })
    } catch {
      return failure({
        path: 'picture',
        code: 'unreadable',
        message:
          'The browser cannot unpack this picture: it is broken, too large for this device, or of a kind it does not know. Save it as JPEG and choose it again.',
      })
    }
    const result = await prepared(bitmap)
    bitmap.close()
    return success(result)
  },
  /** A made-up picture in place of a camera, for the demo gardens. */
  async make(wish: MadePicture): Promise<PreparedPicture> {
    const made = madePicture(wish)
    const bitmap = await createImageBitmap(
      new ImageData(new Uint8ClampedArray(made.rgba), made.widthPx, made.heightPx),
    )
    return prepared(bitmap)
  },
  /** Small made-up pictures of a plant group at known covers, for judging cover by eye; JPEG bytes. */
  async references(
    group: MadePicture['group'],
    covers: readonly number[],
  ): Promise<Uint8Array<ArrayBuffer>[]> {
    return Promise.all(
      covers.map(async (cover, i) => {
        const size = { widthPx: 160, heightPx: 120 }
        const made = madePicture({
          ...size,
          cover,
          group,
          seed: 7 + i,
          ground: 'soil',
          light: 'even',
          blurPx: 0,
        })
        const canvas = new OffscreenCanvas(size.widthPx, size.heightPx)
        canvas
          .getContext('2d')!
          .putImageData(new ImageData(new Uint8ClampedArray(made.rgba), size.widthPx, size.heightPx), 0, 0)
        return bytesOf(canvas)
      }),
    )
  },
  /** Reads the cover of the picture in hand. */
  cover(frame: Frame, threshold: number | null): GreenCover {
    if (!pixels) throw new Error('No picture is in hand. Choose it again.')
    return greenCover(pixels, frame, threshold)
  },
}
export type PictureWork = typeof pictureWork
