import type { ActionOf } from '#core/rig'
import { controlLine, type ActionText } from './actionText'

export const LOOPER_TEXT: Record<ActionOf<'looper'>['does'], string> = {
  oneButton: 'what its one switch does next',
  record: 'record',
  play: 'play',
  overdub: 'overdub',
  stop: 'stop',
  undo: 'undo',
  redo: 'redo',
  clear: 'clear',
  reverse: 'reverse',
  halfSpeed: 'half speed',
}

export const looper: ActionText<ActionOf<'looper'>> = {
  name: 'Looper',
  lines: (rig, { controlId, does }) => controlLine(rig, controlId, () => `(${LOOPER_TEXT[does]})`),
  short: () => 'looper',
}
