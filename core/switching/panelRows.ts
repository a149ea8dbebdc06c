import { own } from '#core/base'
import type { MidiMessage } from '#core/midi'
import { contactsOf, type Output, sendChannel, type Rig, type Controller, type Row, roleOf } from '#core/rig'
import type { ActionStep } from './step'

/** The lowest tempo there is on a panel, in beats a minute: a nudge down. */
export const BPM_FROM = -100

/** A tempo as a panel counts it: in tenths of a beat a minute, the lowest being 0. */
export const bpmValue = (bpm: number): number => Math.round((bpm - BPM_FROM) * 10 * 1000) / 1000

/** Channel and number of a control with one controller number, each from 0; null for a longer address. */
export function shortControl(rig: Rig, controlId: string): [channel: number, number: number] | null {
  const control = own(rig.controls, controlId)
  const device = own(rig.devices, control?.deviceId ?? '')
  const channel = device ? sendChannel(rig, device) : null
  return control?.address.kind === 'cc' && channel !== null ? [channel - 1, control.address.number] : null
}

/** How a step goes: up or down, and round or to the end. */
export const stepWay = (by: number, atEnd: 'wrap' | 'stop'): number =>
  (by > 0 ? 0 : 2) + (atEnd === 'wrap' ? 0 : 1)

/** The contacts of a controller's switching outputs, counted through. */
const outputContacts = (controller: Controller): Omit<Output, 'controllerId'>[] =>
  controller.ports.flatMap((port) => {
    const role = roleOf(port)
    return role.kind === 'switchOut' && role.by === 'relay'
      ? Array.from({ length: role.poles }, (_, pole) => ({ port: port.id, pole }))
      : []
  })

/** Which of them an output is, from 0; null for one of another controller. */
function contactNumber(controller: Controller, output: Output): number | null {
  if (output.controllerId !== controller.id) return null
  const n = outputContacts(controller).findIndex(
    ({ port, pole }) => port === output.port && pole === output.pole,
  )
  return n < 0 ? null : n
}

/** The same of what closes a contact of a device; null where no output of this controller does. */
export function contactOn(
  rig: Rig,
  controller: Controller,
  deviceId: string,
  contactId: string,
): number | null {
  const device = own(rig.devices, deviceId)
  const output = device && contactsOf(rig, device).find(({ id }) => id === contactId)?.output
  return output ? contactNumber(controller, output) : null
}

/** Steps as they are entered, but for what is learned; null where one of them is no row. */
export function stepRows(controller: Controller, steps: readonly ActionStep[]): Row[] | null {
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
