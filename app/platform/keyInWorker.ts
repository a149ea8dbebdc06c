import type { ToldSheet } from '#core'
import { browserPort, createRigWorker, type RigWorker } from './rigWorker'

/** Asked for the sheet of a controller, by its id. */
export type KeyInWorker = RigWorker<string, ToldSheet>

export const browserKeyInWorker = (): KeyInWorker =>
  createRigWorker(
    browserPort(new Worker(new URL('../workers/keyIn.worker.ts', import.meta.url), { type: 'module' })),
  )

/** For tests: works nothing out. */
export const memoryKeyInWorker = (): KeyInWorker => ({ ask: () => {}, cancel: () => {}, close: () => {} })
