import { own } from '../base/own'
import type { MidiMessage } from '../midi/message'
import { contactsOf, type Output } from '../rig/cabling/contacts'
import { sendChannel } from '../rig/channels'
import { addressOf } from '../rig/numbering/address'
import { inOrder, type Rig } from '../rig/rig'
import { playedParts, showOn } from '../rig/showOrder'
import type { Action, ActionOf } from '../rig/table/action'
import type { Controller } from '../rig/table/controller'
import { roleOf } from '../rig/table/port'
import { actionSteps, asksKnown, expanded } from '../switching/action'
import type { Doing } from '../switching/action/actionDoes'
import { combosOf } from '../switching/combos'
import { NOTHING_KNOWN } from '../switching/known'
import type { ActionStep } from '../switching/step'
import { bpmValue, canHold, type Row, type RowShape } from './rows'

/** What a list of actions is in the controller, and which of its actions (from 0) cannot be keyed in there. */
export interface Held {
  readonly rows: readonly Row[]
  readonly left: readonly number[]
}

/** The rows of a list of actions. What a controller keeps whole, a combination or a macro, is one row. */
export function heldRows(rig: Rig, shape: RowShape, actions: readonly Action[]): Held {
  const rows: Row[] = []
  const left = new Set<number>()
  const put = (action: Action, at: number): void => {
    const its = ofAction(rig, shape, action)
    if (its === null || its.some((row) => !canHold(shape, row))) left.add(at)
    else rows.push(...its)
  }
  actions.forEach((action, at) => {
    if (action.kind === 'macro' && isKept(rig, shape.controller, action.macroId)) put(action, at)
    else for (const one of expanded(rig, [action])) put(one.action, at)
  })
  return { rows, left: [...left] }
}

/** Macros the controller has room for, in their order. */
export const keptMacros = (rig: Rig, controller: Controller) =>
  inOrder(rig.macros).slice(0, controller.macros)

const isKept = (rig: Rig, controller: Controller, macroId: string): boolean =>
  keptMacros(rig, controller).some(({ id }) => id === macroId)

/** Null where it cannot be said in rows. */
function ofAction(rig: Rig, shape: RowShape, action: Action): Row[] | null {
  const { controller } = shape
  switch (action.kind) {
    case 'recallSound':
      return ofSound(rig, controller, action)
    case 'macro': {
      const n = keptMacros(rig, controller).findIndex(({ id }) => id === action.macroId)
      return n < 0 ? null : [['macro', n]]
    }
    case 'wait':
      return [['wait', action.ms]]
    case 'travel':
      return ofTravel(rig, action)
    case 'layer':
      return [['layer', ['hold', 'change', 'shift', 'base'].indexOf(action.does)]]
    case 'contact':
      return ofContact(rig, controller, action)
    case 'tap': {
      const also = action.controlId === null ? [] : always(rig, controller, action)
      return also && [['tap'], ...also]
    }
    case 'tempo':
      return [['tempo', ['set', 'nudge', 'stored'].indexOf(action.does), bpmValue(action.bpm)]]
    case 'clock':
      return [['clock', ['start', 'stop', 'continue', 'change'].indexOf(action.does)]]
    case 'showStep':
      return ofShowStep(rig, controller, action)
    case 'allOff':
      return [['allOff']]
    case 'resync':
      return [['again']]
    case 'alternateControl': {
      const to = shortControl(rig, action.controlId)
      return to && [['alternate', ...to, action.a, action.b]]
    }
    case 'tuner': {
      const to = shortControl(rig, action.controlId)
      if (action.does !== 'change') return always(rig, controller, action)
      return to && [['alternate', ...to, 127, 0]]
    }
    case 'scene':
      return action.move === 'to' ? always(rig, controller, action) : ofSceneStep(rig, action)
    case 'tapOut':
      return ofTapOut(rig, controller, action)
    case 'stepControl': {
      const to = shortControl(rig, action.controlId)
      return (
        to && [['step', ...to, stepWay(action.by, action.atEnd), action.from, action.to, Math.abs(action.by)]]
      )
    }
    case 'stepPreset': {
      const device = own(rig.devices, action.deviceId)
      const channel = device ? sendChannel(rig, device) : null
      if (!device || channel === null || action.list.length > 0) return null
      const [from, to] = [addressOf(device.numbering, action.from), addressOf(device.numbering, action.to)]
      return from.bank !== 0 || to.bank !== 0
        ? null
        : [['stepProgram', channel - 1, stepWay(action.by, action.atEnd), from.program, to.program]]
    }
    case 'sweepControl': {
      const to = shortControl(rig, action.controlId)
      const curve = ['straight', 'slowStart', 'slowEnd', 'slowBoth'].indexOf(action.curve)
      return to && [['sweep', ...to, action.to, action.from === null ? 0 : action.from + 1, curve, action.ms]]
    }
    default:
      return ofSteps(rig, controller, action)
  }
}

