import { change, own, TABLE_NAMES, type Change, type Rig, type TableName, type Tables } from '#core'

/** What the page sends to a worker that keeps a rig of its own. */
export type ToRigWorker<Question> =
  | { readonly kind: 'rig'; readonly rig: Rig }
  /** What has changed since: the worker's rig keeps all other rows, and with them what it has worked out. */
  | { readonly kind: 'changes'; readonly changes: readonly Change[] }
  | { readonly kind: 'ask'; readonly id: number; readonly question: Question }
  | { readonly kind: 'cancel'; readonly id: number }

export type FromRigWorker<Answer> =
  /** With the best so far, where it is one that improves. */
  | { readonly kind: 'progress'; readonly id: number; readonly done: number; readonly soFar?: Answer }
  | { readonly kind: 'answer'; readonly id: number; readonly answer: Answer }

/**
 * Heavy work on a rig off the page's thread. Ask, hear of progress (0 to 1), get the answer; asking again, or
 * cancelling, gives up what was asked before. An answer comes with the rig it was made from.
 */
export interface RigWorker<Question, Answer> {
  readonly ask: (
    rig: Rig,
    question: Question,
    heard: (answer: Answer, madeFrom: Rig) => void,
    progress?: (done: number, soFar?: Answer) => void,
  ) => void
  readonly cancel: () => void
  readonly close: () => void
}

/** The part of a worker that is needed of it. */
export interface Port {
  readonly postMessage: (message: unknown) => void
  readonly listen: (hear: (message: unknown) => void) => void
  readonly close: () => void
}

export function createRigWorker<Question, Answer>(port: Port): RigWorker<Question, Answer> {
  let sent: Rig | null = null
  let asked = 0
  let waiting: {
    id: number
    rig: Rig
    heard: (answer: Answer, madeFrom: Rig) => void
    progress?: (done: number, soFar?: Answer) => void
  } | null = null
  const post = (message: ToRigWorker<Question>) => port.postMessage(message)
  port.listen((message) => {
    const one = message as FromRigWorker<Answer>
    if (!waiting || waiting.id !== one.id) return
    if (one.kind === 'progress') return waiting.progress?.(one.done, one.soFar)
    const { heard, rig } = waiting
    waiting = null
    heard(one.answer, rig)
  })
  function cancel(): void {
    if (waiting) post({ kind: 'cancel', id: waiting.id })
    waiting = null
  }
  return {
    ask: (rig, question, heard, progress) => {
      cancel()
      if (!sent) post({ kind: 'rig', rig })
      else {
        const changes = changesBetween(sent, rig)
        if (changes.length > 0) post({ kind: 'changes', changes })
      }
      sent = rig
      waiting = { id: ++asked, rig, heard, ...(progress && { progress }) }
      post({ kind: 'ask', id: asked, question })
    },
    cancel,
    close: () => {
      cancel()
      port.close()
    },
  }
}

/** Rows that are other objects now: an edit leaves all others as they are. */
export function changesBetween(from: Rig, to: Rig): Change[] {
  return TABLE_NAMES.flatMap((table) => {
    if (from[table] === to[table]) return []
    const [before, after] = [rowsOf(from, table), rowsOf(to, table)]
    const gone = Object.keys(before).flatMap((id): Change[] =>
      Object.hasOwn(after, id) ? [] : [change(table, id, before[id] as never, null)],
    )
    const come = Object.keys(after).flatMap((id): Change[] =>
      own(before, id) === after[id] ? [] : [change(table, id, null, after[id] as never)],
    )
    return [...gone, ...come]
  })
}

const rowsOf = (rig: Rig, table: TableName) => rig[table] as { readonly [id: string]: Tables[TableName] }

/** A worker of the browser as a port. */
export const browserPort = (worker: Worker): Port => ({
  postMessage: (message) => worker.postMessage(message),
  listen: (hear) => worker.addEventListener('message', ({ data }: MessageEvent) => hear(data)),
  close: () => worker.terminate(),
})
