import { slowFindings, type SlowFindings, type SlowQuestion } from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

/** So long it works, and so long it rests, in ms: on a small machine the page is drawn meanwhile. */
const TURN = 25

const hear = serveRig<SlowQuestion, SlowFindings>(
  async (rig, question, tell) => {
    const search = slowFindings(rig, question)
    for (let last = performance.now(); ;) {
      const step = search.next()
      if (step.done) return step.value
      if (performance.now() - last < TURN) continue
      await new Promise((resolve) => setTimeout(resolve, TURN))
      last = performance.now()
      if (!tell(step.value)) return null
    }
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<SlowQuestion>>) => hear(data))
