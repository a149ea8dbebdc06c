import { amendSteps } from '../core/keyin/amending'
import { capacityOf } from '../core/keyin/keyPlaces'
import { certificateFault } from '../core/keyin/certificate'
import { routeOf } from '../core/keyin/visits'
import { pressesIn } from '../core/keyin/setting'
import { linePresses, stepsOfLine } from '../core/keyin/sheet'
import { choicesOf, NOWHERE } from '../core/keyin/ways'
import { compare } from './measure'
import { makeKeyingBench } from './makeKeyingBench'

/** The whole sheet: what is copied from what, in which order, and every press of every line. */
function sheet(count: number, labelLength: number | null): number {
  const { box, jobs } = makeKeyingBench('walk', count, labelLength)
  const began = performance.now()
  const route = routeOf(box, jobs, [])
  let here = NOWHERE
  let presses = 0
  for (const step of route.steps) {
    presses += linePresses(stepsOfLine(box, step, here))
    here = choicesOf(step.job.place)
  }
  const ms = performance.now() - began
  if (presses !== route.presses) throw new Error(`${presses} presses played, ${route.presses} promised`)
  const fault = certificateFault(route.proof!.weights, route.proof!.roots, route.proof!.tree)
  if (fault) throw new Error(fault)
  return ms
}

const best = (runs: number, work: () => number): number => Math.min(...Array.from({ length: runs }, work))

export function measureKeying(): void {
  const small = best(4, () => sheet(1000, null))
  const large = best(2, () => sheet(3000, null))
  const named = best(2, () => sheet(1000, 8))
  console.log(
    `Key-in sheet, 1,000 switches x 16 messages, every press of it: ${Math.round(small)} ms of 200 allowed; with names of 8 letters ${Math.round(named)} ms`,
  )
  console.log(
    `The same of 3,000 switches: ${Math.round(large)} ms, ${(large / small).toFixed(1)}-fold of 12 allowed`,
  )
  const { box, jobs } = makeKeyingBench('walk', 120, null)
  compare(
    'Presses of a board, all switches as copies of all others',
    'pairs',
    120 * 120,
    () => routeOf(box, jobs, []),
    'step by step',
    () => {
      for (const a of jobs)
        for (const b of jobs)
          for (const { strokes } of amendSteps(
            box.shape,
            a.wanted,
            b.wanted,
            capacityOf(b.place, box.shape.controller),
          ))
            pressesIn(strokes)
    },
  )
}
