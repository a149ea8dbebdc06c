import type { FootGestures } from '#core/paper'
import type { Action, ActionKind, ActionOf, Rig } from '#core/rig'
import type { ActionLine, ActionText } from './actionText'
import { allOff } from './allOff'
import { alternateControl } from './alternateControl'
import { clock } from './clock'
import { contact } from './contact'
import { layer } from './layer'
import { looper } from './looper'
import { macro } from './macro'
import { note } from './note'
import { raw } from './raw'
import { recallPreset } from './recallPreset'
import { recallSound } from './recallSound'
import { resync } from './resync'
import { scene } from './scene'
import { setControl } from './setControl'
import { showStep } from './showStep'
import { stepControl } from './stepControl'
import { stepPreset } from './stepPreset'
import { sweepControl } from './sweepControl'
import { tap } from './tap'
import { tapOut } from './tapOut'
import { tempo } from './tempo'
import { travel } from './travel'
import { tuner } from './tuner'
import { wait } from './wait'

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

const textOf = (action: Action) => TEXTS[action.kind] as ActionText<Action>

/** Says an action, a line for each device. */
export const actionLines = (rig: Rig, action: Action): readonly ActionLine[] =>
  textOf(action).lines(rig, action)

/** What a kind of action is called in lists to choose from. */
export const actionName = (kind: ActionKind): string => TEXTS[kind].name

/** The first thing a list does, in two or three words; empty where it only waits or does nothing. */
export const shortDoes = (rig: Rig, actions: readonly Action[]): string =>
  actions.map((action) => textOf(action).short(rig, action)).find((words) => words !== '') ?? ''

/** "hold: tuner": what a switch does beside a plain press; a line each. */
export const gestureLines = (rig: Rig, { long, double }: FootGestures): string[] => [
  ...(long.length > 0 ? [`hold: ${shortDoes(rig, long) || 'more'}`] : []),
  ...(double.length > 0 ? [`twice: ${shortDoes(rig, double) || 'more'}`] : []),
]

/** One line for an action, whoever it is about. */
export function actionText(rig: Rig, action: Action): string {
  const { name, isOneThing, short } = textOf(action)
  if (isOneThing) return `${name} ${short(rig, action) || 'that is gone'}`
  return actionLines(rig, action)
    .map(({ device, state }) => `${device} ${state}`)
    .join('; ')
}

/** What buttons and readers call an action in a list. */
export function actionTitle(rig: Rig, action: Action): string {
  const { name, isOneThing, short } = textOf(action)
  return (isOneThing ? short(rig, action) : actionLines(rig, action)[0]?.device) || name
}
