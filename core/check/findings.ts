import { perObject } from '#core/base'
import { CABLING, perTables, FLOOR_TABLES, TABLE_NAMES, type Rig, type TableName } from '#core/rig'
import { COMPILE_TABLES } from '#core/switching'
import { blockedChannel, type BlockedChannel } from './midi/blockedChannel'
import { cannotPerform, type CannotPerform } from './midi/cannotPerform'
import { crowdedJack, type CrowdedJack } from './cables/crowdedJack'
import { echoedPrograms, type EchoedPrograms } from './midi/echoedPrograms'
import { fedTwice, type FedTwice } from './cables/fedTwice'
import { ignoresPrograms, type IgnoresPrograms } from './midi/ignoresPrograms'
import { longCable, type LongCable } from './cables/longCable'
import { loop, type Loop } from './midi/loop'
import { midiPower, type MidiPower } from './cables/midiPower'
import { noChannel, type NoChannel } from './midi/noChannel'
import { noPath, type NoPath } from './midi/noPath'
import { noBankSelect, type NoBankSelect } from './midi/noBankSelect'
import { noMidiPower, type NoMidiPower } from './cables/noMidiPower'
import { monoLead, type MonoLead } from './cables/monoLead'
import { otherController, type OtherController } from './midi/otherController'
import { outForThru, type OutForThru } from './midi/outForThru'
import { omniDevice, type OmniDevice } from './midi/omniDevice'
import {
  brokenLoop,
  earthLoop,
  phonesBypassed,
  soundEndsIn,
  stereoLost,
  type BrokenLoop,
  type EarthLoop,
  type PhonesBypassed,
  type SoundEndsIn,
  type StereoLost,
} from './cables/soundWay'
import { sharedChannel, type SharedChannel } from './midi/sharedChannel'
import { silentSwitch, type SilentSwitch } from './switches/silentSwitch'
import { thruOff, type ThruOff } from './midi/thruOff'
import { tooManyThrus, type TooManyThrus } from './midi/tooManyThrus'
import { unsendablePreset, type UnsendablePreset } from './switches/unsendablePreset'
import { usbWithoutHost, type UsbWithoutHost } from './midi/usbWithoutHost'
import { wrongContact, type WrongContact } from './cables/wrongContact'
import { weakPower, wrongPower, type WeakPower, type WrongPower } from './cables/wrongPower'
import { wrongRole, type WrongRole } from './cables/wrongRole'
import { wrongWiper, type WrongWiper } from './cables/wrongWiper'
import { wrongWiring, type WrongWiring } from './cables/wrongWiring'
import { controlClash, type ControlClash } from './charts/controlClash'
import { reservedNumber, type ReservedNumber } from './charts/reservedNumber'
import { lookAlike, type LookAlike } from './charts/lookAlike'
import { notEntered, type NotEntered } from './charts/notEntered'
import { relearnPair, type RelearnPair } from './charts/relearnPair'
import { soundCannot, soundDoubt, type SoundCannot, type SoundDoubt } from './sounds/soundCannot'
import { soundClash, type SoundClash } from './sounds/soundClash'
import { lostControls, type LostControls } from './sounds/lostControls'
import { forgottenDevice, leftover, type ForgottenDevice, type Leftover } from './sounds/leftover'
import { levelJump, noHeadroom, type LevelJump, type NoHeadroom } from './sounds/soundLevels'
import { avoidableHole, type AvoidableHole } from './sounds/avoidableHole'
import { tooManyMessages, type TooManyMessages } from './sounds/tooManyMessages'
import { againstSchool, type AgainstSchool } from './sounds/againstSchool'
import { parity, type Parity } from './switches/parity'
import { twinGestures, type TwinGestures } from './switches/twinGestures'
import { noWayBack, type NoWayBack } from './switches/noWayBack'
import { unreachedSound, type UnreachedSound } from './sounds/unreachedSound'
import { unsentControl, type UnsentControl } from './switches/unsentControl'
import { strictValue, type StrictValue } from './switches/strictValue'
import { undoneSet, type UndoneSet } from './switches/undoneSet'
import { lostOnSwitch, type LostOnSwitch } from './switches/lostOnSwitch'
import { overfullSwitch, type OverfullSwitch, slowSwitch, type SlowSwitch } from './switches/switchLoad'
import { keptGesture, type KeptGesture, editingOnStage, type EditingOnStage } from './switches/keptGesture'
import {
  pedalNoFoot,
  pedalTwice,
  pedalAnother,
  pedalUnfit,
  type PedalNoFoot,
  type PedalTwice,
  type PedalAnother,
  type PedalUnfit,
} from './pedals/pedalFoot'
import {
  pedalUnheard,
  narrowedTwice,
  pedalNumber,
  type PedalUnheard,
  type NarrowedTwice,
  type PedalNumber,
} from './pedals/pedalTarget'
import {
  pedalsFight,
  pedalLeaps,
  deadRole,
  type PedalsFight,
  type PedalLeaps,
  type DeadRole,
} from './pedals/pedalRoles'
import { pedalFloods, type PedalFloods } from './pedals/pedalLoad'
import { offOneWay, pedalBehindLamp, type OffOneWay, type PedalBehindLamp } from './pedals/pedalOff'
import { offBeat, type OffBeat } from './tempo/offBeat'
import {
  tapOutCannot,
  tapOutLate,
  tapOutMissing,
  type TapOutCannot,
  type TapOutLate,
  type TapOutMissing,
} from './tempo/tapOuts'
import { clockHarm, twoClocks, type ClockHarm, type TwoClocks } from './tempo/clocks'
import { tapIsLooper, type TapIsLooper } from './tempo/tapIsLooper'
import { loopClear, loopStop, loopTempo, type LoopClear, type LoopStop, type LoopTempo } from './tempo/loops'
import type { LyingLamp } from './searched/lyingLamp'
import type { ProvenFault } from './searched/provenFault'
import type { RunDiffers } from './searched/runDiffers'
import type { WrongMoment } from './searched/wrongMoments'
import { beyondController, type BeyondController } from './switches/beyondController'

