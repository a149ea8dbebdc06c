import type { PostEdit, RevisionReply } from '#shared/contract/rigs'
import type { ErrorReply } from '#shared/errors'
import type { Answer } from '~/platform/rigServer'

/** Where the edits not yet confirmed stand. */
export type OutboxState =
  | { readonly kind: 'empty' }
  | { readonly kind: 'sending' }
  /** The server cannot be reached; tried again by itself. */
  | { readonly kind: 'away' }
  /** The server refused the first edit; nothing is sent until the player decides. */
  | { readonly kind: 'refused'; readonly error: ErrorReply['error'] }

export interface OutboxOptions {
  readonly post: (edit: PostEdit) => Promise<Answer<RevisionReply>>
  readonly wait: (milliseconds: number) => Promise<void>
  /** Called after every change of the queue or of its state. */
  readonly onChange: (pending: readonly PostEdit[], state: OutboxState) => void
  readonly onSaved: (reply: RevisionReply) => void
}

export interface Outbox {
  readonly add: (edit: PostEdit) => void
  /** Replaces what is waiting and starts sending again. */
  readonly replace: (pending: readonly PostEdit[]) => void
  /** Tries at once after a refusal. */
  readonly retry: () => void
  readonly stop: () => void
}

const FIRST_WAIT = 500
const LONGEST_WAIT = 8000

/** Sends edits one at a time, in the order they were made, until each is confirmed. */
export function createOutbox({ post, wait, onChange, onSaved }: OutboxOptions): Outbox {
  let pending: readonly PostEdit[] = []
  let state: OutboxState = { kind: 'empty' }
  let isRunning = false
  let isStopped = false

  const tell = (next: OutboxState) => {
    state = next
    onChange(pending, state)
  }

  async function run(): Promise<void> {
    if (isRunning) return
    isRunning = true
    let pause = FIRST_WAIT
    while (!isStopped && pending[0] && state.kind !== 'refused') {
      const first = pending[0]
      const answer = await post(first)
      if (isStopped) break
      if (answer.kind === 'done') {
        pause = FIRST_WAIT
        // It may have been replaced while it was on its way.
        pending = pending.filter(({ id }) => id !== first.id)
        onSaved(answer.value)
        tell(pending.length > 0 ? { kind: 'sending' } : { kind: 'empty' })
      } else if (answer.kind === 'refused') {
        tell({ kind: 'refused', error: answer.error })
      } else {
        tell({ kind: 'away' })
        await wait(pause)
        pause = Math.min(pause * 2, LONGEST_WAIT)
      }
    }
    isRunning = false
  }

  return {
    add: (edit) => {
      pending = [...pending, edit]
      tell(state.kind === 'empty' ? { kind: 'sending' } : state)
      void run()
    },
    replace: (edits) => {
      pending = edits
      tell({ kind: edits.length > 0 ? 'sending' : 'empty' })
      void run()
    },
    retry: () => {
      tell({ kind: pending.length > 0 ? 'sending' : 'empty' })
      void run()
    },
    stop: () => {
      isStopped = true
    },
  }
}
