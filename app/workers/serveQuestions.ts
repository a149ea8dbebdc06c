import { withChanges, type Change, type Rig } from '#core/rig'
import type { Answered, Asked, QuestionName } from './questions'

/** What the page sends to a worker. The worker keeps a rig of its own, and with its rows what it has worked out of them. */
export type ToWorker =
  | { readonly kind: 'rig'; readonly rig: Rig }
  | { readonly kind: 'changes'; readonly changes: readonly Change[] }
  | AskMessage
  | { readonly kind: 'cancel'; readonly id: number }
  /** A foot or a key comes first: nothing is worked out until it is over. */
  | { readonly kind: 'rest'; readonly isOn: boolean }

export type AskMessage = {
  [Name in QuestionName]: {
    readonly kind: 'ask'
    readonly id: number
    readonly name: Name
    readonly asked: Asked<Name>
  }
}[QuestionName]

export type FromWorker =
  /** With the best so far, where it is one that improves. */
  | { readonly kind: 'progress'; readonly id: number; readonly done: number; readonly soFar?: unknown }
  | { readonly kind: 'answer'; readonly id: number; readonly answer: unknown }
  /** Its code did not come, or it threw. */
  | {
      readonly kind: 'failed'
      readonly id: number
      readonly why: 'gone' | 'threw'
      readonly text: string
    }

/** What an answer in the making has of the one who asked. */
export interface Turn<Answer> {
  /** Lets others go first, for so many ms and while a foot comes first; false once nobody waits for the answer. */
  readonly pause: (ms?: number) => Promise<boolean>
  /** Says how far it is, from 0 to 1. */
  readonly tell: (done: number, soFar?: Answer) => void
}

/** Works one answer out of a rig; whatever it gives once `pause` said that nobody waits is dropped. */
export type Answerer<Name extends QuestionName> = (
  rig: Rig,
  asked: Asked<Name>,
  turn: Turn<Answered<Name>>,
) => Answered<Name> | Promise<Answered<Name> | null>

/** How each question is answered; fetched when it is first asked. */
export type Answerers = { readonly [Name in QuestionName]: () => Promise<Answerer<Name>> }

/** The worker's side: keeps the rig up to date and answers what is asked. Whatever goes wrong is told, with the question it was. */
export function serveQuestions(
  answerers: Answerers,
  post: (message: FromWorker) => void,
): (message: ToWorker) => void {
  let rig: Rig | null = null
  const wanted = new Set<number>()
  let rest: { readonly over: Promise<void>; readonly end: () => void } | null = null

  function setRest(isOn: boolean): void {
    if (!isOn) {
      rest?.end()
      rest = null
    } else if (!rest) {
      let end = () => {}
      rest = { over: new Promise((resolve) => (end = resolve)), end: () => end() }
    }
  }

  async function answer<Name extends QuestionName>(
    id: number,
    name: Name,
    asked: Asked<Name>,
    of: Rig,
  ): Promise<void> {
    const turn: Turn<Answered<Name>> = {
      pause: async (ms = 0) => {
        await new Promise((resolve) => setTimeout(resolve, ms))
        while (rest) await rest.over
        return wanted.has(id)
      },
      tell: (done, soFar) => {
        if (wanted.has(id)) post({ kind: 'progress', id, done, ...(soFar !== undefined && { soFar }) })
      },
    }
    const fail = (why: 'gone' | 'threw', error: unknown) => {
      if (wanted.delete(id)) post({ kind: 'failed', id, why, text: String(error) })
    }
    let work: Answerer<Name>
    try {
      work = await answerers[name]()
    } catch (error) {
      return fail('gone', error)
    }
    try {
      // Questions that came meanwhile are heard first: only the newest is worth the work.
      if (!(await turn.pause())) return
      turn.tell(0)
      const made = await work(of, asked, turn)
      if (wanted.delete(id)) post({ kind: 'answer', id, answer: made })
    } catch (error) {
      fail('threw', error)
    }
  }

  return (message) => {
    if (message.kind === 'rig') rig = message.rig
    else if (message.kind === 'changes') rig = rig && withChanges(rig, message.changes)
    else if (message.kind === 'cancel') wanted.delete(message.id)
    else if (message.kind === 'rest') setRest(message.isOn)
    else {
      wanted.add(message.id)
      if (rig) void answer(message.id, message.name, message.asked, rig)
      else post({ kind: 'failed', id: message.id, why: 'threw', text: 'The rig did not come.' })
    }
  }
}
