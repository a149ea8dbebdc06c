import { own, type U7 } from '#core/base'
import { encodeMessage, hexOf, controlChange } from '#core/midi'
import {
  sendChannel,
  controlMessages,
  perTables,
  byIndex,
  type Rig,
  switchesHere,
  type BankId,
  isProgrammed,
  LAYERS,
  type Layer,
  type SwitchId,
} from '#core/rig'
import { COMPILE_KEYS, compile, messagesAmong, type CompiledStep, type Known } from '#core/switching'

/** What a foot did on a real controller, as far as its messages tell. */
export interface HeardStep {
  readonly bankId: BankId
  readonly layer: Layer
  /** Where the switch is: empty for the controller's own. */
  readonly jack: string
  readonly number: number
  readonly switchId: SwitchId
  readonly how: 'press' | 'long' | 'double'
  /** Of a press which position, from 0. */
  readonly position: number
  /** What comes behind the first pause of the list, and as the foot comes off, as hex, a message each. */
  readonly later: readonly string[]
}

/** What came in, set beside the plan: one step of it, or something no step sends. */
export type Heard =
  | {
      readonly kind: 'step'
      readonly step: HeardStep
      /** Other places that send the same, in other banks or layers: the controller turns banks without a word. */
      readonly also: readonly HeardStep[]
    }
  /** Several switches send just this, none of them nearer than another; or one that stands in several banks. */
  | { readonly kind: 'several'; readonly steps: readonly HeardStep[] }
  /** No switch sends just this. */
  | { readonly kind: 'nothing' }

const EVENTS = [
  ['press', 'press'],
  ['longPress', 'long'],
  ['doublePress', 'double'],
] as const

/** Messages in any order, as one text. */
const keyOf = (messages: readonly string[]): string => messages.toSorted().join('|')

const hexOfAll = (steps: readonly CompiledStep[]): string[] =>
  messagesAmong(steps).map(({ message }) => hexOf(encodeMessage(message)))

function inParts(steps: readonly CompiledStep[]): { now: string[]; later: string[] } {
  const end = steps.findIndex(({ kind }) => kind === 'wait' || kind === 'start')
  return end < 0
    ? { now: hexOfAll(steps), later: [] }
    : { now: hexOfAll(steps.slice(0, end)), later: hexOfAll(steps.slice(end)) }
}

/** Every step that sends something, by what it sends. */
const allSteps = perTables([...COMPILE_KEYS, 'switches', 'banks'], (rig: Rig) => {
  const steps = new Map<string, HeardStep[]>()
  for (const bank of byIndex(rig.banks))
    for (const layer of LAYERS)
      for (const one of switchesHere(rig, bank.id, layer).values()) {
        if (!isProgrammed(one) || (layer === 'shift' && one.layer !== 'shift')) continue
        for (const [event, how] of EVENTS)
          for (let position = 0; position < (how === 'press' ? one.positions.length : 1); position++) {
            const { now, later } = inParts(compile(rig, one, event, position))
            // A foot that comes off a plain step is no step of its own.
            const off = how === 'press' ? hexOfAll(compile(rig, one, 'release')) : []
            if (now.length === 0) continue
            const key = keyOf(now)
            const step: HeardStep = {
              bankId: bank.id,
              layer,
              jack: one.jack,
              number: one.number,
              switchId: one.id,
              how,
              position,
              later: [...later, ...off],
            }
            const same = steps.get(key)
            if (same) same.push(step)
            else steps.set(key, [step])
          }
      }
  return steps
})

/** How messages begin that a pedal of the rig sends as it moves, in hex: "B3 0B". */
const pedalHeads = perTables(['pedals', 'controls', 'devices'], (rig: Rig): ReadonlySet<string> => {
  const heads = new Set<string>()
  for (const { roles } of Object.values(rig.pedals))
    for (const { targets } of roles)
      for (const { controlId, number } of targets) {
        const control = own(rig.controls, controlId)
        const device = own(rig.devices, control?.deviceId ?? '')
        const channel = device ? sendChannel(rig, device) : null
        if (!control || channel === null) continue
        const messages =
          number === null
            ? controlMessages(control.address, channel, 0)
            : [controlChange(channel, number, 0 as U7)]
        for (const message of messages) heads.add(hexOf(encodeMessage(message)).slice(0, HEAD))
      }
  return heads
})

/** Status and controller number. */
const HEAD = 5

/** Whether a message, as hex, may come from a pedal that moves: it tells of no step by itself. */
export const mayBePedal = (rig: Rig, message: string): boolean => pedalHeads(rig).has(message.slice(0, HEAD))

/**
 * Which step a real controller's messages come from: `messages` as hex, those that came within a moment, in any order. What
 * is under the foot by what the floor knows goes first, then other positions of it, the other layer, other banks. What hangs
 * on what was sent before (a resync, a list of the show) is known by what it does first.
 */
export function hearStep(
  rig: Rig,
  { bankId, layer, next }: Pick<Known, 'bankId' | 'layer' | 'next'>,
  messages: readonly string[],
): Heard {
  const all = allSteps(rig).get(keyOf(messages)) ?? []
  const rank = (one: HeardStep): number =>
    one.bankId !== bankId
      ? 3
      : one.layer !== layer
        ? 2
        : one.how === 'press' && one.position !== (own(next, one.switchId) ?? 0)
          ? 1
          : 0
  const least = Math.min(...all.map(rank))
  const nearest = all.filter((one) => rank(one) === least)
  const [step] = nearest
  if (!step) return { kind: 'nothing' }
  const rivals = nearest.filter(
    (one) =>
      one.switchId !== step.switchId ||
      one.how !== step.how ||
      one.position !== step.position ||
      // One of every bank, and this bank is not among them: which it was nobody can tell.
      one.bankId !== step.bankId,
  )
  if (rivals.length > 0) return { kind: 'several', steps: [step, ...rivals] }
  return {
    kind: 'step',
    step,
    also: all.filter(({ switchId }) => switchId !== step.switchId),
  }
}
