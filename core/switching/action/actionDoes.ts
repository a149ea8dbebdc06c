import type {
  Rig,
  ShowMove,
  Action,
  ControlId,
  Controller,
  Row,
  DeviceId,
  PresetId,
  SongId,
  SwitchId,
} from '#core/rig'
import type { Claim } from '../claim'
import type { Known } from '../known'
import type { ActionStep } from '../step'
import type { Phrase, PhraseReading } from '../phrase/phrase'

/** A preset of a device, counted from 0 over its whole range. */
export interface Recalled {
  readonly deviceId: DeviceId
  readonly index: number
}

/** Who does an action, and when. */
export interface Doing {
  /** Null while the bank it is in has none. */
  readonly controller: Controller | null
  readonly known: Known
  /** In µs on the clock of the floor. */
  readonly at: number
  /** The switch stepped on; null when it is done otherwise. */
  readonly by: SwitchId | null
}

export type Lead = 'bank' | 'back' | 'layer' | 'held'

/** A tempo in beats a minute, and what sets it. */
export interface TempoSet {
  readonly bpm: number | null
  readonly by: 'tap' | 'nudge' | 'set' | 'stored' | 'sound' | 'song'
}

/** A step in the show; `songId` for one to a song. */
export interface ShowGo {
  readonly to: ShowMove
  readonly songId: SongId | null
}

/** What not every controller can do by itself. */
export type ControllerNeed = 'clock' | 'showList'

/** What a lamp goes by that is no value sent. */
export type LitBy = 'sound' | 'tuner' | 'clock' | 'show' | 'tempo' | 'place'

/** Where a foot is, and where it came from. */
export type Foot = Pick<Known, 'bankId' | 'layer' | 'back'>

/** A control, and the value it is set to, or the two it is set to by turns. */
export interface Worked {
  readonly controlId: ControlId
  readonly values: readonly [number] | readonly [number, number]
}

export type TempoChanger = 'tap' | 'tapOut' | 'tempo' | 'sound' | 'song'

/** What goes up by one from copy to copy. */
export const SERIES = ['same', 'preset', 'sound', 'controller', 'value', 'channel'] as const
/** One of {@link SERIES}. */
export type Series = (typeof SERIES)[number]

/** How far along a series a copy is, from 1; `preset` names a preset of a device, made where it has no row. */
export interface Along {
  readonly series: Series
  readonly n: number
  readonly preset: (deviceId: DeviceId, index: number) => PresetId
}

/** What an action of one kind does. */
export interface ActionDoes<One> {
  /** A pure function of the rig, the action and what the controller knows. */
  readonly steps: (rig: Rig, action: One, doing: Doing) => readonly ActionStep[]
  /**
   * Its steps depend on what the controller knows, or on when it is done: on what of that. `values/…`, `presets/…` and
   * `contacts/…` name one of what it last sent, `place` bank and layer, `all` everything.
   */
  readonly asks?: (rig: Rig, action: One) => readonly string[]
  /** The presets it recalls, whether they can be sent or not. */
  readonly recalls?: (rig: Rig, action: One) => readonly Recalled[]
  /** Actions one of which it does, by what the controller knows. */
  readonly oneOf?: (rig: Rig, action: One) => readonly Action[]
  /** Actions it stands for. */
  readonly expands?: (rig: Rig, action: One) => readonly Action[]
  /** Whether the lamp of a switch that does it is on, as far as the controller knows; null when it has no say. */
  readonly isLit?: (rig: Rig, action: One, known: Known) => boolean | null
  /** The one first offered where a player picks the kind from a list; null where the rig has nothing for it. */
  readonly starts?: (rig: Rig) => One | null
  /** What is so of the devices once it is done, and stays so while its lamp is right to be lit. */
  readonly claims?: (rig: Rig, action: One) => readonly Claim[]
  /** Where it leads the foot: to another bank, to the one before it came from, to a layer, or to one as long as it is held. */
  readonly leads?: (action: One) => Lead | null
  /** The tempo it would leave, where it sets one: by what, and null where that hangs on the foot or on what holds then. */
  readonly setsTempo?: (rig: Rig, action: One, known: Known) => TempoSet | null
  /** Values it may send a control, each by itself; of a sweep one that lies between. */
  readonly values?: (action: One) => readonly number[]
  /** The same with other values; null where it would be another action. */
  readonly withValues?: (action: One, other: (value: number) => number) => One | null
  /**
   * What is entered for it on a controller's panel: null where no row says it, `sent` for what it sends, the same at all times.
   * Without, it is `sent` where its steps hang on nothing, and null where they do.
   */
  readonly rows?: (rig: Rig, action: One, controller: Controller) => readonly Row[] | 'sent' | null
  /** How far it goes in the show; to a song where it names one. */
  readonly goesInShow?: (action: One) => ShowGo
  /** How long it waits, in ms, and does nothing else. */
  readonly waits?: (action: One) => number
  /** The device it taps the tempo out to. */
  readonly tapsOutTo?: (action: One) => DeviceId
  /** What a controller must be able to do for it. */
  readonly needs?: ControllerNeed
  /** Where the foot is once it is done. */
  readonly brings?: (rig: Rig, action: One, foot: Foot) => Partial<Foot>
  /** What its lamp goes by; without, by what was sent last. */
  readonly litBy?: LitBy
  /** Its lamp beats with the tempo, while there is one. */
  readonly beats?: true
  /** It sends presets and values, at once, and does no more: which is always the same, or goes on from what was sent last. */
  readonly sets?: 'outright' | 'onward'
  /** The control it works: with the value it sets, or the two it goes between. Null where it goes elsewhere. */
  readonly works?: (action: One) => Worked | null
  /** It sets something off, and leaves no value behind. */
  readonly fires?: true
  /** What it sends may be anything: nothing else of the rig can be told not to hang on it. */
  readonly isFree?: true
  /** It sends the same, and leads to the same place, whatever is known but for where the foot is. */
  readonly isAlike?: (action: One) => boolean
  /** Nothing comes of it whatever is known: what it asks for is nowhere in the rig. */
  readonly isVain?: (rig: Rig, action: One) => boolean
  /** What of it may change the tempo, whatever is known. */
  readonly mayChangeTempo?: (rig: Rig, action: One) => TempoChanger | null
  /** The same `n` steps on in a series; null beyond its end. Without, and where the series does not touch it, it stays. */
  readonly further?: (rig: Rig, action: One, along: Along) => One | null
  /** What a typed phrase can mean as an action of this kind. */
  readonly reads?: (rig: Rig, phrase: Phrase) => readonly PhraseReading[]
}
