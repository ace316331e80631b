import { judgeFiles, inside } from './scripts/cases'
const v = judgeFiles({ cases: 'validation/cases.json', sites: 'validation/sites.json' }, Number(process.env.M ?? 120))
for (const x of v) if (!x.inside || process.env.ALL) console.log(`${x.inside ? 'ok ' : 'OUT'} ${x.site.slice(0, 14).padEnd(14)} ${x.stand.padEnd(30)} ${x.check.padEnd(28)} ${x.expected.padEnd(16)} ${x.got}`)
console.log(inside(v), 'of', v.length, 'loss', v.reduce((s, x) => s + Math.min(1, x.miss), 0).toFixed(2))
