import type { Rig, Controller } from '#core/rig'
import { faultsOf, sameMessages, type HeardFault } from './faults'
import { expectedOf, gestureKey, gesturesOf, type Gesture, type HeardMessage } from './gestures'

/** What came in for a gesture that was asked for. */
export interface Take {
  readonly gesture: Gesture
  readonly sent: readonly HeardMessage[]
}

/** What was heard of a gesture, held against what it should send. */
export type HeardVerdict =
  | { readonly kind: 'right' }
  | { readonly kind: 'wrong'; readonly faults: readonly HeardFault[] }
  /** What it should send hangs on what was sent before, and this is none of what it sends from power-on. */
  | { readonly kind: 'cannotTell' }
  /** It sends nothing, as planned: nobody can hear whether it does what it should. */
  | { readonly kind: 'unheard' }

/** A gesture with what was heard of it; null while it was not. */
export interface Judged {
  readonly gesture: Gesture
  readonly take: Take | null
  readonly verdict: HeardVerdict | null
}

/** What one gesture sent, against the plan; of other switches nothing is asked. */
function verdictOf(rig: Rig, { gesture, sent }: Take): HeardVerdict {
  const { sends, also, isSure, hangsOnFoot } = expectedOf(rig, gesture)
  const faults = faultsOf(sends, sent)
  if (faults.length === 0) return sends.length === 0 ? { kind: 'unheard' } : { kind: 'right' }
  if (also.some((one) => sameMessages(one, sent))) return { kind: 'right' }
  const isOpen = !isSure || (hangsOnFoot && faults.every(({ kind }) => kind === 'order'))
  return isOpen ? { kind: 'cannotTell' } : { kind: 'wrong', faults }
}

/**
 * The whole board: every gesture with its verdict, in order; the last take of each counts. What sends exactly what another
 * switch of its bank should, and only that one, is that other; two that do so for each other are swapped.
 */
export function judgeBoard(rig: Rig, controller: Controller, takes: readonly Take[]): readonly Judged[] {
  const last = new Map(takes.map((take) => [gestureKey(take.gesture), take]))
  const all = gesturesOf(rig, controller)
  const judged = all.map((gesture): Judged => {
    const take = last.get(gestureKey(gesture)) ?? null
    return { gesture, take, verdict: take && verdictOf(rig, take) }
  })
  for (const at of turnedSwitches(rig, judged)) judged[at] = { ...judged[at]!, verdict: { kind: 'right' } }
  const others = new Map<string, string>()
  for (const { gesture, take, verdict } of judged) {
    if (!take || verdict?.kind !== 'wrong' || take.sent.length === 0) continue
    const meant = all.filter(
      (one) =>
        one.bankId === gesture.bankId &&
        one.layer === gesture.layer &&
        one.how === gesture.how &&
        (one.jack !== gesture.jack || one.number !== gesture.number) &&
        sameMessages(expectedOf(rig, one).sends, take.sent),
    )
    if (meant.length === 1) others.set(gestureKey(gesture), gestureKey(meant[0]!))
  }
  return judged.map((one): Judged => {
    const key = gestureKey(one.gesture)
    const other = others.get(key)
    if (other === undefined) return one
    const isMutual = others.get(other) === key
    return {
      ...one,
      verdict: { kind: 'wrong', faults: [{ kind: isMutual ? 'swapped' : 'another', gesture: other }] },
    }
  })
}

/**
 * Taps of switches with several positions that began with another than the first: a controller remembers where it was. Places
 * among the gestures; none where what was heard is no turn of what was planned.
 */
function turnedSwitches(rig: Rig, judged: readonly Judged[]): number[] {
  const bySwitch = new Map<string, number[]>()
  judged.forEach(({ gesture }, n) => {
    if (gesture.how !== 'tap') return
    const key = [gesture.bankId, gesture.layer, gesture.jack, gesture.number].join('/')
    bySwitch.set(key, [...(bySwitch.get(key) ?? []), n])
  })
  return [...bySwitch.values()].flatMap((all) => {
    const heard = all.filter((n) => judged[n]!.take !== null)
    if (all.length < 2 || !heard.some((n) => judged[n]!.verdict?.kind === 'wrong')) return []
    const planned = all.map((n) => expectedOf(rig, judged[n]!.gesture).sends)
    const isTurned = all.some((_, by) =>
      heard.every((n) => sameMessages(planned[(all.indexOf(n) + by) % all.length]!, judged[n]!.take!.sent)),
    )
    return isTurned ? heard : []
  })
}

/** Which gesture messages came from where nobody said: those of a bank that send just this. */
export function gesturesThatSend(
  rig: Rig,
  controller: Controller,
  bankId: string,
  sent: readonly HeardMessage[],
): readonly Gesture[] {
  return gesturesOf(rig, controller).filter((gesture) => {
    if (gesture.bankId !== bankId || sent.length === 0) return false
    const { sends, also } = expectedOf(rig, gesture)
    return sameMessages(sends, sent) || also.some((one) => sameMessages(one, sent))
  })
}
