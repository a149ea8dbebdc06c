import { makeProofRig } from '../core/prove/makeProofRig'
import { floorMachine } from '../core/prove/floorMachine'
import { dependenceOf } from '../core/prove/dependence'
import { soundsLine } from '../core/prove/soundsLine'
import { paceLine } from '../core/prove/paceLine'
import { waysLine } from '../core/prove/waysLine'
import { switchesLine } from '../core/prove/switchesLine'
import { lampsToProve, lampVerdict } from '../core/prove/lampLies'
const big = process.argv[2] === 'big'
const rig = big ? makeProofRig({ banks: 100, switches: 12, devices: 12, messages: 24, layers: 2 }) : makeProofRig({ banks: 30, switches: 10, devices: 8, messages: 16, layers: 1 })
let [t, c] = [performance.now(), process.cpuUsage()]
const lap = (s: string) => { const u = process.cpuUsage(c); console.log(s, (performance.now() - t).toFixed(0), 'ms, cpu', ((u.user + u.system) / 1000).toFixed(0)); t = performance.now(); c = process.cpuUsage() }
for (const s of Object.values(rig.switches)) dependenceOf(rig, s)
lap('dependence')
const f = floorMachine(rig)
lap('machine'); console.log(f.machine.sizes.length, 'components', f.machine.moves.length, 'places', f.beyond.size, 'beyond')
for (const [n, l] of Object.entries({ soundsLine, paceLine, waysLine, switchesLine })) { let k = 0; for (const _ of l(rig, f)) k++; lap(n + ' ' + k) }
const lamps = lampsToProve(rig)
const N = Number(process.argv[3] ?? 10)
const kinds: any = {}
for (const l of lamps.filter(l => !l.id.endsWith("3") && !l.id.endsWith("4")).slice(0, N)) { const t0 = performance.now(); const v = lampVerdict(rig, l); const k = v.kind + (v.kind === "lies" ? v.lie.moves.length : v.atLeast ?? ""); (kinds[k] ??= [0, 0, 0]); kinds[k][0]++; kinds[k][1] += performance.now() - t0; kinds[k][2] = Math.max(kinds[k][2], performance.now() - t0); if (performance.now() - t0 > 300) console.log(l.id, k, performance.now() - t0) }
lap("lamps")
console.log(kinds, lamps.length)
