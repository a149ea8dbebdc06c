import { tidewright } from '../server/demo/tidewright'
import { floorMachine } from '../core/prove/floorMachine'
import { seenThrough, eachMet } from '../core/prove/ask'
import { wayTo } from '../core/explore/project'
import { claimsOfLamp, isAsClaimed } from '../core/prove/lampLies'
import { claimParts } from '../core/prove/parts'
const rig = tidewright()
const m = floorMachine(rig)
for (const id of ['menders-1', 'undertow-1', 'finale-2']) { console.log(id, JSON.stringify(rig.switches[id as never]!.positions)); for (const claim of claimsOfLamp(rig, rig.switches[id as never]!)) {
  const [b, t] = claimParts(rig, claim)
  const p = seenThrough(m, [b, t])!
  let n = 0, first = ''
  eachMet(rig, m, p, (k, place, v) => { const is = isAsClaimed(rig, claim, v(t)), bel = isAsClaimed(rig, claim, v(b)); if ((is === false && bel !== false) || (is === true && bel !== true && !(claim.kind === 'preset' && v(b) === undefined))) { if (!n) first = `${v(b)} ${v(t)} ` + wayTo(p, k).map(x => JSON.stringify(m.labels.get(x)!.footswitch?.id)).join(); n++ } })
  console.log(JSON.stringify(claim), p.met.length, p.kept.map(k => m.parts[k]).join(' '), n, first)
} }
