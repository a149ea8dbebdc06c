import { tidewright } from '../server/demo/tidewright'
import { floorMachine } from '../core/prove/floorMachine'
import { lampsToProve, lampVerdict } from '../core/prove/lampLies'
const rig = tidewright()
const m = floorMachine(rig)
let t = performance.now()
const count: Record<string, number> = {}
for (const f of lampsToProve(rig)) { const a = performance.now(); const v = lampVerdict(rig, f); const b = performance.now() - a
 count[v.kind] = (count[v.kind] ?? 0) + 1
 if (v.kind !== 'holds' || b > 100) console.log(rig.banks[f.bankId]!.index, f.layer, f.number, f.id, v.kind, b.toFixed(0), v.kind === 'lies' ? JSON.stringify(v.lie.claim) + v.lie.moves.map(x => x.kind + ('number' in x ? x.number : '')).join(' ') : '', JSON.stringify(f.positions).slice(0, 150)) }
console.log(count, performance.now() - t)
