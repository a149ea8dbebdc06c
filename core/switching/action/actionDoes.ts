import type { Rig } from '../../rig/rig'
import type { Controller } from '../../rig/table/controller'
import type { DeviceId } from '../../rig/table/device'
import type { Step } from '../../sound/step'

/** A preset of a device, counted from 0 over its whole range. */
export interface Recalled {
  readonly deviceId: DeviceId
  readonly index: number
}

/** What an action of one kind does. */
export interface ActionDoes<Action> {
  /** Done by a controller; null while the bank it is in has none. */
  readonly steps: (rig: Rig, action: Action, controller: Controller | null) => readonly Step[]
  /** The presets it recalls, whether they can be sent or not. */
  readonly recalls: (rig: Rig, action: Action) => readonly Recalled[]
}
