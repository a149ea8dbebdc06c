import * as fc from 'fast-check'
import { lampRigs } from '../core/prove/makeLampRigs'
import { floorMachine, simCount } from '../core/prove/floorMachine'
import { lampsToProve, lampVerdict } from '../core/prove/lampLies'
const rigs = fc.sample(lampRigs, { numRuns: 150, seed: 5 })
let tm = 0, tv = 0
const worst: [number, number, number, string][] = []
for (const rig of rigs) {
  const a = performance.now(), s0 = simCount()
  const m = floorMachine(rig)
  const b = performance.now()
  let unknown = 0
  for (const f of lampsToProve(rig)) if (lampVerdict(rig, f).kind === 'unknown') unknown++
  const c = performance.now()
  tm += b - a; tv += c - b
  worst.push([b - a, simCount() - s0, c - b, [...m.beyond].join() + ' unk ' + unknown + ' ' + m.places.length])
}
console.log(tm, tv, simCount())
worst.sort((x, y) => y[0] - x[0]); console.log(worst.slice(0, 6))
worst.sort((x, y) => y[2] - x[2]); console.log(worst.slice(0, 6))
