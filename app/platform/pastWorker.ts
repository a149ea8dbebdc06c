import { compareRigs, saveStates, type BoxState, type LogFact, type Rig, type RigDifference } from '#core'
import { browserPort, createRigWorker, type RigWorker } from './rigWorker'

/** Asked of what was: two states of a rig, the second the one of now where it is null; or how every box stands. */
export type PastQuestion =
  | { readonly kind: 'compare'; readonly before: Rig; readonly after: Rig | null }
  | {
      readonly kind: 'saveStates'
      readonly facts: readonly LogFact[]
      readonly rigs: readonly (readonly [revision: number, rig: Rig])[]
    }

export type PastAnswer =
  | { readonly kind: 'compare'; readonly difference: RigDifference }
  | { readonly kind: 'saveStates'; readonly states: readonly BoxState[] }

export type PastWorker = RigWorker<PastQuestion, PastAnswer>

export function answerOfPast(rig: Rig, question: PastQuestion): PastAnswer {
  if (question.kind === 'compare')
    return { kind: 'compare', difference: compareRigs(question.before, question.after ?? rig) }
  const rigs = new Map(question.rigs)
  return {
    kind: 'saveStates',
    states: saveStates(rig, question.facts, (revision) => rigs.get(revision) ?? null),
  }
}

export const browserPastWorker = (): PastWorker =>
  createRigWorker(
    browserPort(new Worker(new URL('../workers/past.worker.ts', import.meta.url), { type: 'module' })),
  )

/** For tests: works it out on the spot. */
export const memoryPastWorker = (): PastWorker => ({
  ask: (rig, question, heard) => heard(answerOfPast(rig, question), rig),
  cancel: () => {},
  close: () => {},
})
