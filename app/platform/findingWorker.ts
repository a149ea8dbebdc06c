import { findings, type Finding } from '#core'
import { browserPort, createRigWorker, type RigWorker } from './rigWorker'

export type FindingWorker = RigWorker<'all', readonly Finding[]>

export const browserFindingWorker = (): FindingWorker =>
  createRigWorker(
    browserPort(new Worker(new URL('../workers/findings.worker.ts', import.meta.url), { type: 'module' })),
  )

/** For tests: works them out on the spot, and tells a turn later. */
export const memoryFindingWorker = (): FindingWorker => {
  let asked = 0
  return {
    ask: (rig, _, heard) => {
      const mine = ++asked
      void Promise.resolve().then(() => mine === asked && heard(findings(rig), rig))
    },
    cancel: () => {
      asked++
    },
    close: () => {},
  }
}
