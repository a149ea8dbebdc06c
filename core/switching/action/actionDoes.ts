import type { Rig } from '../../rig/rig'
import type { Action } from '../../rig/table/action'
import type { Controller } from '../../rig/table/controller'
import type { Row } from '../../rig/table/keyIn'
import type { DeviceId } from '../../rig/table/device'
import type { SwitchId } from '../../rig/table/switch'
import type { Claim } from '../claim'
import type { Known } from '../known'
import type { ActionStep } from '../step'
import type { Phrase, Reading } from '../phrase/phrase'

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
  /** What a typed phrase can mean as an action of this kind. */
  readonly reads?: (rig: Rig, phrase: Phrase) => readonly Reading[]
}
