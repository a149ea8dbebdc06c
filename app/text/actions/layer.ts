import type { ActionOf } from '#core'
import { ownLine, type ActionText } from './actionText'

const DOES: Record<ActionOf<'layer'>['does'], string> = {
  hold: 'shift while held',
  change: 'shift, until the same again',
  shift: 'shift',
  base: 'base',
}

export const layer: ActionText<ActionOf<'layer'>> = (_, { does }) => ownLine('Layer', DOES[does])
