import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import { change, type Change, type Edit, type EditLabel } from '../edit'
import type { Rig } from '../rig'
import type { Action } from '../table/action'
import type { BankId } from '../table/bank'
import type { ControllerEvent, ControllerId } from '../table/controller'
import type { MacroId } from '../table/macro'
import type { Footswitch } from '../table/switch'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

/** Where a list of actions stands: on a switch, in a macro, at the coming to or leaving of a bank, at power-on. */
export type ListPlace =
  /** `position` counts from 0 and matters to presses only. */
  | {
      readonly of: 'switch'
      readonly slot: SwitchSlot
      readonly event: ControllerEvent
      readonly position: number
    }
  | { readonly of: 'macro'; readonly macroId: MacroId }
  | { readonly of: 'bank'; readonly bankId: BankId; readonly when: 'enter' | 'leave' }
  | { readonly of: 'controller'; readonly controllerId: ControllerId }

const NONE: readonly Action[] = []

/** The actions of a list; none of one that is not there. */
export function actionsAt(rig: Rig, place: ListPlace): readonly Action[] {
  switch (place.of) {
    case 'switch':
      return ofSwitch(switchAt(rig, place.slot), place.event, place.position)
    case 'macro':
      return own(rig.macros, place.macroId)?.actions ?? NONE
    case 'bank':
      return own(rig.banks, place.bankId)?.[place.when] ?? NONE
    case 'controller':
      return own(rig.controllers, place.controllerId)?.onPower ?? NONE
  }
}

const ofSwitch = (footswitch: Footswitch, event: ControllerEvent, position: number): readonly Action[] =>
  event === 'press' ? (footswitch.positions[position] ?? NONE) : footswitch[event]

/** A footswitch with other actions in one of its lists. */
const withActions = (
  footswitch: Footswitch,
  event: ControllerEvent,
  position: number,
  actions: readonly Action[],
): Footswitch =>
  event === 'press'
    ? { ...footswitch, positions: footswitch.positions.with(position, [...actions]) }
    : { ...footswitch, [event]: [...actions] }

/** Puts other actions in a list, with changes that must come before. Null when they are there, or there is no such list. */
export function putActions(
  rig: Rig,
  place: ListPlace,
  label: EditLabel,
  actions: readonly Action[],
  first: readonly Change[] = [],
): Edit | null {
  if (dequal(actionsAt(rig, place), actions)) return null
  const after = changeOf(rig, place, actions)
  return after && { label, changes: [...first, after] }
}

function changeOf(rig: Rig, place: ListPlace, actions: readonly Action[]): Change | null {
  if (place.of === 'switch') {
    const before = switchAt(rig, place.slot)
    if (place.event === 'press' && place.position >= before.positions.length) return null
    return putSwitch(rig, withActions(before, place.event, place.position, actions))
  }
  if (place.of === 'macro') {
    const macro = own(rig.macros, place.macroId)
    return macro ? change('macros', macro.id, macro, { ...macro, actions: [...actions] }) : null
  }
  if (place.of === 'controller') {
    const controller = own(rig.controllers, place.controllerId)
    return controller
      ? change('controllers', controller.id, controller, { ...controller, onPower: [...actions] })
      : null
  }
  const bank = own(rig.banks, place.bankId)
  return bank ? change('banks', bank.id, bank, { ...bank, [place.when]: [...actions] }) : null
}

/** Takes the action standing `at` out of a list. Null when there is none. */
export const removeAction = (rig: Rig, place: ListPlace, at: number): Edit | null =>
  actionsAt(rig, place)[at] === undefined
    ? null
    : putActions(rig, place, 'removeRecall', actionsAt(rig, place).toSpliced(at, 1))

/** Changes the order in a list. Null when nothing moves. */
export function moveAction(rig: Rig, place: ListPlace, from: number, to: number): Edit | null {
  const actions = actionsAt(rig, place)
  const action = actions[from]
  if (!action || to < 0 || to >= actions.length) return null
  return putActions(rig, place, 'moveRecall', actions.toSpliced(from, 1).toSpliced(to, 0, action))
}
