import { findings, type Finding } from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

const hear = serveRig<'all', readonly Finding[]>(
  async (rig, _, tell) => {
    // Questions that came meanwhile are heard first: only the newest is worth the work.
    await new Promise((resolve) => setTimeout(resolve, 0))
    return tell(0) ? findings(rig) : null
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<'all'>>) => hear(data))
