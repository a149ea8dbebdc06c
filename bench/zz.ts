import { makeKeyingBench } from './makeKeyingBench'
import { routeOf } from '../core/keyin/route'
import { stepsOfLine } from '../core/keyin/sheet'
import { NOWHERE, choicesOf } from '../core/keyin/ways'
const [m, n, l] = [
  process.argv[2] as 'walk',
  Number(process.argv[3]),
  process.argv[4] === '0' ? null : Number(process.argv[4]),
]
for (let k = 0; k < 4; k++) {
  const { box, jobs } = makeKeyingBench(m, n, l)
  const t0 = performance.now()
  const r = routeOf(box, jobs, [])
  const t1 = performance.now()
  let here = NOWHERE,
    c = 0
  for (const s of r.steps) {
    c += stepsOfLine(box, s, here).length
    here = choicesOf(s.job.place)
  }
  console.log(
    m,
    n,
    l,
    Math.round(t1 - t0),
    'ms route',
    Math.round(performance.now() - t1),
    'ms steps',
    r.presses,
    c,
  )
}
