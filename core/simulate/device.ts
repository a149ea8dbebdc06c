import { own, joinU14, type U14, U7_MAX, type U7 } from '#core/base'
import { CONTROLLER, type MidiMessage, bankHalf, reservedFor } from '#core/midi'
import {
  indexOfAddress,
  type Numbering,
  highestValue,
  type Control,
  type Device,
  type Preset,
  type SetValue,
  isMappedIn,
  type ControlId,
} from '#core/rig'
import type { Timekeeping } from './beat'
import { EMPTY_CHART, readBy, type DeviceChart } from './chartIndex'

/** What a simulated device remembers. */
export interface DeviceState extends Timekeeping {
  /** The preset it plays, counted from 0; null until one has been recalled. */
  readonly preset: number | null
  /** Bank select heard so far; it takes effect at the next program change. */
  readonly bankMsb: U7
  readonly bankLsb: U7
  /** The program of the last program change that named no preset of the device; null when the last one did. */
  readonly refused: U7 | null
  /** Controls at the values they were set to, by messages or by the preset. */
  readonly controls: { readonly [controlId: string]: number }
  /** The control a message set last; null after a preset was recalled. */
  readonly lastControl: string | null
  /** The parameter that data entry is for; null when none is chosen. */
  readonly parameter: U14 | null
  /** Its contacts that were closed or opened; one not named is as the floor was found. */
  readonly contacts: { readonly [contactId: string]: boolean }
  /** How often what does its thing at a message did it. */
  readonly fired: { readonly [controlId: string]: number }
}

/** A device that was just switched on, of which nothing is known. */
export const DEVICE_AT_POWER_ON: DeviceState = {
  preset: null,
  bankMsb: 0 as U7,
  bankLsb: 0 as U7,
  refused: null,
  controls: {},
  lastControl: null,
  parameter: null,
  contacts: {},
  fired: {},
  beat: null,
  loop: null,
}

/** The null parameter: nothing is chosen (M1 v4.2.1, "Registered and Non-Registered Parameter Numbers"). */
const NULL_PARAMETER = joinU14(U7_MAX as U7, U7_MAX as U7)

/** The device's state after a message it hears; the same object when nothing changed. */
export function receive(
  numbering: Numbering,
  state: DeviceState,
  message: MidiMessage,
  chart: DeviceChart = EMPTY_CHART,
): DeviceState {
  if (message.kind === 'control') return hearControl(state, message.controller, message.value, chart)
  if (message.kind !== 'program') return state
  const address = { bank: selectedBank(numbering, state), program: message.program }
  const preset = indexOfAddress(numbering, address)
  if (preset === null) return { ...state, refused: message.program }
  const recalls = chart.presets.get(preset)?.recalls ?? NO_RECALLS
  const isSame = preset === state.preset && state.refused === null && state.lastControl === null
  if (isSame && recalls.every(({ controlId, value }) => own(state.controls, controlId) === value))
    return state
  // Written out, and nothing made that is not needed: this runs for every message of every press.
  return {
    preset,
    bankMsb: state.bankMsb,
    bankLsb: state.bankLsb,
    refused: null,
    controls: recalls.length === 0 ? state.controls : { ...state.controls, ...recalled(recalls) },
    lastControl: null,
    parameter: state.parameter,
    contacts: state.contacts,
    fired: state.fired,
    beat: state.beat,
    loop: state.loop,
  }
}

/** A device that has just been switched on; what it plays then is not always known. */
export const switchedOn = ({ powerOn }: Pick<Device, 'powerOn'>, chart: DeviceChart): DeviceState =>
  powerOn === null
    ? DEVICE_AT_POWER_ON
    : {
        ...DEVICE_AT_POWER_ON,
        preset: powerOn,
        controls: recalled(chart.presets.get(powerOn)?.recalls ?? NO_RECALLS),
      }

/** One thing of a device that a message may put elsewhere. */
export type Changed =
  | { readonly kind: 'preset' | 'bank' | 'parameter' }
  /** By messages, or by a preset recalled. */
  | { readonly kind: 'control'; readonly controlId: ControlId }

/** All that a message may change of a device that hears it, whatever it was before: never less than {@link receive} does. */
export function mayChange(message: MidiMessage, chart: DeviceChart): readonly Changed[] {
  if (message.kind === 'program') return [{ kind: 'preset' }, ...chart.recalled.map(ofControl)]
  if (message.kind !== 'control') return []
  if (bankHalf(message) !== null) return [{ kind: 'bank' }]
  switch (message.controller) {
    case CONTROLLER.nrpnMsb:
    case CONTROLLER.nrpnLsb:
      return [{ kind: 'parameter' }]
    case CONTROLLER.dataEntryMsb:
    case CONTROLLER.dataEntryLsb:
      return [...chart.controls.values()].flatMap(({ id, address }) =>
        address.kind === 'nrpn' ? [ofControl(id)] : [],
      )
    default:
      return readBy(chart, message.controller, message.value).map(({ control }) => ofControl(control.id))
  }
}

