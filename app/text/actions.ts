import { own, type Action, type ActionKind, type ActionOf, type Rig } from '#core'
import type { ActionLine, ActionText } from './actions/actionText'
import { allOff } from './actions/allOff'
import { alternateControl } from './actions/alternateControl'
import { clock } from './actions/clock'
import { contact } from './actions/contact'
import { layer } from './actions/layer'
import { looper } from './actions/looper'
import { macro } from './actions/macro'
import { note } from './actions/note'
import { raw } from './actions/raw'
import { recallPreset } from './actions/recallPreset'
import { recallSound } from './actions/recallSound'
import { resync } from './actions/resync'
import { scene } from './actions/scene'
import { setControl } from './actions/setControl'
import { showStep } from './actions/showStep'
import { stepControl } from './actions/stepControl'
import { stepPreset } from './actions/stepPreset'
import { sweepControl } from './actions/sweepControl'
import { tap } from './actions/tap'
import { tapOut } from './actions/tapOut'
import { tempo } from './actions/tempo'
import { travel } from './actions/travel'
import { tuner } from './actions/tuner'
import { wait } from './actions/wait'

const TEXTS: { readonly [Kind in ActionKind]: ActionText<ActionOf<Kind>> } = {
  recallSound,
  recallPreset,
  stepPreset,
  setControl,
  alternateControl,
  stepControl,
  sweepControl,
  scene,
  note,
  raw,
  wait,
  contact,
  tap,
  tapOut,
  tempo,
  clock,
  tuner,
  looper,
  travel,
  showStep,
  layer,
  macro,
  allOff,
  resync,
}

/** Says an action, a line for each device. */
export const actionLines = (rig: Rig, action: Action): readonly ActionLine[] =>
  (TEXTS[action.kind] as ActionText<Action>)(rig, action)

/** What it is called in lists to choose from. */
export const ACTION_NAME: Record<ActionKind, string> = {
  recallSound: 'Sound',
  recallPreset: 'Preset',
  stepPreset: 'Next or previous preset',
  setControl: 'Control',
  alternateControl: 'Control, two values in turn',
  stepControl: 'Control, one step',
  sweepControl: 'Control, swept',
  scene: 'Scene',
  note: 'Note',
  raw: 'Message in bytes',
  wait: 'Wait',
  contact: 'Contact',
  tap: 'Tap',
  tapOut: 'Tap out the tempo',
  tempo: 'Tempo',
  clock: 'Clock',
  tuner: 'Tuner',
  looper: 'Looper',
  travel: 'Go to bank',
  showStep: 'Step in the show',
  layer: 'Shift layer',
  macro: 'Macro',
  allOff: 'Everything off',
  resync: 'Send all again',
}

/** One line for an action, whoever it is about. */
export function actionText(rig: Rig, action: Action): string {
  if (action.kind === 'recallSound') return `Sound ${own(rig.sounds, action.soundId)?.name ?? 'that is gone'}`
  return actionLines(rig, action)
    .map(({ device, state }) => `${device} ${state}`)
    .join('; ')
}
