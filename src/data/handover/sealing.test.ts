import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { codeOf, newSecret, placeOf, seal, secretFrom, unseal } from './sealing'

const ways = ['camera', 'typed'] as const

test('a code has 26 signs for a camera, and 16 in fours for a hand', () => {
  expect(codeOf(newSecret('camera'))).toMatch(/^[0-9A-HJKMNP-TV-Z]{26}$/)
  expect(codeOf(newSecret('typed'))).toMatch(/^([0-9A-HJKMNP-TV-Z]{4}-){3}[0-9A-HJKMNP-TV-Z]{4}$/)
})
test.each(ways)('what is sealed for a %s opens with its code, however it is typed', (way) => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 4000 }), (bytes) => {
      const secret = newSecret(way)
      const typed = ` ${codeOf(secret).toLowerCase().replaceAll('0', 'o').replaceAll('1', 'l')} `
      const read = secretFrom(typed)
      if (!read.ok) throw new Error('not read')
      expect(placeOf(read.value)).toBe(placeOf(secret))
      expect(unseal(seal(bytes, secret), read.value)).toEqual({ ok: true, value: bytes })
    }),
  )
})
test('changed in one bit, cut short, or opened with another code, it is refused', () => {
  const secret = newSecret('camera')
  const sealed = seal(new TextEncoder().encode('a garden'), secret)
  for (let at = 0; at < sealed.length; at++) {
    const changed = Uint8Array.from(sealed)
    changed[at] ^= 1
    expect(unseal(changed, secret)).toMatchObject({ ok: false, problems: [{ path: 'code' }] })
    expect(unseal(sealed.slice(0, at), secret).ok).toBe(false)
  }
  expect(unseal(sealed, newSecret('camera')).ok).toBe(false)
})
describe('what the server sees', () => {
  test('neither text nor secret is in it, and no two sealings look alike', () => {
    const secret = newSecret('typed')
    const [one, two] = [1, 2].map(() => seal(new TextEncoder().encode('Marlpit Lane'), secret))
    expect(Buffer.from(one).toString('latin1')).not.toContain('Marlpit')
    expect(Buffer.from(one).equals(Buffer.from(two))).toBe(false)
    expect(placeOf(secret)).toMatch(/^[0-9a-f]{32}$/)
    expect(placeOf(secret)).not.toContain(Buffer.from(secret).toString('hex'))
  })
})
test.each([
  ['', /16 letters and digits, this has 0/],
  ['ABCD-EFGH', /this has 8/],
  ['ABCD-EFGH-JKMN-PQR!', /a sign that no code has/],
  ['ABCD-EFGH-JKMN-PQRU', /a sign that no code has/],
])('the code %j is refused in words', (text, words) => {
  const read = secretFrom(text)
  expect(read.ok || read.problems[0].message).toMatch(words)
})
