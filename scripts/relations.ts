// Relations that hold whatever the model is, on random gardens: npm run relations [cases] [seed] [id …]
import { RELATIONS } from '../src/core/testing/relations/all'
import { tried } from '../src/core/testing/relations/relation'

const numbers = process.argv
  .slice(3)
  .filter((word) => /^\d+$/.test(word))
  .map(Number)
const ids = process.argv.slice(3).filter((word) => !/^\d+$/.test(word))
const [cases = 200, seed = 1] = numbers
let violations = 0
for (const relation of RELATIONS.filter(({ id }) => ids.length === 0 || ids.includes(id))) {
  const from = performance.now()
  const fared = tried(relation, cases, seed)
  violations += fared.violations
  const seconds = (performance.now() - from) / 1000
  console.log(
    `${relation.id.padEnd(4)} ${String(fared.violations).padStart(4)} of ${String(fared.cases).padEnd(5)} ${seconds.toFixed(1).padStart(6)} s  ${relation.says}`,
  )
  for (const [why, count] of Object.entries(fared.exceptions)) console.log(`       ${count} excepted: ${why}`)
  if (fared.smallest) console.log(`       ${fared.smallest.found} [${fared.smallest.seed}]`)
}
process.exit(violations === 0 ? 0 : 1)
