import { slowFindings, type SlowFindings, type SlowQuestion } from '#core'
import { browserPort, createRigWorker, type RigWorker } from './rigWorker'

/** Findings that are searched for: lamps that can lie, runs that differ. */
export type SlowWorker = RigWorker<SlowQuestion, SlowFindings>

export const browserSlowWorker = (): SlowWorker =>
  createRigWorker(
    browserPort(new Worker(new URL('../workers/slow.worker.ts', import.meta.url), { type: 'module' })),
  )

/** For tests: works them out on the spot, and tells a turn later. */
export const memorySlowWorker = (): SlowWorker => {
  let asked = 0
  return {
    ask: (rig, question, heard) => {
      const mine = ++asked
      void Promise.resolve().then(() => {
        if (mine !== asked) return
        const search = slowFindings(rig, question)
        let step = search.next()
        while (!step.done) step = search.next()
        heard(step.value, rig)
      })
    },
    cancel: () => {
      asked++
    },
    close: () => {},
  }
}
