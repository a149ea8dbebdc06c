import { findings } from '#core/check'
import { compareRigs, saveStates } from '#core/history'
import { toldSheet } from '#core/keyin'
import { soundMatrix } from '#core/sound'
import type { Answerer } from '../serveQuestions'

export const allFindings: Answerer<'findings'> = (rig) => findings(rig)

export const matrix: Answerer<'matrix'> = (rig) => soundMatrix(rig)

export const sheet: Answerer<'sheet'> = (rig, controllerId) => toldSheet(rig, controllerId)

export const compare: Answerer<'compare'> = (rig, { before, after }) => compareRigs(before, after ?? rig)

export const boxStates: Answerer<'saveStates'> = (rig, { facts, rigs }) => {
  const byRevision = new Map(rigs)
  return saveStates(rig, facts, (revision) => byRevision.get(revision) ?? null)
}
