import type { NoBoard, PartWay, Proposal, Walked } from '#core'
import { browserPort, createRigWorker, type RigWorker } from './rigWorker'

/** Walk the show that is on through, or look for a board that takes fewer steps, with what failed in practice counting more or not. */
export type ShowQuestion = 'walk' | 'board' | 'mindfulBoard'

export type ShowAnswer =
  /** With how every part is come to, which a long show does not work out on the page. */
  | { readonly kind: 'walk'; readonly parts: readonly Walked[]; readonly ways: readonly PartWay[] }
  | { readonly kind: 'board'; readonly found: Proposal | NoBoard }

export type ShowWorker = RigWorker<ShowQuestion, ShowAnswer>

export const browserShowWorker = (): ShowWorker =>
  createRigWorker(
    browserPort(new Worker(new URL('../workers/show.worker.ts', import.meta.url), { type: 'module' })),
  )

/** For tests: works nothing out. */
export const memoryShowWorker = (): ShowWorker => ({ ask: () => {}, cancel: () => {}, close: () => {} })
