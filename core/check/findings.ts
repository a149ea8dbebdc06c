import type { Rig } from '../rig/rig'
import { blockedChannel, type BlockedChannel } from './blockedChannel'
import { cannotPerform, type CannotPerform } from './cannotPerform'
import { crowdedJack, type CrowdedJack } from './crowdedJack'
import { echoedPrograms, type EchoedPrograms } from './echoedPrograms'
import { fedTwice, type FedTwice } from './fedTwice'
import { ignoresPrograms, type IgnoresPrograms } from './ignoresPrograms'
import { longCable, type LongCable } from './longCable'
import { loop, type Loop } from './loop'
import { midiPower, type MidiPower } from './midiPower'
import { noChannel, type NoChannel } from './noChannel'
import { noPath, type NoPath } from './noPath'
import { omniDevice, type OmniDevice } from './omniDevice'
import { sharedChannel, type SharedChannel } from './sharedChannel'
import { silentSwitch, type SilentSwitch } from './silentSwitch'
import { thruOff, type ThruOff } from './thruOff'
import { tooManyThrus, type TooManyThrus } from './tooManyThrus'
import { unsendablePreset, type UnsendablePreset } from './unsendablePreset'
import { usbWithoutHost, type UsbWithoutHost } from './usbWithoutHost'
import { wrongContact, type WrongContact } from './wrongContact'
import { weakPower, wrongPower, type WeakPower, type WrongPower } from './wrongPower'
import { wrongRole, type WrongRole } from './wrongRole'
import { wrongWiper, type WrongWiper } from './wrongWiper'
import { wrongWiring, type WrongWiring } from './wrongWiring'
import { controlClash, type ControlClash } from './controlClash'
import { reservedNumber, type ReservedNumber } from './reservedNumber'
import { lookAlike, type LookAlike } from './lookAlike'
import { notEntered, type NotEntered } from './notEntered'
import { relearnPair, type RelearnPair } from './relearnPair'

/** Everything a check can find, closed by code. */
export type Finding =
  | NoPath
  | WrongRole
  | WrongWiring
  | ThruOff
  | UsbWithoutHost
  | CrowdedJack
  | Loop
  | SharedChannel
  | OmniDevice
  | NoChannel
  | BlockedChannel
  | IgnoresPrograms
  | EchoedPrograms
  | WrongWiper
  | WrongContact
  | TooManyThrus
  | LongCable
  | WrongPower
  | WeakPower
  | FedTwice
  | MidiPower
  | CannotPerform
  | UnsendablePreset
  | ControlClash
  | ReservedNumber
  | LookAlike
  | NotEntered
  | RelearnPair
  | SilentSwitch

/** Every check. A new one is a file of its own and a line here. */
const CHECKS: readonly ((rig: Rig) => readonly Finding[])[] = [
  noPath,
  wrongRole,
  wrongWiring,
  thruOff,
  usbWithoutHost,
  crowdedJack,
  loop,
  sharedChannel,
  omniDevice,
  noChannel,
  blockedChannel,
  ignoresPrograms,
  echoedPrograms,
  wrongWiper,
  wrongContact,
  tooManyThrus,
  longCable,
  wrongPower,
  weakPower,
  fedTwice,
  midiPower,
  cannotPerform,
  unsendablePreset,
  controlClash,
  reservedNumber,
  lookAlike,
  notEntered,
  relearnPair,
  silentSwitch,
]

/** All that is wrong with a rig, in the order of the checks. */
export const findings = (rig: Rig): Finding[] => CHECKS.flatMap((check) => check(rig))
