import { tidewright } from '../server/demo/tidewright'
import { floorMachine } from '../core/prove/floorMachine'
import { soundsLine } from '../core/prove/soundsLine'
import { waysLine } from '../core/prove/waysLine'
import { paceLine } from '../core/prove/paceLine'
import { switchesLine } from '../core/prove/switchesLine'
const rig = tidewright()
const m = floorMachine(rig)
for (const line of [soundsLine, waysLine, switchesLine, paceLine]) {
const t = performance.now()
for (const p of line(rig, m)) { const v = p.verdict; if (v.kind !== 'holds' || line === waysLine) console.log(p.about.id, v.kind, v.kind === 'holds' ? v.presses : v.kind === 'fails' ? JSON.stringify(v.fault).slice(0, 160) + ' ' + v.moves.map(x => x.kind + ('number' in x ? x.number : '')).join(' ') : v.kind === 'notProven' ? v.why : '') }
console.log(performance.now() - t)
}
