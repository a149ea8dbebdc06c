import type { Rig } from '../rig/rig'
import type { Action, ActionKind, ActionOf } from '../rig/table/action'
import type { Controller } from '../rig/table/controller'
import type { Footswitch } from '../rig/table/switch'
import type { Step } from '../sound/step'
import type { ActionDoes, Recalled } from './action/actionDoes'
import { recallPreset } from './action/recallPreset'
import { recallSound } from './action/recallSound'

const DOES: { readonly [Kind in ActionKind]: ActionDoes<ActionOf<Kind>> } = { recallPreset, recallSound }

const doesOf = (action: Action) => DOES[action.kind] as ActionDoes<Action>

/** What a controller does for an action. */
export const actionSteps = (rig: Rig, action: Action, controller: Controller | null): readonly Step[] =>
  doesOf(action).steps(rig, action, controller)

/** The presets an action recalls, whether they can be sent or not. */
export const actionRecalls = (rig: Rig, action: Action): readonly Recalled[] =>
  doesOf(action).recalls(rig, action)

/** The same for all that a switch does. */
export const switchRecalls = (rig: Rig, { positions, release }: Footswitch): readonly Recalled[] =>
  [...positions.flat(), ...release].flatMap((action) => actionRecalls(rig, action))