/** Everything a check can find, closed by code. */
export type Finding =
  | NoPath
  | BrokenLoop
  | EarthLoop
  | StereoLost
  | PhonesBypassed
  | SoundEndsIn
  | OutForThru
  | MonoLead
  | NoMidiPower
  | OtherController
  | NoBankSelect
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
  | SoundCannot
  | SoundDoubt
  | SoundClash
  | LostControls
  | TooManyMessages
  | Leftover
  | ForgottenDevice
  | LevelJump
  | NoHeadroom
  | AvoidableHole
  | AgainstSchool
  | SilentSwitch
  | Parity
  | TwinGestures
  | NoWayBack
  | UnreachedSound
  | UnsentControl
  | StrictValue
  | UndoneSet
  | LostOnSwitch
  | OverfullSwitch
  | SlowSwitch
  | KeptGesture
  | EditingOnStage
  | BeyondController
  | PedalNoFoot
  | PedalTwice
  | PedalAnother
  | PedalUnfit
  | PedalUnheard
  | NarrowedTwice
  | PedalNumber
  | PedalsFight
  | PedalLeaps
  | DeadRole
  | PedalFloods
  | OffOneWay
  | PedalBehindLamp
  | OffBeat
  | TapOutCannot
  | TapOutLate
  | TapOutMissing
  | ClockHarm
  | TwoClocks
  | TapIsLooper
  | LoopClear
  | LoopStop
  | LoopTempo
  | LyingLamp
  | ProvenFault
  | RunDiffers
  | WrongMoment

interface Check {
  /** The tables it looks at: an edit elsewhere leaves its answer as it is. A test takes it at its word. */
  readonly tables: readonly TableName[]
  readonly find: (rig: Rig) => readonly Finding[]
}

const on = (tables: readonly TableName[], find: Check['find']): Check => ({
  tables,
  find: perTables(tables, find),
})

const SWITCHES = [...COMPILE_TABLES, 'about', 'shows', 'songs', 'parts', 'switches'] as const

const TAPS = [...SWITCHES, ...CABLING, 'controls'] as const

const PEDALS = [...CABLING, 'controls', 'pedals'] as const

