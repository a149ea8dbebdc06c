import { answerOfPast, type PastAnswer, type PastQuestion } from '~/platform/pastWorker'
import type { ToRigWorker } from '~/platform/rigWorker'
import { serveRig } from './serveRig'

const hear = serveRig<PastQuestion, PastAnswer>(
  async (rig, question, tell) => {
    // Questions that came meanwhile are heard first: only the newest is worth the work.
    await new Promise((resolve) => setTimeout(resolve, 0))
    return tell(0) ? answerOfPast(rig, question) : null
  },
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<PastQuestion>>) => hear(data))
