import { makeProofRig } from '../core/prove/makeProofRig'
import { lampVerdict } from '../core/prove/lampLies'
import { own } from '../core/base/own'
const rig = makeProofRig({ banks: 30, switches: 10, devices: 8, messages: 16, layers: 1 })
for (const id of process.argv.slice(2)) { const s = own(rig.switches, id)!; console.log(JSON.stringify(s.positions)); const t = performance.now(); const v = lampVerdict(rig, s); console.log(id, v.kind, performance.now() - t) }