/** Every check. A new one is a file of its own and a line here. */
export const CHECKS: readonly Check[] = [
  on(CABLING, noPath),
  on(CABLING, wrongRole),
  on(CABLING, wrongWiring),
  on(CABLING, thruOff),
  on(CABLING, outForThru),
  on(CABLING, usbWithoutHost),
  on(CABLING, crowdedJack),
  on(CABLING, loop),
  on(CABLING, sharedChannel),
  on(CABLING, omniDevice),
  on(CABLING, noChannel),
  on(CABLING, blockedChannel),
  on(SWITCHES, ignoresPrograms),
  on(CABLING, echoedPrograms),
  on(CABLING, wrongWiper),
  on(CABLING, monoLead),
  on(CABLING, wrongContact),
  on(CABLING, tooManyThrus),
  on(CABLING, longCable),
  on(CABLING, wrongPower),
  on(CABLING, weakPower),
  on(CABLING, fedTwice),
  on(CABLING, midiPower),
  on(CABLING, noMidiPower),
  on(CABLING, brokenLoop),
  on(CABLING, earthLoop),
  on(CABLING, stereoLost),
  on(CABLING, phonesBypassed),
  on(CABLING, soundEndsIn),
  on(CABLING, noBankSelect),
  on(SWITCHES, otherController),
  on([...SWITCHES, 'banks'], cannotPerform),
  on([...SWITCHES, 'banks'], unsendablePreset),
  on([...CABLING, 'controls'], controlClash),
  on([...CABLING, 'controls'], reservedNumber),
  on(['devices', 'controls'], lookAlike),
  on(SWITCHES, notEntered),
  on(['devices', 'controls', 'pairs'], relearnPair),
  on(COMPILE_TABLES, soundCannot),
  on(COMPILE_TABLES, soundDoubt),
  on(COMPILE_TABLES, soundClash),
  on(COMPILE_TABLES, lostControls),
  on(COMPILE_TABLES, tooManyMessages),
  on(COMPILE_TABLES, leftover),
  on(COMPILE_TABLES, forgottenDevice),
  on(COMPILE_TABLES, levelJump),
  on(COMPILE_TABLES, noHeadroom),
  on(COMPILE_TABLES, avoidableHole),
  on(COMPILE_TABLES, againstSchool),
  on(SWITCHES, silentSwitch),
  on(SWITCHES, parity),
  on(SWITCHES, twinGestures),
  on(SWITCHES, noWayBack),
  on(SWITCHES, unreachedSound),
  on(TABLE_NAMES, unsentControl),
  on(SWITCHES, strictValue),
  on(SWITCHES, undoneSet),
  on(SWITCHES, lostOnSwitch),
  on(SWITCHES, overfullSwitch),
  on(SWITCHES, slowSwitch),
  on(['controllers', 'macros', 'banks', 'switches'], keptGesture),
  on(['controllers', 'banks', 'switches'], editingOnStage),
  on([...CABLING, 'banks', 'switches'], beyondController),
  on(PEDALS, pedalNoFoot),
  on(PEDALS, pedalTwice),
  on(PEDALS, pedalAnother),
  on(PEDALS, pedalUnfit),
  on(PEDALS, pedalUnheard),
  on(PEDALS, narrowedTwice),
  on(PEDALS, pedalNumber),
  on(PEDALS, pedalsFight),
  on(PEDALS, pedalLeaps),
  on(['pedals'], deadRole),
  on(PEDALS, pedalFloods),
  on(['pedals', 'switches'], offOneWay),
  on([...PEDALS, 'switches'], pedalBehindLamp),
  on(COMPILE_TABLES, offBeat),
  on(TAPS, tapOutCannot),
  on(TAPS, tapOutLate),
  on(TAPS, tapOutMissing),
  on([...CABLING, 'banks', 'switches', 'macros'], clockHarm),
  on([...CABLING, 'banks', 'switches', 'macros'], twoClocks),
  on(SWITCHES, tapIsLooper),
  on(FLOOR_TABLES, loopClear),
  on(FLOOR_TABLES, loopStop),
  on(FLOOR_TABLES, loopTempo),
]

/** All that is wrong with a rig, in the order of the checks. Only checks an edit could have changed are done again. */
export const findings = perObject((rig: Rig): readonly Finding[] => CHECKS.flatMap(({ find }) => find(rig)))
