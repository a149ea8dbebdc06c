import {
  type Rig,
  soundOf,
  type Action,
  type ActionKind,
  type ActionOf,
  type Controller,
  type DeviceId,
  type Row,
  type SoundId,
  actionLists,
  type Footswitch,
} from '#core/rig'
import type {
  ActionDoes,
  Along,
  ControllerNeed,
  Doing,
  Foot,
  Lead,
  LitBy,
  Recalled,
  ShowGo,
  TempoChanger,
  TempoSet,
  Worked,
} from './action/actionDoes'
import { allOff } from './action/allOff'
import { alternateControl } from './action/alternateControl'
import { clock } from './action/clock'
import { contact } from './action/contact'
import { layer } from './action/layer'
import { looper } from './action/looper'
import { macro } from './action/macro'
import { note } from './action/note'
import { raw } from './action/raw'
import { recallPreset } from './action/recallPreset'
import { recallSound } from './action/recallSound'
import { resync } from './action/resync'
import { scene } from './action/scene'
import { setControl } from './action/setControl'
import { showStep } from './action/showStep'
import { stepControl } from './action/stepControl'
import { stepPreset } from './action/stepPreset'
import { sweepControl } from './action/sweepControl'
import { tap } from './action/tap'
import { tapOut } from './action/tapOut'
import { tempo } from './action/tempo'
import { travel } from './action/travel'
import { tuner } from './action/tuner'
import { wait } from './action/wait'
import type { Claim } from './claim'
import { NOTHING_KNOWN, type Known } from './known'
import { stepRows } from './panelRows'
import type { Phrase, PhraseReading } from './phrase/phrase'
import type { ActionStep } from './step'

