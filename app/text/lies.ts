import { own, fixedText } from '#core/base'
import type { LyingLamp, MoveTold } from '#core/check'
import {
  contactsOf,
  findPreset,
  formatDisplay,
  highestValue,
  shownText,
  type Control,
  type EditLabel,
  type Rig,
} from '#core/rig'
import type { Cause, LampTruth } from '#core/simulate'
import { holdsValue, isOn, type Claim } from '#core/switching'
import { messageText } from '#shared/words/messages'

/** What a claim says, as it stands in a sentence: "Echo mix is at 35 %", "Tape echo plays B4 Dotted eighth". */
function claimText(rig: Rig, claim: Claim): string {
  if (claim.kind === 'preset')
    return `${nameOf(rig, claim.deviceId)} plays ${presetText(rig, claim.deviceId, claim.index)}`
  if (claim.kind === 'contact') {
    const device = own(rig.devices, claim.deviceId)
    const contact = device && contactsOf(rig, device).find(({ id }) => id === claim.contactId)
    const what =
      contact && contact.name !== device.name
        ? `${device.name}'s ${contact.name}`
        : nameOf(rig, claim.deviceId)
    return `${what} contact is ${claim.isClosed ? 'closed' : 'open'}`
  }
  const control = own(rig.controls, claim.controlId)
  if (!control) return 'a control that is gone is set'
  const value = claim.kind === 'on' ? 'on' : valueText(rig, control, claim.value)
  return `${controlName(rig, claim.controlId)} is ${/^(on|off)$/.test(value) ? value : `at ${value}`}`
}

/** A value as the device shows it; of what is only on or off, which. */
export const valueText = (rig: Rig, control: Control, value: number): string =>
  holdsValue(rig, control.id) === 'switched'
    ? isOn(rig, control.id, value)
      ? 'on'
      : 'off'
    : shownText(control.reading, value, highestValue(control.address))

const nameOf = (rig: Rig, id: string): string => own(rig.devices, id)?.name ?? 'a device that is gone'

function controlName(rig: Rig, id: string): string {
  const control = own(rig.controls, id)
  return control ? `${nameOf(rig, control.deviceId)} ${control.name}` : 'a control'
}

function presetText(rig: Rig, deviceId: string, index: number): string {
  const device = own(rig.devices, deviceId)
  if (!device) return 'a preset'
  const name = findPreset(rig, deviceId as never, index)?.name ?? ''
  return `${formatDisplay(device.numbering, index)} ${name}`.trim()
}

/** "3.2 s ago", "just now". */
function agoText(microseconds: number): string {
  const seconds = Math.max(0, microseconds) / 1_000_000
  if (seconds < 0.1) return 'just now'
  return seconds < 60 ? `${fixedText(seconds, 1)} s ago` : `${Math.floor(seconds / 60)} min ago`
}

/** Why a lamp and what is are two things, and since when. `by` is what the switch that did it is called. */
export function causeText(rig: Rig, cause: Cause | null, now: number, by: string): string {
  if (!cause) return 'It has been so since power-on.'
  const when = agoText(now - cause.at)
  const who = by ? ` from "${by}"` : ''
  switch (cause.kind) {
    case 'recalled':
      return `${capital(when)}: the recall of ${
        cause.preset === null ? 'a preset' : presetText(rig, cause.deviceId, cause.preset)
      }${who} set it so, and the controller does not hear that.`
    case 'set':
      return `${capital(when)}: ${messageText(cause.entry.message)}${who} set it so.`
    case 'lost':
      return `${capital(when)}: ${messageText(cause.entry.message)}${who} was lost while the device was loading.`
    case 'nothing':
      return `${capital(when)}: ${messageText(cause.entry.message)}${who} found nothing at that number in this preset.`
    case 'unheard':
      return `${capital(when)}: ${messageText(cause.entry.message)}${who} reached no device.`
    case 'contact':
      return `${capital(when)}: a contact${who} moved it.`
    case 'power':
      return `${capital(when)}: ${nameOf(rig, cause.deviceId)} was switched ${cause.isOn ? 'on' : 'off'}.`
    case 'believed':
      return `${capital(when)}: a step${by ? ` on "${by}"` : ''} changed what the controller believes, and the device did not follow.`
  }
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** "The lamp is on, but Hall reverb Freeze is not on." */
export function lieText(rig: Rig, { isLit }: LampTruth, claim: Claim | null): string {
  if (!claim)
    return isLit
      ? 'The lamp is on, and what it says is not so.'
      : 'The lamp is off, and what it stands for is so.'
  const said = claimText(rig, claim)
  return isLit ? `The lamp is on. It says that ${said}; that is not so.` : `The lamp is off, but ${said}.`
}

/** The state of a lamp and of the truth, for readers of the screen and beside the lamp. */
export const TRUTH_TEXT: Record<LampTruth['verdict'], string> = {
  true: 'as it is',
  lies: 'not as it is',
  unknown: 'not known',
}

/** One step of a shortest run: "press 4 Freeze in bank 3 Storm". */
function moveText({ kind, number, name, bank }: MoveTold): string {
  const which = `${number ?? ''}${name ? ` (${name})` : ''}`
  const where = bank ? ` in bank ${bank}` : ''
  switch (kind) {
    case 'press':
      return `press ${which}${where}`
    case 'double':
      return `press ${which} twice quickly${where}`
    case 'down':
      return `hold ${which}${where}`
    case 'up':
      return `let go of ${which}`
    case 'bank':
      return `turn banks${where ? ` from${where.slice(3)}` : ''}`
  }
}

/** The whole run in one sentence. */
export function movesText(moves: LyingLamp['facts']['moves']): string {
  if (moves.length === 0) return 'It is so from power-on.'
  const shown = moves.slice(-3)
  const before = moves.length - shown.length
  return `From power-on${before > 0 ? `, after ${before} more` : ''}: ${shown.map(moveText).join(', then ')}.`
}

/** The words on the button of a cure. */
export const CURE_TEXT: { readonly [Label in EditLabel]?: string } = {
  setAfterRecall: 'Set it again after each recall',
  resyncAfterRecall: 'Resync after each recall',
  setAtPower: 'Send it at power-on',
  makeAbsolute: 'Press for on, hold for off, lamp dark',
  countPresses: 'Let the lamp change at each press',
  noLamp: 'Keep this lamp dark',
}
