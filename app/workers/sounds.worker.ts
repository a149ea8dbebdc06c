import { soundMatrix, type Matrix } from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

const hear = serveRig<'matrix', Matrix>(
  async (rig, _, tell) => {
    // Questions that came meanwhile are heard first: only the newest is worth the work.
    await new Promise((resolve) => setTimeout(resolve, 0))
    return tell(0) ? soundMatrix(rig) : null
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<'matrix'>>) => hear(data))
