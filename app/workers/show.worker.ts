import {
  careOf,
  findBoard,
  pairTally,
  playedParts,
  showOn,
  walkShow,
  waysOfShow,
  type Rig,
  type Walked,
} from '#core'
import type { ToRigWorker } from '~/platform/rigWorker'
import type { ShowAnswer, ShowQuestion } from '~/platform/showWorker'
import { serveRig, type RigWork } from './serveRig'

/** Slices of work after which a board is taken for found: counted, so that the same rig gives the same board everywhere. */
const ROUNDS = 60

/** Others are heard. */
const breath = () => new Promise((resolve) => setTimeout(resolve, 0))

async function walk(rig: Rig, tell: (done: number) => boolean): Promise<ShowAnswer | null> {
  const show = showOn(rig)
  const parts: Walked[] = []
  const count = show ? playedParts(rig, show).length : 0
  if (show)
    for (const one of walkShow(rig, show)) {
      parts.push(one)
      if (parts.length % 10 > 0) continue
      await breath()
      if (!tell(parts.length / count)) return null
    }
  return { kind: 'walk', parts, ways: show ? waysOfShow(rig, show) : [] }
}

const board: RigWork<ShowQuestion, ShowAnswer> = async (rig, question, tell) => {
  const options = question === 'mindfulBoard' ? { care: careOf(pairTally(rig)) } : {}
  const show = showOn(rig)
  let answer: ShowAnswer = { kind: 'board', found: 'noParts' }
  if (show)
    for (const found of findBoard(rig, show, options)) {
      answer = { kind: 'board', found }
      const done = typeof found === 'string' ? 1 : found.rounds / ROUNDS
      await breath()
      if (!tell(done, answer)) return null
      if (done >= 1) break
    }
  return answer
}

const hear = serveRig<ShowQuestion, ShowAnswer>(
  (rig, question, tell) => (question === 'walk' ? walk(rig, tell) : board(rig, question, tell)),
  (message) => postMessage(message),
)

addEventListener('message', ({ data }: MessageEvent<ToRigWorker<ShowQuestion>>) => hear(data))
