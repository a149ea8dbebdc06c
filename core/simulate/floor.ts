import { own } from '#core/base'
import type { ChannelMessage } from '#core/midi'
import {
  byIndex,
  inOrder,
  type Rig,
  type Action,
  type BankId,
  type ControllerId,
  type DeviceId,
  type PedalId,
  type SetValue,
  type SoundId,
  type Layer,
  type SwitchId,
} from '#core/rig'
import type { ContactSet } from '#core/sound'
import {
  type SwitchEvent,
  learn,
  NOTHING_KNOWN,
  type Known,
  type TimedMessage,
  songOf,
} from '#core/switching'
import { chartOf } from './chartIndex'
import { DEVICE_AT_POWER_ON, switchedOn, type DeviceState } from './device'
import type { PedalNow } from './pedalNow'
import type { Message, Op } from './plan'

/** The whole floor at one moment: what the controller knows, what every device remembers, what is still to come. */
export interface FloorState {
  /** All that was due up to here, in µs, is done. */
  readonly at: number
  readonly known: Known
  /** What devices remember, where it is not what they remember at power on. */
  readonly devices: { readonly [deviceId: string]: DeviceState }
  /** Until when devices that load are deaf to controls, in µs. */
  readonly deafUntil: { readonly [deviceId: string]: number }
  /** The wire of each output; one for all unless the controller keeps its outputs apart. */
  readonly wires: { readonly [lane: string]: Wire }
  /** What is still to come, the next first. */
  readonly due: readonly Due[]
  /** Feet on switches, and what is not decided yet about them. */
  readonly feet: { readonly [switchId: string]: Foot }
  /** Devices that are switched off. */
  readonly off: { readonly [deviceId: string]: true }
  /** Switches that stay down, on jacks. */
  readonly latched: { readonly [switchId: string]: boolean }
  /** Pedals that were moved. */
  readonly pedals: { readonly [pedalId: string]: PedalNow }
  /** Counts what was begun, so that each thing due can be told from others. */
  readonly count: number
}

export interface Wire {
  /** When it will have sent all it was given, in µs. */
  readonly freeAt: number
  /** The list whose message it was given last, and the status of that, for running status. */
  readonly list: number
  readonly status: number
}

/** A foot that came down on a switch. */
export interface Foot {
  readonly isDown: boolean
  /** Which of all feet that came down: what was due for an earlier one is void. */
  readonly id: number
  readonly fired: SwitchEvent | null
  /** It may still become a double press. */
  readonly isWaiting: boolean
}

/** A list of steps under way. */
export interface Process {
  readonly list: number
  readonly ops: readonly Op[]
  readonly from: number
  readonly by: SwitchId | null
  readonly controllerId: ControllerId | ''
  /** What runs by itself has a name and keeps its own time; a list waits for what it sent. */
  readonly name: string | null
  /** Banks it has gone through: it stops before it goes round for ever. */
  readonly travels: number
}

/** Something that will happen; `order` tells those due at once apart. */
export type Due = { readonly at: number; readonly order: number } &
  /** Messages that follow one another; those before `next` have arrived, and that one will be whole at `at`. */
  (
    | {
        readonly kind: 'arrive'
        readonly ops: readonly Message[]
        readonly entries: readonly WireEntry[]
        readonly next: number
      }
    | { readonly kind: 'contact'; readonly set: ContactDone }
    | { readonly kind: 'go'; readonly process: Process }
    | { readonly kind: 'single' | 'long'; readonly switchId: SwitchId; readonly foot: number }
    /** A pedal may send again, or has rested long enough; void unless it still waits for this one. */
    | { readonly kind: 'send' | 'rest'; readonly pedalId: PedalId; readonly id: number }
    /** A foot on a looper may be holding by now. */
    | {
        readonly kind: 'hold'
        readonly deviceId: DeviceId
        readonly input: string
        readonly since: number
      }
    /** A tick of the clock; `exact` is its time without rounding. */
    | {
        readonly kind: 'tick'
        readonly controllerId: ControllerId
        readonly clock: number
        readonly exact: number
      }
  )

/** Something done to the floor, at a moment in µs since all was switched on. */
export type FloorInput = { readonly at: number } & (
  | { readonly kind: 'press' | 'release'; readonly switchId: SwitchId }
  /** The bank changed by the controller's own switches. */
  | { readonly kind: 'bank'; readonly bankId: BankId }
  /** Another layer looked at: no switch asked for it. */
  | { readonly kind: 'layer'; readonly layer: Layer }
  /** Done as a switch with these actions would, though none asked for it: a sound sent, a resync. */
  | { readonly kind: 'act'; readonly actions: readonly Action[] }
  /** What is needed to get from how the devices are to a sound, and no more. */
  | { readonly kind: 'need'; readonly soundId: SoundId }
  /** What differs from what the controller believes, sent again. */
  | { readonly kind: 'putRight' }
  /** A device switched off or on. */
  | { readonly kind: 'power'; readonly deviceId: DeviceId; readonly isOn: boolean }
  /** Everything switched off and on again: the floor forgets all but the time. */
  | { readonly kind: 'powerAll' }
  /** The foot moves a pedal to a step of 127, or steps on its toe switch or lets go of it. */
  | { readonly kind: 'pedal'; readonly pedalId: PedalId; readonly position: number }
  | { readonly kind: 'toe'; readonly pedalId: PedalId; readonly isDown: boolean }
  /** A clock from outside comes in at the controller, in beats a minute, or stops coming. */
  | { readonly kind: 'clockIn'; readonly bpm: number | null }
  /** Messages for one device, sent by hand. */
  | { readonly kind: 'send'; readonly deviceId: DeviceId; readonly messages: readonly ChannelMessage[] }
)

