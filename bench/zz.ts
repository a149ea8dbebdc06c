import { tidewright } from '../server/demo/tidewright'
import { proofOf } from '../core/prove/proof'
import { floorMachine } from '../core/prove/floorMachine'
const rig = tidewright()
let t = performance.now()
floorMachine(rig)
console.log('machine', performance.now() - t)
const by: Record<string, number> = {}
t = performance.now()
for (const p of proofOf(rig)) { const n = performance.now(); by[p.line] = (by[p.line] ?? 0) + n - t; t = n }
console.log(by)
const kinds: Record<string, number> = {}
for (const p of proofOf(rig)) if (p.line === 'show') kinds[p.verdict.kind] = (kinds[p.verdict.kind] ?? 0) + 1
console.log(kinds)
