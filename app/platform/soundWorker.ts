import type { Matrix } from '#core'
import { browserPort, createRigWorker, type RigWorker } from './rigWorker'

export type SoundWorker = RigWorker<'matrix', Matrix>

export const browserSoundWorker = (): SoundWorker =>
  createRigWorker(
    browserPort(new Worker(new URL('../workers/sounds.worker.ts', import.meta.url), { type: 'module' })),
  )

/** For tests: works nothing out. */
export const memorySoundWorker = (): SoundWorker => ({ ask: () => {}, cancel: () => {}, close: () => {} })
