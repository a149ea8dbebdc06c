import { slowFindings } from '#core/check'
import type { Answerer } from '../serveQuestions'

/** What was found so far is told again after so long, in ms. */
const TELL = 300

/** So long it works, and so long it rests, in ms: on a small machine the page is drawn meanwhile. */
const TURN = 25

export const search: Answerer<'search'> = async (rig, question, { pause, tell }) => {
  const steps = slowFindings(rig, question)
  let told = performance.now()
  for (let last = performance.now(); ;) {
    const step = steps.next()
    if (step.done) return step.value
    if (performance.now() - last < TURN) continue
    if (!(await pause(TURN))) return null
    last = performance.now()
    const { done, soFar } = step.value
    const isNew = last - told > TELL
    if (isNew) told = last
    tell(done, isNew ? soFar : undefined)
  }
}