const DOES: { readonly [Kind in ActionKind]: ActionDoes<ActionOf<Kind>> } = {
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

const doesOf = (action: Action) => DOES[action.kind] as ActionDoes<Action>

/** What a controller does for an action; nothing for one that stands for others ({@link expanded}). */
export const actionSteps = (rig: Rig, action: Action, doing: Doing): readonly ActionStep[] =>
  doesOf(action).steps(rig, action, doing)

/** Whether its steps hang on what the controller knows, or on when it is done. */
export const asksKnown = (action: Action): boolean => doesOf(action).asks !== undefined

/** What of what the controller knows its steps hang on. */
export const askedBy = (rig: Rig, action: Action): readonly string[] =>
  doesOf(action).asks?.(rig, action) ?? []

/** Where each of a list leads the foot, in order. */
export const leadsOf = (rig: Rig, actions: readonly Action[]): readonly Lead[] =>
  expanded(rig, actions).flatMap(({ action }) => doesOf(action).leads?.(action) ?? [])

/** The tempo an action would leave; null where it sets none. */
export const tempoSetBy = (rig: Rig, action: Action, known: Known): TempoSet | null =>
  doesOf(action).setsTempo?.(rig, action, known) ?? null

/** The sounds a list recalls, in order, but for those it hangs on the show to recall. */
export const soundsIn = (rig: Rig, actions: readonly Action[]): readonly SoundId[] =>
  expanded(rig, actions).flatMap(({ action }) => soundOf(action) ?? [])

/** How far it goes in the show; null where it does not. */
export const showGo = (action: Action): ShowGo | null => doesOf(action).goesInShow?.(action) ?? null

/** How long it waits in ms; null for one that does not. */
export const waitOf = (action: Action): number | null => doesOf(action).waits?.(action) ?? null

/** The device it taps the tempo out to; null for none. */
export const tapsOutTo = (action: Action): DeviceId | null => doesOf(action).tapsOutTo?.(action) ?? null

/** What a controller must be able to do for it; null for what all can. */
export const needOf = (action: Action): ControllerNeed | null => doesOf(action).needs ?? null

/** Where a foot is once it is done. */
export const footAfter = (rig: Rig, action: Action, foot: Foot): Foot => ({
  ...foot,
  ...doesOf(action).brings?.(rig, action, foot),
})

/** Whether it only leads the foot elsewhere, or waits: nothing of it is heard. */
export const isQuiet = (action: Action): boolean =>
  doesOf(action).leads !== undefined || doesOf(action).waits !== undefined

/** What its lamp goes by beside values sent; null where it goes by those. */
export const litBy = (action: Action): LitBy | null => doesOf(action).litBy ?? null

/** Whether its lamp beats with the tempo. */
export const beatsTempo = (action: Action): boolean => doesOf(action).beats === true

/** Whether it sends presets and values at once and no more: always the same, or on from what was sent last; null where it does otherwise. */
export const setsOnly = (action: Action): 'outright' | 'onward' | null => doesOf(action).sets ?? null

/** The control it works, and by which values; null where it works none so. */
export const worked = (action: Action): Worked | null => doesOf(action).works?.(action) ?? null

/** Whether it sets something off and leaves no value behind. */
export const onlyFires = (action: Action): boolean => doesOf(action).fires === true

/** Whether what it sends may be anything, a preset called up among it. */
export const isFree = (action: Action): boolean => doesOf(action).isFree === true

/** Whether it always does the same, but for where the foot is. */
export const isAlike = (action: Action): boolean =>
  doesOf(action).asks === undefined || doesOf(action).isAlike?.(action) === true

/** Whether nothing can come of it, since what it asks for is nowhere in the rig. */
export const isVain = (rig: Rig, action: Action): boolean => doesOf(action).isVain?.(rig, action) === true

/** What of it may change the tempo, whatever is known; null where nothing may. */
export const tempoChanger = (rig: Rig, action: Action): TempoChanger | null =>
  doesOf(action).mayChangeTempo?.(rig, action) ?? null

/** An action some steps on in a series; null beyond its end. */
export function actionFurther(rig: Rig, action: Action, along: Along): Action | null {
  const { further } = doesOf(action)
  return further ? further(rig, action, along) : action
}

/** Values an action may send a control. */
export const actionValues = (action: Action): readonly number[] => doesOf(action).values?.(action) ?? []

/** An action with other values; null where it has none, or would be another. */
export const withValues = (action: Action, other: (value: number) => number): Action | null =>
  doesOf(action).withValues?.(action, other) ?? null

/** The rows of a controller's panel that say an action; null where none do. What is kept whole is not asked for here. */
export function actionRows(rig: Rig, controller: Controller, action: Action): readonly Row[] | null {
  const { rows, steps, asks } = doesOf(action)
  const said = rows ? rows(rig, action, controller) : asks ? null : 'sent'
  return said === 'sent'
    ? stepRows(controller, steps(rig, action, { controller, known: NOTHING_KNOWN, at: 0, by: null }))
    : said
}

/** Actions one of which it does, by what is known then; none for one that does the same whatever is known. */
export const oneOf = (rig: Rig, action: Action): readonly Action[] =>
  doesOf(action).oneOf?.(rig, action) ?? []

/** What an action says of a lamp, as far as the controller knows, and what is so of the devices while it is right. */
export interface LampSay {
  readonly action: Action
  readonly isLit: boolean
  readonly claims: readonly Claim[]
}

/** Those of a list that have a say in its lamp. */
export const lampSays = (rig: Rig, actions: readonly Action[], known: Known): LampSay[] =>
  expanded(rig, actions).flatMap(({ action }) => {
    const does = doesOf(action)
    const isLit = does.isLit?.(rig, action, known) ?? null
    return isLit === null ? [] : [{ action, isLit, claims: does.claims?.(rig, action) ?? [] }]
  })

/** An action of a list as it is done, with the place in the list of the one that asks for it. */
export interface Expanded {
  readonly action: Action
  readonly at: number
}

/** More than this no list comes to: macros of macros multiply. */
const EXPANDED_MAX = 2000

/** A list with the actions that others stand for in their place. One that stands for itself, which no rig holds, is nothing. */
export function expanded(rig: Rig, actions: readonly Action[]): Expanded[] {
  const all: Expanded[] = []
  const put = (action: Action, at: number, within: readonly Action[]): void => {
    if (all.length >= EXPANDED_MAX) return
    const { expands } = doesOf(action)
    if (!expands) all.push({ action, at })
    else if (!within.includes(action))
      for (const one of expands(rig, action)) put(one, at, [...within, action])
  }
  actions.forEach((action, at) => put(action, at, []))
  return all
}

/** The presets an action recalls, whether they can be sent or not. */
export const actionRecalls = (rig: Rig, action: Action): readonly Recalled[] =>
  expanded(rig, [action]).flatMap((one) => doesOf(one.action).recalls?.(rig, one.action) ?? [])

/** The same for all that a switch does. */
export const switchRecalls = (rig: Rig, footswitch: Footswitch): readonly Recalled[] =>
  actionLists(footswitch).flatMap(({ actions }) => actions.flatMap((action) => actionRecalls(rig, action)))

/** Whether a list says a lamp is on: all that have a say agree. Null when none has. */
export function isLitBy(rig: Rig, actions: readonly Action[], known: Known): boolean | null {
  const said = lampSays(rig, actions, known)
  return said.length === 0 ? null : said.every(({ isLit }) => isLit)
}

/** One action of each kind the rig has something for, as it is first offered. */
export const startingActions = (rig: Rig): readonly Action[] =>
  Object.values(DOES).flatMap((does) => (does as ActionDoes<Action>).starts?.(rig) ?? [])

/**
 * All that a phrase can mean, the likeliest first. What is said to be held is only what ends as the foot comes off, or
 * what has "hold" in its name.
 */
export const readingsOf = (rig: Rig, phrase: Phrase): PhraseReading[] =>
  [
    ...meaningsOf(rig, phrase).filter((one) => !phrase.isHold || isHeld(one)),
    ...(phrase.isHold ? meaningsOf(rig, { ...phrase, words: phrase.all, isHold: false }) : []),
  ].sort((a, b) => b.sureness - a.sureness)

/** What a phrase would mean did it not say "hold", where nothing of it can be held; null where something can. */
export function heldInVain(rig: Rig, phrase: Phrase): PhraseReading | null {
  if (!phrase.isHold || readingsOf(rig, phrase).length > 0) return null
  const [first] = meaningsOf(rig, { ...phrase, isHold: false }).sort((a, b) => b.sureness - a.sureness)
  return first ?? null
}

/** Whether it ends as the foot comes off. */
export const isHeld = ({ release, isHeld: byItself = false }: PhraseReading): boolean =>
  release !== undefined || byItself

const meaningsOf = (rig: Rig, phrase: Phrase): PhraseReading[] =>
  phrase.words.length === 0
    ? []
    : Object.values(DOES).flatMap((does) => (does as ActionDoes<Action>).reads?.(rig, phrase) ?? [])
