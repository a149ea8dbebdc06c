import { own } from '#core/base'
import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

export const macro: ActionText<ActionOf<'macro'>> = {
  name: 'Macro',
  lines: (rig, { macroId }) => ownLine('Macro', own(rig.macros, macroId)?.name ?? 'that is gone'),
  short: (rig, { macroId }) => own(rig.macros, macroId)?.name ?? '',
}