const stepWay = (by: number, atEnd: 'wrap' | 'stop'): number => (by > 0 ? 0 : 2) + (atEnd === 'wrap' ? 0 : 1)

/** Channel and number of a control with one controller number, each from 0; null for a longer address. */
function shortControl(rig: Rig, controlId: string): [channel: number, number: number] | null {
  const control = own(rig.controls, controlId)
  const device = own(rig.devices, control?.deviceId ?? '')
  const channel = device ? sendChannel(rig, device) : null
  return control?.address.kind === 'cc' && channel !== null ? [channel - 1, control.address.number] : null
}

function ofTravel(rig: Rig, { to, bankId }: ActionOf<'travel'>): Row[] | null {
  const what = ['next', 'previous', 'bank', 'back', 'home', 'page'].indexOf(to)
  const index = to === 'bank' ? own(rig.banks, bankId ?? '')?.index : 0
  return index === undefined ? null : [['bank', what, index]]
}

function ofShowStep(rig: Rig, controller: Controller, { to, songId }: ActionOf<'showStep'>): Row[] | null {
  if (!controller.keepsShow) return null
  const what = ['nextPart', 'previousPart', 'nextSong', 'previousSong', 'song'].indexOf(to)
  const show = showOn(rig)
  const songs = show ? [...new Set(playedParts(rig, show).map(({ song }) => song.id))] : []
  const index = to === 'song' ? songs.findIndex((id) => id === songId) : 0
  return index < 0 ? null : [['show', what, index]]
}

/** The contacts of a controller's switching outputs, counted through. */
const outputContacts = (controller: Controller): Omit<Output, 'controllerId'>[] =>
  controller.ports.flatMap((port) => {
    const role = roleOf(port)
    return role.kind === 'switchOut' && role.by === 'relay'
      ? Array.from({ length: role.poles }, (_, pole) => ({ port: port.id, pole }))
      : []
  })

function contactNumber(controller: Controller, output: Output): number | null {
  if (output.controllerId !== controller.id) return null
  const n = outputContacts(controller).findIndex(
    ({ port, pole }) => port === output.port && pole === output.pole,
  )
  return n < 0 ? null : n
}

function ofContact(rig: Rig, controller: Controller, action: ActionOf<'contact'>): Row[] | null {
  const device = own(rig.devices, action.deviceId)
  const output = device && contactsOf(rig, device).find(({ id }) => id === action.contactId)?.output
  const n = output ? contactNumber(controller, output) : null
  if (n === null) return null
  return action.does === 'pulse'
    ? [['pulse', n, action.times, action.closedMs, action.everyMs]]
    : [['contact', ['close', 'open', 'change'].indexOf(action.does), n]]
}

const doing = (controller: Controller): Doing => ({ controller, known: NOTHING_KNOWN, at: 0, by: null })

/** What is sent whatever is known; null where it is not the same at all times. */
const ofSteps = (rig: Rig, controller: Controller, action: Action): Row[] | null =>
  asksKnown(action) ? null : always(rig, controller, action)

/** What one sends that asks what is known and sends the same all the same. */
const always = (rig: Rig, controller: Controller, action: Action): Row[] | null =>
  stepRows(controller, actionSteps(rig, action, doing(controller)))

