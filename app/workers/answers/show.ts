import { careOf, pairTally } from '#core/practice'
import { playedParts, showOn } from '#core/rig'
import { findBoard, walkShow, waysOfShow, type NoBoard, type Proposal, type Walked } from '#core/show'
import type { Answerer } from '../serveQuestions'

/** Slices of work after which a board is taken for found: counted, so that the same rig gives the same board everywhere. */
const ROUNDS = 60

export const walk: Answerer<'walk'> = async (rig, _, { pause, tell }) => {
  const show = showOn(rig)
  const parts: Walked[] = []
  const count = show ? playedParts(rig, show).length : 0
  if (show)
    for (const one of walkShow(rig, show)) {
      parts.push(one)
      if (parts.length % 10 > 0) continue
      if (!(await pause())) return null
      tell(parts.length / count)
    }
  return { parts, ways: show ? waysOfShow(rig, show) : [] }
}

export const board: Answerer<'board'> = async (rig, { isMindful }, { pause, tell }) => {
  const show = showOn(rig)
  let answer: Proposal | NoBoard = 'noParts'
  if (show)
    for (const found of findBoard(rig, show, isMindful ? { care: careOf(pairTally(rig)) } : {})) {
      answer = found
      const done = typeof found === 'string' ? 1 : found.rounds / ROUNDS
      if (!(await pause())) return null
      tell(done, answer)
      if (done >= 1) break
    }
  return answer
}
