import type { Action, ActionKind, ActionOf, Rig } from '#core'
import type { ActionLine, ActionText } from './actions/actionText'
import { recallPreset } from './actions/recallPreset'
import { recallSound } from './actions/recallSound'

const TEXTS: { readonly [Kind in ActionKind]: ActionText<ActionOf<Kind>> } = { recallPreset, recallSound }

/** Says an action, a line for each device. */
export const actionLines = (rig: Rig, action: Action): readonly ActionLine[] =>
  (TEXTS[action.kind] as ActionText<Action>)(rig, action)
