import { xchacha20poly1305 } from '@noble/ciphers/chacha.js'
import { bytesToHex, managedNonce, randomBytes } from '@noble/ciphers/utils.js'
import { hkdf } from '@noble/hashes/hkdf.js'
import { sha256 } from '@noble/hashes/sha2.js'
import { utf8ToBytes } from '@noble/hashes/utils.js'
import { base32crockford } from '@scure/base'
import { failure, success, type Outcome } from '../../core/foundations/outcome'

/**
 * What two devices know and the server between them never receives: from it come the name under which the server keeps
 * the sealed garden, and the key that opens it (HKDF with SHA-256; XChaCha20-Poly1305). In plain JavaScript, for a page
 * opened over plain HTTP by network address has no cryptography of the browser's own.
 */
export type Secret = Uint8Array

/** Read by a camera or typed by hand: 128 bits, or 80 in 16 letters and digits. */
export type Way = 'camera' | 'typed'
const SECRET_BYTES: Record<Way, number> = { camera: 16, typed: 10 }
/** Letters and digits of the typed code, and of what a camera reads. */
const CODE_LENGTH = 16
const CAMERA_LENGTH = 26

export const newSecret = (way: Way): Secret => randomBytes(SECRET_BYTES[way])

/** A secret as letters and digits; what is typed is in groups of four. */
export function codeOf(secret: Secret): string {
  const code = base32crockford.encode(secret)
  return code.length === CODE_LENGTH ? code.replace(/.{4}(?=.)/g, '$&-') : code
}

const wrong = (message: string) => failure({ path: 'code', code: 'code', message })

/** The secret that a code stands for; case, spaces and dashes do not matter, O counts as 0, I and L as 1. */
export function secretFrom(text: string): Outcome<Secret> {
  const code = text.replace(/[\s-]/g, '').toUpperCase()
  if (code.length !== CODE_LENGTH && code.length !== CAMERA_LENGTH)
    return wrong(
      `The code has ${CODE_LENGTH} letters and digits, this has ${code.length}. Look at the other device again.`,
    )
  try {
    return success(base32crockford.decode(code))
  } catch {
    return wrong('The code holds a sign that no code has. Look at the other device again.')
  }
}

const derived = (secret: Secret, purpose: string, length: number) =>
  hkdf(sha256, secret, undefined, utf8ToBytes(`kilim handing over: ${purpose}`), length)

/** The name under which the server keeps what is sealed with a secret, 32 hexadecimal digits; tells nothing of the secret. */
export const placeOf = (secret: Secret): string => bytesToHex(derived(secret, 'place', 16))

const cipherOf = (secret: Secret) => managedNonce(xchacha20poly1305)(derived(secret, 'key', 32))

export const seal = (bytes: Uint8Array, secret: Secret): Uint8Array => cipherOf(secret).encrypt(bytes)

/** What was sealed; refused where it was sealed with another secret or changed on the way. */
export function unseal(sealed: Uint8Array, secret: Secret): Outcome<Uint8Array> {
  try {
    return success(cipherOf(secret).decrypt(sealed))
  } catch {
    return wrong('What came is not what was handed over. Hand it over again.')
  }
}
