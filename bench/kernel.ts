import { generatedEnsemble } from '../src/core/site/ensemble'
import { dayNumber } from '../src/core/foundations/day'
import { findSpecies } from '../src/core/plants/catalogue'
import { runStand } from '../src/core/stand/kernel'
import { drawMemberParameters } from '../src/core/stand/memberParameters'
import { TEST_SITES } from '../src/core/testing/sites'
import { plainInput } from '../src/core/testing/stands'

/** Speed of the day kernel: nanoseconds per member, day and species, and over one `Math.exp` of the same run. */
const DAYS = 300
const sowDay = dayNumber('2025-09-01')
const rye = findSpecies('cereal-rye')!
const vetch = findSpecies('hairy-vetch')!

function exponentialNs(): number {
  const rounds = 5_000_000
  let sum = 0
  const start = performance.now()
  for (let i = 0; i < rounds; i++) sum += Math.exp(-(i % 97) / 13)
  const ns = ((performance.now() - start) * 1e6) / rounds
  return sum > 0 ? ns : NaN
}

function kernelNs(members: number, species: number): number {
  const ensemble = generatedEnsemble(TEST_SITES.maryland, sowDay - 40, DAYS + 40, members, 1)
  const sown = [rye, vetch]
    .slice(0, species)
    .map((plant) => ({ plant, seedsPerM2: 200, emergenceShare: 0.6 }))
  const input = {
    sown,
    sowDay,
    soil: 'loam' as const,
    fertility: 'medium' as const,
    shade: 0,
    canopyAbove: null,
    events: [],
  }
  const memberParameters = drawMemberParameters(members, 2)
  for (let i = 0; i < 3; i++) runStand(input, ensemble, memberParameters)
  let best = Infinity
  for (let i = 0; i < 5; i++) {
    const start = performance.now()
    runStand(input, ensemble, memberParameters)
    best = Math.min(best, performance.now() - start)
  }
  return (best * 1e6) / (members * DAYS * species)
}

/** Milliseconds for so many beds, each a stand of its own, over one cached ensemble of a hundred members. */
function bedsMs(beds: number): number {
  const members = 100
  const ensemble = generatedEnsemble(TEST_SITES.maryland, sowDay - 40, DAYS + 40, members, 1)
  const start = performance.now()
  for (let bed = 0; bed < beds; bed++)
    runStand(
      plainInput([{ plant: bed % 2 ? rye : vetch, seedsPerM2: 200 + bed, emergenceShare: 0.6 }], sowDay),
      ensemble,
      drawMemberParameters(members, bed),
    )
  return performance.now() - start
}

kernelNs(50, 1)
const exp = exponentialNs()
console.log(`Math.exp                     ${exp.toFixed(1)} ns`)
for (const [members, species] of [
  [50, 1],
  [100, 1],
  [200, 1],
  [100, 2],
] as const) {
  const ns = kernelNs(members, species)
  console.log(
    `${String(members).padStart(4)} members, ${species} species     ${ns.toFixed(0)} ns per member-day-species, ${(ns / exp).toFixed(0)} × Math.exp`,
  )
}

const one = bedsMs(1)
for (const beds of [1, 14, 200]) {
  const ms = beds === 1 ? one : bedsMs(beds)
  console.log(
    `${String(beds).padStart(4)} beds                  ${(ms / beds).toFixed(1)} ms each, ${(ms / beds / one).toFixed(2)} of the first`,
  )
}
