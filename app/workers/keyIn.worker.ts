import { toldSheet, type ToldSheet } from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

const hear = serveRig<string, ToldSheet>(
  async (rig, controllerId, tell) => {
    // Questions that came meanwhile are heard first: only the newest is worth the work.
    await new Promise((resolve) => setTimeout(resolve, 0))
    return tell(0) ? toldSheet(rig, controllerId) : null
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<string>>) => hear(data))
