import { it } from 'vitest'
import { tidewright } from './tidewright'
import { slowFindings } from '../../core/check/slow'
import { lampsToProve, lampVerdict } from '../../core/prove/lampLies'
it('x', () => {
  const rig = tidewright()
  const t = performance.now()
  const lamps = lampsToProve(rig)
  for (const f of lamps) { const a = performance.now(); const v = lampVerdict(rig, f); console.log(f.id, v.kind, v.kind === 'lies' ? JSON.stringify(v.lie) : '', (performance.now() - a).toFixed(1)) }
  console.log(lamps.length, performance.now() - t)
  const g = slowFindings(rig); let r = g.next(); while (!r.done) r = g.next()
  console.log(JSON.stringify(r.value.found.map((f: any) => [f.facts.switch, f.facts.device, f.facts.control, f.facts.moves?.map((m: any) => m.kind + ' ' + m.name + '@' + m.bank), f.cures?.map((c: any) => c.label)]), null, 1), r.value.unknown, performance.now() - t)
}, 100000)
