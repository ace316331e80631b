import { failure, success, type Outcome } from '../../core/foundations/outcome'
import {
  hereAnswer,
  LARGEST_BUNDLE,
  leftAnswer,
  stateAnswer,
  type HandedState,
} from '../../core/garden/handoverApi'
import { apiUrl } from '../api'
import { newSecret, placeOf, seal, secretFrom, unseal, type Secret } from './sealing'

/** A garden left with the server for another device: the secrets for its camera and for a hand, and until when it waits, ms. */
export type Handed = { camera: Secret; typed: Secret; until: number }

type Ask = typeof fetch

const refuse = (code: string, message: string) => failure({ path: 'handover', code, message })
const NO_SERVER = 'Kilim’s server does not answer here. Share the garden or export it to a file instead.'
const noServer = () => refuse('no-server', NO_SERVER)

/** Why the server would not, in its own words. */
async function refusal(response: Response): Promise<Outcome<never>> {
  const said = ((await response.json().catch(() => null)) as { error?: unknown } | null)?.error
  return refuse('refused', typeof said === 'string' ? said : NO_SERVER)
}

/** Addresses at which other devices reach the server that this page came from. */
export async function addresses(page: Location, ask: Ask = fetch): Promise<Outcome<string[]>> {
  const response = await ask(apiUrl('here')).catch(() => null)
  const read = hereAnswer.safeParse(await response?.json().catch(() => null))
  if (!read.success) return noServer()
  const own = /^(localhost|127\.|\[::1\])/.test(page.hostname) ? [] : [page.origin]
  const found = [...new Set([...own, ...read.data.addresses])]
  if (found.length > 0) return success(found)
  return refuse(
    'alone',
    'Other devices do not reach this machine: its server listens to itself only. Start it with HOST=0.0.0.0, open Kilim here again, and hand over then.',
  )
}

async function leave(bytes: Uint8Array, secret: Secret, ask: Ask): Promise<Outcome<number>> {
  const body = new Uint8Array(seal(bytes, secret))
  const headers = { 'Content-Type': 'application/octet-stream' }
  const response = await ask(apiUrl(`handover/${placeOf(secret)}`), { method: 'PUT', body, headers }).catch(
    () => null,
  )
  if (!response) return noServer()
  if (!response.ok) return refusal(response)
  const read = leftAnswer.safeParse(await response.json().catch(() => null))
  return read.success ? success(read.data.until) : noServer()
}

/** Leaves a garden with the server. Under the typed code lies only the secret for the camera, sealed. */
export async function handOver(bytes: Uint8Array, ask: Ask = fetch): Promise<Outcome<Handed>> {
  if (bytes.length > LARGEST_BUNDLE - 100)
    return refuse(
      'too-large',
      `The garden has ${Math.round(bytes.length / 1e6)} MB, and ${LARGEST_BUNDLE / 1e6} can be handed over. Leave its pictures out, or export it to a file.`,
    )
  const [camera, typed] = [newSecret('camera'), newSecret('typed')]
  const left = await leave(bytes, camera, ask)
  if (!left.ok) return left
  const pointed = await leave(camera, typed, ask)
  return pointed.ok ? success({ camera, typed, until: left.value }) : pointed
}

/** What became of a garden that was left. */
export async function stateOf({ camera }: Handed, ask: Ask = fetch): Promise<HandedState> {
  const response = await ask(apiUrl(`handover/${placeOf(camera)}/state`))
  return stateAnswer.parse(await response.json()).state
}

/** Takes a garden back that was left and is not fetched yet. */
export const withdraw = ({ camera, typed }: Handed, ask: Ask = fetch): Promise<unknown> =>
  Promise.all(
    [camera, typed].map((secret) =>
      ask(apiUrl(`handover/${placeOf(secret)}`), { method: 'DELETE' }).catch(() => null),
    ),
  )

async function fetched(secret: Secret, ask: Ask): Promise<Outcome<Uint8Array>> {
  const response = await ask(apiUrl(`handover/${placeOf(secret)}`)).catch(() => null)
  if (!response) return noServer()
  if (!/octet-stream|json/.test(response.headers.get('Content-Type') ?? '')) return noServer()
  if (response.status === 404)
    return refuse(
      'gone',
      'Nothing waits under this code: it was fetched already, or its ten minutes are over. Hand the garden over again.',
    )
  if (!response.ok) return refusal(response)
  return unseal(new Uint8Array(await response.arrayBuffer()), secret)
}

/** Fetches what was left under a code, read by a camera or typed. */
export async function fetchHanded(code: string, ask: Ask = fetch): Promise<Outcome<Uint8Array>> {
  const secret = secretFrom(code)
  if (!secret.ok) return secret
  const found = await fetched(secret.value, ask)
  // No garden is as short as a secret.
  return found.ok && found.value.length === newSecret('camera').length ? fetched(found.value, ask) : found
}
