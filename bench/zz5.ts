import { tidewright } from '../server/demo/tidewright'
import { floorMachine } from '../core/prove/floorMachine'
import { soundsLine } from '../core/prove/soundsLine'
const rig = tidewright()
const m = floorMachine(rig)
const t = performance.now()
for (const p of soundsLine(rig, m)) { const v = p.verdict; console.log(rig.sounds[p.about.id as never]!.name, v.kind, v.kind === 'fails' ? JSON.stringify(v.fault).slice(0, 160) + ' ' + v.moves.map(x => x.kind + ('number' in x ? x.number : '')).join(' ') : v.kind === 'notProven' ? v.why : '') }
console.log(performance.now() - t)
