import { failure, success, type Outcome } from '../foundations/outcome'

/** What the first bytes of a picture say of it, before it is unpacked. */
export type PictureHeader = { kind: 'jpeg' | 'png' | 'webp' | 'other'; widthPx: number; heightPx: number }

/** Largest picture that is unpacked, megapixels: a phone's largest mode fits, a scan of a wall does not. */
export const MOST_MEGAPIXELS = 120

const ascii = (bytes: Uint8Array, from: number, text: string) =>
  [...text].every((letter, i) => bytes[from + i] === letter.charCodeAt(0))

/** Frame headers of JPEG, which carry the size; C4, C8 and CC are tables. */
const isFrameHeader = (marker: number) =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc

function jpegSize(bytes: Uint8Array, view: DataView): { widthPx: number; heightPx: number } | null {
  let at = 2
  while (at + 9 < bytes.length) {
    if (bytes[at] !== 0xff) return null
    const marker = bytes[at + 1]
    if (isFrameHeader(marker)) return { heightPx: view.getUint16(at + 5), widthPx: view.getUint16(at + 7) }
    at += 2 + view.getUint16(at + 2)
  }
  return null
}

/**
 * Reads kind and size of a picture from its bytes. Refuses what is no picture and what is too large to unpack, with
 * words that say which. Kinds it does not know pass as `other` when the browser calls them pictures.
 */
export function pictureHeader(bytes: Uint8Array, type = ''): Outcome<PictureHeader> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let header: PictureHeader | null = null
  if (bytes[0] === 0xff && bytes[1] === 0xd8) {
    const size = jpegSize(bytes, view)
    if (size) header = { kind: 'jpeg', ...size }
  } else if (bytes[0] === 0x89 && ascii(bytes, 1, 'PNG') && bytes.length > 24)
    header = { kind: 'png', widthPx: view.getUint32(16), heightPx: view.getUint32(20) }
  else if (ascii(bytes, 0, 'RIFF') && ascii(bytes, 8, 'WEBP'))
    header = { kind: 'webp', widthPx: 0, heightPx: 0 }
  else if (/^image\/(?!jpeg|png|webp|svg)/.test(type)) header = { kind: 'other', widthPx: 0, heightPx: 0 }
  if (!header)
    return failure({
      path: 'picture',
      code: 'not-a-picture',
      message: 'This file is not a picture, or it is broken. Choose a photo, a JPEG or PNG file.',
    })
  const megapixels = (header.widthPx * header.heightPx) / 1e6
  if (megapixels > MOST_MEGAPIXELS)
    return failure({
      path: 'picture',
      code: 'too-large',
      message: `The picture has ${Math.round(megapixels)} megapixels; up to ${MOST_MEGAPIXELS} can be read. Take it again at a lower setting.`,
    })
  return success(header)
}
