import { slowFindings, type SlowFindings, type SlowQuestion } from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

/** What was found so far is told again after so long, in ms. */
const TELL = 300

/** So long it works, and so long it rests, in ms: on a small machine the page is drawn meanwhile. */
const TURN = 25

const hear = serveRig<SlowQuestion, SlowFindings>(
  async (rig, question, tell) => {
    const search = slowFindings(rig, question)
    let told = performance.now()
    for (let last = performance.now(); ;) {
      const step = search.next()
      if (step.done) return step.value
      if (performance.now() - last < TURN) continue
      await new Promise((resolve) => setTimeout(resolve, TURN))
      last = performance.now()
      const { done, soFar } = step.value
      const isNew = last - told > TELL
      if (isNew) told = last
      if (!tell(done, isNew ? soFar : undefined)) return null
    }
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<SlowQuestion>>) => hear(data))