const ofControl = (controlId: ControlId): Changed => ({ kind: 'control', controlId })

/** Whether a device has something at the place a message is for, as its chart says; what no chart names counts as something. */
export function hasAnswer(state: DeviceState, message: MidiMessage, chart: DeviceChart): boolean {
  // What the standard keeps a number for is named by no chart.
  if (message.kind !== 'control' || reservedFor(message.controller) !== null) return true
  if (chart.followers.has(message.controller)) return true
  const control = chart.controls.get(`cc/${message.controller}`)
  return control !== undefined && isMappedNow(state, control, chart)
}

/** One mapped preset by preset does nothing where that is not so of the preset it plays. */
const isMappedNow = ({ preset }: DeviceState, control: Control, chart: DeviceChart): boolean =>
  isMappedIn(control, preset === null ? null : chart.presets.get(preset))

/** The state after one of its contacts was closed or opened, and the learned state that calls up, if any. */
export const moveContact = (
  state: DeviceState,
  { contactId, isClosed }: { readonly contactId: string; readonly isClosed: boolean },
  calls: readonly SetValue[],
): DeviceState => ({
  ...state,
  contacts: { ...state.contacts, [contactId]: isClosed },
  controls: calls.length === 0 ? state.controls : { ...state.controls, ...recalled(calls) },
})

const recalled = (recalls: readonly SetValue[]): { [controlId: string]: number } =>
  Object.fromEntries(recalls.map(({ controlId, value }) => [controlId, value]))

const NO_RECALLS: Preset['recalls'] = []

function hearControl(state: DeviceState, controller: U7, value: U7, chart: DeviceChart): DeviceState {
  switch (controller) {
    case CONTROLLER.bankSelectMsb:
      return value === state.bankMsb ? state : { ...state, bankMsb: value }
    case CONTROLLER.bankSelectLsb:
      return value === state.bankLsb ? state : { ...state, bankLsb: value }
    case CONTROLLER.nrpnMsb:
      return choose(state, joinU14(value, ((state.parameter ?? NULL_PARAMETER) & U7_MAX) as U7))
    case CONTROLLER.nrpnLsb:
      return choose(state, joinU14(((state.parameter ?? NULL_PARAMETER) >> 7) as U7, value))
    case CONTROLLER.dataEntryMsb:
    case CONTROLLER.dataEntryLsb: {
      const control = state.parameter === null ? undefined : chart.controls.get(`nrpn/${state.parameter}`)
      return control ? enter(state, control, controller === CONTROLLER.dataEntryMsb, value, chart) : state
    }
    default: {
      if (!chart.followers.has(controller)) {
        const control = chart.controls.get(`cc/${controller}`)
        return control ? set(state, control, value, chart) : state
      }
      return readBy(chart, controller, value).reduce(
        (before, read) => set(before, read.control, read.value, chart),
        state,
      )
    }
  }
}

const choose = (state: DeviceState, parameter: U14): DeviceState =>
  parameter === state.parameter ? state : { ...state, parameter }

function enter(
  state: DeviceState,
  control: Control,
  isMsb: boolean,
  value: U7,
  chart: DeviceChart,
): DeviceState {
  if (control.address.kind !== 'nrpn' || control.address.value === 'msb')
    return isMsb ? set(state, control, value, chart) : state
  const before = own(state.controls, control.id) ?? 0
  return set(state, control, isMsb ? value * (U7_MAX + 1) : before - (before % (U7_MAX + 1)) + value, chart)
}

function set(state: DeviceState, control: Control, value: number, chart: DeviceChart): DeviceState {
  if (!isMappedNow(state, control, chart)) return state
  if (control.reading.kind === 'trigger' && value === control.reading.value)
    return {
      ...state,
      lastControl: control.id,
      fired: { ...state.fired, [control.id]: (own(state.fired, control.id) ?? 0) + 1 },
    }
  const now = nextValue(control, own(state.controls, control.id) ?? 0, value)
  if (now === own(state.controls, control.id) && state.lastControl === control.id) return state
  return { ...state, lastControl: control.id, controls: { ...state.controls, [control.id]: now } }
}

/** What a control holds after a message: a toggle changes over whatever it is sent (or at its own value), an increment takes a step. */
function nextValue({ reading, address }: Control, before: number, sent: number): number {
  const highest = highestValue(address)
  if (reading.kind === 'toggle')
    return reading.at === 'value' && sent !== reading.value ? before : before > 0 ? 0 : highest
  if (reading.kind !== 'increment') return sent
  const step = sent === reading.up ? 1 : sent === reading.down ? -1 : 0
  return Math.min(highest, Math.max(0, before + step))
}

function selectedBank({ bankSelect }: Numbering, { bankMsb, bankLsb }: DeviceState): U14 {
  switch (bankSelect) {
    case 'none':
      return 0 as U14
    case 'msb':
      return bankMsb as number as U14
    case 'lsb':
      return bankLsb as number as U14
    case 'both':
      return joinU14(bankMsb, bankLsb)
  }
}
