import { withChanges, type Rig } from '#core'
import type { FromRigWorker, ToRigWorker } from '~/platform/rigWorker'

/** Does one question on a rig; `tell` says how far it is, from 0 to 1, and is false once nobody waits for it. */
export type RigWork<Question, Answer> = (
  rig: Rig,
  question: Question,
  tell: (done: number, soFar?: Answer) => boolean,
) => Promise<Answer | null>

/** The worker's side: keeps the rig up to date by its changes, and answers what is asked of it. */
export function serveRig<Question, Answer>(
  work: RigWork<Question, Answer>,
  post: (message: FromRigWorker<Answer>) => void,
): (message: ToRigWorker<Question>) => void {
  let rig: Rig | null = null
  let wanted = 0
  return (message) => {
    if (message.kind === 'rig') rig = message.rig
    else if (message.kind === 'changes') rig = rig && withChanges(rig, message.changes)
    else if (message.kind === 'cancel') wanted = 0
    else if (rig) {
      const { id } = message
      wanted = id
      const tell = (done: number, soFar?: Answer) => {
        if (wanted === id) post({ kind: 'progress', id, done, ...(soFar !== undefined && { soFar }) })
        return wanted === id
      }
      void work(rig, message.question, tell).then((answer) => {
        if (answer !== null && wanted === id) post({ kind: 'answer', id, answer })
      })
    }
  }
}
