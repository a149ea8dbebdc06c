import { onScopeDispose, readonly, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import type { Rig } from '#core/rig'
import { usePlatform } from '~/platform/platform'
import type { WorkFault } from '~/platform/workers'
import type { Answered, Asked, QuestionName } from '~/workers/questions'

export interface WorkedOut<Name extends QuestionName> {
  /** What was last answered, or the best so far, with the rig it was made from. */
  readonly answer: Readonly<ShallowRef<{ readonly value: Answered<Name>; readonly of: Rig } | null>>
  /** How far the one in the making is, from 0 to 1; null while nothing is asked. */
  readonly done: Readonly<Ref<number | null>>
  /** Why what was asked last was not answered. */
  readonly fault: Readonly<ShallowRef<WorkFault | null>>
  readonly ask: (rig: Rig, asked: Asked<Name>) => void
  /** Asks once more what was not answered. */
  readonly again: () => void
  readonly cancel: () => void
  /** Nothing is known any more. */
  readonly forget: () => void
}

/**
 * One question put to a worker, again and again as the rig changes: what is shown stays that of the rig before until it
 * is answered, and of what is not answered it is said why.
 */
export function useAnswer<Name extends QuestionName>(name: Name): WorkedOut<Name> {
  const asker = usePlatform().workers.open(name)
  onScopeDispose(asker.close)
  const answer = shallowRef<{ readonly value: Answered<Name>; readonly of: Rig } | null>(null)
  const done = ref<number | null>(null)
  const fault = shallowRef<WorkFault | null>(null)
  let last: { readonly rig: Rig; readonly asked: Asked<Name> } | null = null

  function ask(rig: Rig, asked: Asked<Name>): void {
    last = { rig, asked }
    fault.value = null
    done.value = 0
    asker.ask(rig, asked, {
      heard: (value, of) => {
        answer.value = { value, of }
        done.value = null
      },
      failed: (why) => {
        fault.value = why
        done.value = null
      },
      progress: (far, soFar) => {
        done.value = far
        if (soFar !== undefined) answer.value = { value: soFar, of: rig }
      },
    })
  }

  function cancel(): void {
    asker.cancel()
    done.value = null
  }

  return {
    answer,
    done: readonly(done),
    fault,
    ask,
    again: () => last && ask(last.rig, last.asked),
    cancel,
    forget: () => {
      cancel()
      answer.value = null
      fault.value = null
      last = null
    },
  }
}
