import { own } from '../base/own'
import { perRow } from '../rig/perTables'
import type { Rig, TableName } from '../rig/rig'
import type { Action } from '../rig/table/action'
import type { Footswitch } from '../rig/table/switch'
import type { Step } from '../sound/step'
import { WANT_TABLES } from '../sound/want'
import { actionSteps } from './action'

export type SwitchEvent = 'press' | 'release'

/** A step with the action of the list that asked for it, from 0. */
export type CompiledStep = Step & { readonly action: number }

/** A message with what it is for. */
export type CompiledMessage = Extract<CompiledStep, { kind: 'send' }>

/** What a switch does: for each position when pressed, and when let go. */
interface CompiledSwitch {
  readonly positions: readonly (readonly CompiledStep[])[]
  readonly release: readonly CompiledStep[]
}

/** What decides what a switch does, besides its own row and whose bank it is in. */
export const COMPILE_TABLES = [...WANT_TABLES, 'sounds'] as const satisfies TableName[]

/** By controller: a bank seldom changes hands, and is often renamed. */
const known = perRow(COMPILE_TABLES, (_, __: Footswitch) => new Map<string, CompiledSwitch>())

function compiled(rig: Rig, footswitch: Footswitch): CompiledSwitch {
  const controllerId = own(rig.banks, footswitch.bankId)?.controllerId ?? ''
  const byController = known(rig, footswitch)
  let found = byController.get(controllerId)
  if (!found) byController.set(controllerId, (found = work(rig, footswitch, controllerId)))
  return found
}

function work(rig: Rig, { positions, release }: Footswitch, controllerId: string): CompiledSwitch {
  const controller = own(rig.controllers, controllerId) ?? null
  const compileAll = (actions: readonly Action[]) =>
    actions.flatMap((one, action) =>
      actionSteps(rig, one, controller).map((step): CompiledStep => ({ ...step, action })),
    )
  return { positions: positions.map(compileAll), release: compileAll(release) }
}

const NOTHING: readonly CompiledStep[] = []

/**
 * What a switch does, in order. `position` counts from 0 and matters to presses only; a position the switch
 * does not have does nothing. A device that listens on no channel is sent nothing.
 */
export function compile(
  rig: Rig,
  footswitch: Footswitch,
  event: SwitchEvent,
  position: number,
): readonly CompiledStep[] {
  const { positions, release } = compiled(rig, footswitch)
  return event === 'press' ? (positions[position] ?? NOTHING) : release
}

/** The messages among steps. */
export const messagesAmong = (steps: readonly CompiledStep[]): CompiledMessage[] =>
  steps.filter((step) => step.kind === 'send')
