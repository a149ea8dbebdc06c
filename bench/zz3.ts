import { proofRig } from './proofRig'
import { floorMachine, simCount } from '../core/prove/floorMachine'
import { lampsToProve, lampVerdict } from '../core/prove/lampLies'
const big = process.argv[2] === 'big'
const rig = proofRig(big ? { banks: 100, switches: 12, devices: 12, messages: 24, layers: 2 } : { banks: 30, switches: 10, devices: 8, messages: 16, layers: 1 })
const cpu = () => { const u = process.cpuUsage(); return (u.user + u.system) / 1000 }
const s0 = cpu()
const m = floorMachine(rig)
const s1 = cpu()
console.log('machine', s1 - s0, 'sims', simCount(), 'places', m.places.length, 'parts', m.parts.length, [...m.beyond].length, 'effects', [...new Set(m.machine.moves.flat())].reduce((a,x)=>a+x.effects.length,0))
if (process.argv[3] === "m") process.exit()
const count: Record<string, number> = {}
const lens: Record<number, number> = {}
const ls = lampsToProve(rig)
for (const f of ls) { const v = lampVerdict(rig, f); count[v.kind] = (count[v.kind] ?? 0) + 1; if (v.kind === 'lies') lens[v.lie.moves.length] = (lens[v.lie.moves.length] ?? 0) + 1 }
console.log('lamps', ls.length, cpu() - s1, count, lens)
