import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

const DOES: Record<ActionOf<'layer'>['does'], string> = {
  hold: 'shift while held',
  change: 'shift, until the same again',
  shift: 'shift',
  base: 'base',
}

const SHORT = {
  hold: 'shift while held',
  change: 'shift, and back',
  shift: 'shift',
  base: 'back from shift',
} as const

export const layer: ActionText<ActionOf<'layer'>> = {
  name: 'Shift layer',
  lines: (_, { does }) => ownLine('Layer', DOES[does]),
  short: (_, { does }) => SHORT[does],
}