/** One message on the wire; `start` and `end` are on the clock of the inputs. It is told once it has arrived. */
export interface WireEntry extends TimedMessage {
  /** The output it went out of; empty where all carry the same. */
  readonly lane: string
  /** The switch whose step sent it. */
  readonly by: SwitchId | null
  /** Every device that answers to it, in their order. */
  readonly heardBy: readonly DeviceId[]
  /** Those it came to while they were loading, and who lost it. */
  readonly lostBy: readonly DeviceId[]
  /** Those that heard it and have nothing there, as their charts say. */
  readonly nothingFor: readonly DeviceId[]
}

/** A list that was made to wait, from and to in µs. */
export interface Wait {
  readonly from: number
  readonly to: number
  readonly by: SwitchId | null
}

/** Something switched off or on; null for everything at once. */
export interface Powered {
  readonly at: number
  readonly deviceId: DeviceId | null
  readonly isOn: boolean
}

export interface ContactDone extends ContactSet {
  readonly at: number
  /** The learned state it calls up. */
  readonly calls: readonly SetValue[]
  readonly by: SwitchId | null
}

/** What a controller made of a foot. */
export interface Gesture {
  readonly at: number
  readonly switchId: SwitchId
  readonly event: SwitchEvent
  /** For a press which position it did, from 0. */
  readonly position: number
}

/** A pedal that switched what it works off or on by itself. */
export interface PedalTurn {
  readonly at: number
  readonly pedalId: PedalId
  readonly isOff: boolean
}

/** What happened since the state before. */
export interface StepResult {
  readonly state: FloorState
  readonly wire: readonly WireEntry[]
  readonly contacts: readonly ContactDone[]
  readonly gestures: readonly Gesture[]
  /** Messages put on a wire, in that order: their times are fixed then. Each is told in `wire` once it has arrived. */
  readonly sent: readonly WireEntry[]
  readonly waits: readonly Wait[]
  readonly powered: readonly Powered[]
  readonly turns: readonly PedalTurn[]
}

/** The bank a rig starts in: the first controller's home, else its first. */
export function firstBank(rig: Rig): BankId | null {
  const [controller] = inOrder(rig.controllers)
  const home = controller?.home ?? null
  if (home !== null && own(rig.banks, home)) return home
  const banks = byIndex(rig.banks)
  return (banks.find(({ controllerId }) => controllerId === controller?.id) ?? banks[0])?.id ?? null
}

/** The moment all is switched on, before anything was sent. */
export const floorAtPowerOn = (rig: Rig): FloorState => ({
  at: 0,
  known: learn({ ...NOTHING_KNOWN, bankId: firstBank(rig) }, songOf(rig, firstBank(rig), null)),
  devices: Object.fromEntries(
    Object.values(rig.devices).flatMap((device) =>
      device.powerOn === null ? [] : [[device.id, switchedOn(device, chartOf(rig, device.id))]],
    ),
  ),
  deafUntil: {},
  wires: {},
  due: [],
  feet: {},
  off: {},
  latched: {},
  pedals: {},
  count: 1,
})

/** As at power-on for one that nothing came to yet. */
export const deviceState = (state: FloorState, deviceId: string): DeviceState =>
  own(state.devices, deviceId) ?? DEVICE_AT_POWER_ON

/** Two results one behind the other. */
export const joined = (first: StepResult, then: StepResult): StepResult => ({
  state: then.state,
  wire: [...first.wire, ...then.wire],
  contacts: [...first.contacts, ...then.contacts],
  gestures: [...first.gestures, ...then.gestures],
  sent: [...first.sent, ...then.sent],
  waits: [...first.waits, ...then.waits],
  powered: [...first.powered, ...then.powered],
  turns: [...first.turns, ...then.turns],
})

/** Nothing happened. */
export const still = (state: FloorState): StepResult => ({
  state,
  wire: [],
  contacts: [],
  gestures: [],
  sent: [],
  waits: [],
  powered: [],
  turns: [],
})

/** When the next thing is due, in µs; null when the floor is at rest. */
export const nextDue = (state: FloorState): number | null => state.due[0]?.at ?? null
