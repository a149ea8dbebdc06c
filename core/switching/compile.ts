import { own } from '#core/base'
import {
  bankShape,
  showShape,
  perRow,
  type Key,
  type Rig,
  type TableName,
  type Action,
  type ControllerEvent,
  type Footswitch,
} from '#core/rig'
import { WANT_TABLES } from '#core/sound'
import { actionSteps, expanded, oneOf } from './action'
import type { Doing } from './action/actionDoes'
import { learn, NOTHING_KNOWN, type Known } from './known'
import type { ActionStep } from './step'

/** What a foot does that a switch can answer to. */
export type SwitchEvent = ControllerEvent

/** A step with the action of the list that asked for it, from 0. */
export type CompiledStep = ActionStep & { readonly action: number }

/** A message with what it is for. */
export type CompiledMessage = Extract<CompiledStep, { kind: 'send' }>

/** What a switch does: for each position when pressed, and for each other thing a foot does. */
interface CompiledSwitch {
  readonly positions: readonly (readonly CompiledStep[])[]
  readonly release: readonly CompiledStep[]
  readonly longPress: readonly CompiledStep[]
  readonly doublePress: readonly CompiledStep[]
}

/** What decides what a sound sends. */
export const COMPILE_TABLES = [...WANT_TABLES, 'sounds', 'macros', 'banks'] as const satisfies TableName[]

/** What decides what a switch does, besides its own row and whose bank it is in: of banks only how they lie matters, of the show how it runs. */
export const COMPILE_KEYS: readonly Key[] = [...WANT_TABLES, 'sounds', 'macros', bankShape, showShape]

const compiled = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): CompiledSwitch => {
  const doing = doingFirst(rig, footswitch)
  const all = (actions: readonly Action[]) => listSteps(rig, actions, doing)
  const { positions, release, longPress, doublePress } = footswitch
  return {
    positions: positions.map(all),
    release: all(release),
    longPress: all(longPress),
    doublePress: all(doublePress),
  }
})

/** A switch stepped on by a controller that knows nothing yet but where it is. */
export function doingFirst(rig: Rig, { id, bankId, layer }: Footswitch): Doing {
  const controller = own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '') ?? null
  return { controller, known: { ...NOTHING_KNOWN, bankId, layer }, at: 0, by: id }
}

/** What a list comes to, each action knowing what those before it made known. */
export function listSteps(rig: Rig, actions: readonly Action[], doing: Doing): CompiledStep[] {
  let { known } = doing
  return expanded(rig, actions).flatMap(({ action, at }) => {
    const steps = actionSteps(rig, action, { ...doing, known })
    known = afterSteps(known, steps)
    return steps.map((one): CompiledStep => ({ ...one, action: at }))
  })
}

/**
 * The same where an action does one of several things by what is known: with the one that takes most messages in its
 * place.
 */
export function mostSteps(
  rig: Rig,
  footswitch: Footswitch,
  event: SwitchEvent,
  position = 0,
): readonly CompiledStep[] {
  const actions = event === 'press' ? (footswitch.positions[position] ?? []) : footswitch[event]
  const all = expanded(rig, actions)
  if (all.every(({ action }) => oneOf(rig, action).length === 0))
    return compile(rig, footswitch, event, position)
  const doing = doingFirst(rig, footswitch)
  const most = all.map(({ action }): Action => {
    const lengths = oneOf(rig, action).map((one) => ({
      one,
      length: storedMessages(listSteps(rig, [one], doing)),
    }))
    return lengths.sort((a, b) => b.length - a.length)[0]?.one ?? action
  })
  return listSteps(rig, most, doing).map((step) => ({ ...step, action: all[step.action]!.at }))
}

/** What a controller knows once steps are done, those that run by themselves begun. */
function afterSteps(known: Known, steps: readonly ActionStep[]): Known {
  return steps.reduce((before, step): Known => {
    if (step.kind === 'know') return learn(before, step.learned)
    if (step.kind === 'start') return { ...before, running: { ...before.running, [step.name]: 0 } }
    if (step.kind !== 'stop' || own(before.running, step.name) === undefined) return before
    const { [step.name]: _, ...running } = before.running
    return { ...before, running }
  }, known)
}

const NOTHING: readonly CompiledStep[] = []

/**
 * What a switch does, in order, as long as the controller knows nothing of what was sent before. `position` counts
 * from 0 and matters to presses only; a position the switch does not have does nothing. A device that listens on no
 * channel is sent nothing.
 */
export function compile(
  rig: Rig,
  footswitch: Footswitch,
  event: SwitchEvent,
  position = 0,
): readonly CompiledStep[] {
  const all = compiled(rig, footswitch)
  return event === 'press' ? (all.positions[position] ?? NOTHING) : all[event]
}

/** The messages among steps, with those of what runs by itself in the order they are begun. */
export const messagesAmong = (steps: readonly CompiledStep[]): CompiledMessage[] =>
  steps.flatMap((step) =>
    step.kind === 'send'
      ? [step]
      : step.kind === 'start'
        ? messagesAmong(step.steps.map((one): CompiledStep => ({ ...one, action: step.action })))
        : [],
  )

/** The messages a controller must hold for steps: what runs by itself is one thing it knows how to do. */
export const storedMessages = (steps: readonly CompiledStep[]): number =>
  steps.filter(({ kind }) => kind === 'send' || kind === 'start').length
