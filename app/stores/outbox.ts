import type { PostEdit, RevisionReply } from '#shared/contract/rigs'
import type { ErrorReply } from '#shared/errors'
import type { Answer } from '~/platform/rigServer'

/** Where the edits not yet confirmed stand. */
export type OutboxState =
  | { readonly kind: 'empty' }
  | { readonly kind: 'sending' }
  /** Not now: the server cannot be reached, or says why it cannot take anything; tried again by itself. */
  | { readonly kind: 'away'; readonly error?: ErrorReply['error'] }
  /** The server refused the first edit; nothing is sent until the player decides. */
  | { readonly kind: 'refused'; readonly error: ErrorReply['error'] }

export interface OutboxOptions {
  /** Edits that were waiting before; nothing is sent until `replace`. */
  readonly waiting: readonly PostEdit[]
  readonly post: (edit: PostEdit) => Promise<Answer<RevisionReply>>
  readonly wait: (milliseconds: number) => Promise<void>
  /** Called after every change of the queue or of its state. */
  readonly onChange: (pending: readonly PostEdit[], state: OutboxState) => void
  readonly onSaved: (reply: RevisionReply) => void
}

export interface Outbox {
  readonly add: (edit: PostEdit) => void
  /** Takes one out unsent. Only when nothing is on its way: when refused, or held. */
  readonly drop: (id: string) => void
  /**
   * Ends sending by itself, and once nothing is on its way offers what waits to the server, each once and in
   * order, until one is not taken: afterwards nothing waits that the server has.
   */
  readonly hold: () => Promise<void>
  /** Replaces what is waiting and starts sending again. */
  readonly replace: (pending: readonly PostEdit[]) => void
  /** Tries at once after a refusal. */
  readonly retry: () => void
  readonly stop: () => void
}

const FIRST_WAIT = 500
const LONGEST_WAIT = 8000

/** Sends edits one at a time, in the order they were made, until each is confirmed. */
export function createOutbox({ waiting, post, wait, onChange, onSaved }: OutboxOptions): Outbox {
  let pending = waiting
  let state: OutboxState = { kind: 'empty' }
  let isHeld = true
  let isStopped = false
  /** What is being sent now; settled when its answer has come. */
  let onItsWay: Promise<unknown> = Promise.resolve()
  let isRunning = false

  const tell = (next: OutboxState) => {
    state = next
    onChange(pending, state)
  }
  const restState = (): OutboxState => ({ kind: pending.length > 0 ? 'sending' : 'empty' })

  /** Offers the first edit. False when it was not taken; the state says why. */
  async function offer(first: PostEdit): Promise<boolean> {
    const answering = post(first)
    onItsWay = answering
    const answer = await answering
    if (isStopped) return false
    if (answer.kind !== 'done') {
      tell(answer.kind === 'refused' ? { kind: 'refused', error: answer.error } : awayBecause(answer.error))
      return false
    }
    // It may have been replaced while it was on its way.
    pending = pending.filter(({ id }) => id !== first.id)
    onSaved(answer.value)
    tell(restState())
    return true
  }

  async function run(): Promise<void> {
    if (isRunning) return
    isRunning = true
    let pause = FIRST_WAIT
    while (!isStopped && !isHeld && pending[0] && state.kind !== 'refused') {
      if (await offer(pending[0])) pause = FIRST_WAIT
      else if (state.kind === 'away' && !isStopped) {
        await wait(pause)
        pause = Math.min(pause * 2, LONGEST_WAIT)
      }
    }
    isRunning = false
  }

  function goOn(): void {
    isHeld = false
    tell(restState())
    void run()
  }

  return {
    add: (edit) => {
      pending = [...pending, edit]
      tell(state.kind === 'empty' ? restState() : state)
      void run()
    },
    drop: (id) => {
      pending = pending.filter((one) => one.id !== id)
      tell(pending.length > 0 ? state : { kind: 'empty' })
    },
    hold: async () => {
      isHeld = true
      await onItsWay
      while (!isStopped && pending[0] && (await offer(pending[0])));
    },
    replace: (edits) => {
      pending = edits
      goOn()
    },
    retry: goOn,
    stop: () => {
      isStopped = true
    },
  }
}

const awayBecause = (error: ErrorReply['error'] | undefined): OutboxState =>
  error ? { kind: 'away', error } : { kind: 'away' }
