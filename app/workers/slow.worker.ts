import { slowFindings, type SlowFindings, type SlowQuestion } from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

/** A turn is given to what came meanwhile this often, in ms. */
const TURN = 30

const hear = serveRig<SlowQuestion, SlowFindings>(
  async (rig, question, tell) => {
    const search = slowFindings(rig, question)
    for (let last = performance.now(); ;) {
      const step = search.next()
      if (step.done) return step.value
      if (performance.now() - last < TURN) continue
      await new Promise((resolve) => setTimeout(resolve, 0))
      last = performance.now()
      if (!tell(step.value)) return null
    }
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<SlowQuestion>>) => hear(data))