/** Scenes whose values lie evenly are steps of a value. */
function ofSceneStep(rig: Rig, { controlId, move }: ActionOf<'scene'>): Row[] | null {
  const to = shortControl(rig, controlId)
  const reading = own(rig.controls, controlId)?.reading
  if (!to || reading?.kind !== 'named') return null
  const values = reading.names.map(({ value }) => value).toSorted((a, b) => a - b)
  const by = values[1] === undefined ? 1 : values[1] - values[0]!
  if (by < 1 || values.some((value, n) => value !== values[0]! + n * by)) return null
  const [first, last] = [values[0]!, values.at(-1)!]
  return move === 'next'
    ? [['step', ...to, stepWay(1, 'wrap'), first, last, by]]
    : [['step', ...to, stepWay(-1, 'wrap'), last, first, by]]
}

/** The tempo tapped out on a contact of the controller's own. */
function ofTapOut(rig: Rig, controller: Controller, { deviceId }: ActionOf<'tapOut'>): Row[] | null {
  const device = own(rig.devices, deviceId)
  const place = device?.tapIn?.place
  if (!device?.tapIn || place?.kind !== 'contact') return null
  const output = contactsOf(rig, device).find(({ id }) => id === place.contactId)?.output
  const n = output ? contactNumber(controller, output) : null
  return n === null ? null : [['taps', n, device.tapIn.taps]]
}

function stepRows(controller: Controller, steps: readonly ActionStep[]): Row[] | null {
  const rows: Row[] = []
  for (const step of steps) {
    const its =
      step.kind === 'send'
        ? messageRow(step.message)
        : step.kind === 'contact'
          ? contactRow(controller, step)
          : step.kind === 'start'
            ? stepRows(controller, step.steps)
            : step.kind === 'wait'
              ? [waitRow(step.microseconds)]
              : []
    if (its === null) return null
    rows.push(...its)
  }
  return rows
}

const waitRow = (microseconds: number): Row => ['wait', Math.ceil(microseconds / 1000)]

function contactRow(controller: Controller, step: Extract<ActionStep, { kind: 'contact' }>): Row[] | null {
  const n = step.output ? contactNumber(controller, step.output) : null
  return n === null ? null : [['contact', step.isClosed ? 0 : 1, n]]
}

/** A message of one channel as a row; a system message has none. */
export function messageRow(message: MidiMessage): Row[] | null {
  switch (message.kind) {
    case 'program':
      return [['program', message.channel - 1, message.program]]
    case 'control':
      return [['control', message.channel - 1, message.controller, message.value]]
    case 'noteOn':
    case 'noteOff':
      return [[message.kind, message.channel - 1, message.note, message.velocity]]
    case 'channelPressure':
      return [['touch', message.channel - 1, message.value]]
    case 'pitchBend':
      return [['bend', message.channel - 1, message.bend]]
    default:
      return null
  }
}

/** A sound that lives in a combination is that, with what it does not hold beside it. */
function ofSound(rig: Rig, controller: Controller, action: ActionOf<'recallSound'>): Row[] | null {
  const rows = stepRows(controller, actionSteps(rig, action, doing(controller)))
  const combo = combosOf(rig, controller).find(({ sound }) => sound.id === action.soundId)
  if (rows === null || !combo || combo.index === null) return rows
  const inside = new Set(combo.programs.map(({ channel, program }) => `${channel - 1}/${program}`))
  const isInside = ([kind, channel, program]: Row): boolean =>
    kind === 'program' && inside.has(`${channel}/${program}`)
  const channels = new Set(combo.programs.map(({ channel }) => channel - 1))
  const isSelect = ([kind, channel, number]: Row): boolean =>
    kind === 'control' && channels.has(channel!) && (number === 0 || number === 32)
  // A program goes where its bank select left it, so those stand before the combination.
  const first = rows.findIndex((row) => isInside(row) || isSelect(row))
  const selects = rows.filter(isSelect)
  const rest = (some: readonly Row[]) => some.filter((row) => !isInside(row) && !isSelect(row))
  return [
    ...rest(rows.slice(0, Math.max(0, first))),
    ...selects,
    ['combo', combo.index],
    ...rest(rows.slice(Math.max(0, first))),
  ]
}
