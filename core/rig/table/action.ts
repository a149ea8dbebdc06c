import * as z from 'zod/mini'
import type { ActionName, ActionRow } from './action/actionRow'
import { allOff, allOffSchema } from './action/allOff'
import { alternateControl, alternateControlSchema } from './action/alternateControl'
import { clock, clockSchema } from './action/clock'
import { contact, contactSchema } from './action/contact'
import { layer, layerSchema } from './action/layer'
import { looper, looperSchema } from './action/looper'
import { macro, macroSchema } from './action/macro'
import { note, noteSchema } from './action/note'
import { raw, rawSchema } from './action/raw'
import { recallPreset, recallPresetSchema } from './action/recallPreset'
import { recallSound, recallSoundSchema } from './action/recallSound'
import { resync, resyncSchema } from './action/resync'
import { scene, sceneSchema } from './action/scene'
import { setControl, setControlSchema } from './action/setControl'
import { showStep, showStepSchema } from './action/showStep'
import { stepControl, stepControlSchema } from './action/stepControl'
import { stepPreset, stepPresetSchema } from './action/stepPreset'
import { sweepControl, sweepControlSchema } from './action/sweepControl'
import { tap, tapSchema } from './action/tap'
import { tapOut, tapOutSchema } from './action/tapOut'
import { tempo, tempoSchema } from './action/tempo'
import { travel, travelSchema } from './action/travel'
import { tuner, tunerSchema } from './action/tuner'
import { wait, waitSchema } from './action/wait'
import type { SoundId } from './sound'

/**
 * What a switch is asked to do, in the player's terms. A new kind is four files of one name: its row here,
 * what it does in `switching/action`, how it is said in `shared/actions`, how it is edited in
 * `components/switches/actions`; and a line in each list of those.
 */
export const actionSchema = z.discriminatedUnion('kind', [
  recallSoundSchema,
  recallPresetSchema,
  stepPresetSchema,
  setControlSchema,
  alternateControlSchema,
  stepControlSchema,
  sweepControlSchema,
  sceneSchema,
  noteSchema,
  rawSchema,
  waitSchema,
  contactSchema,
  tapSchema,
  tapOutSchema,
  tempoSchema,
  clockSchema,
  tunerSchema,
  looperSchema,
  travelSchema,
  showStepSchema,
  layerSchema,
  macroSchema,
  allOffSchema,
  resyncSchema,
])

/** One thing a step does, as the player means it. */
export type Action = Readonly<z.infer<typeof actionSchema>>
/** A kind of action: there are four files of its name. */
export type ActionKind = Action['kind']
/** The actions of one kind. */
export type ActionOf<Kind extends ActionKind> = Extract<Action, { readonly kind: Kind }>

const ROWS: { readonly [Kind in ActionKind]: ActionRow<ActionOf<Kind>> } = {
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

export const ACTION_KINDS = Object.keys(ROWS) as ActionKind[]

/** What an action names. */
export const actionNames = (action: Action): ActionName[] =>
  (ROWS[action.kind] as ActionRow<Action>).names(action)

/** The row of a table that an action names first, by its id; null for none. */
export const namedIn = (action: Action, table: ActionName['table']): string | null =>
  actionNames(action).find((one) => one.table === table)?.id ?? null

/** The sound an action recalls, which is the one it names; null for none. */
export const soundOf = (action: Action): SoundId | null => namedIn(action, 'sounds') as SoundId | null

/** An action that names another row of a table in place of the one it names there; the same where it names none. */
export const naming = (action: Action, table: ActionName['table'], id: string): Action => {
  const [field] = actionNames(action).find((one) => one.table === table)?.path ?? []
  return field === undefined ? action : { ...action, [field]: id }
}

/** Whether it turns the shift layer by itself. */
export const turnsLayer = ({ kind }: Action): boolean => ROWS[kind].turnsLayer === true

/** Done in order. */
export const actionsSchema = z.array(actionSchema).check(z.maxLength(128))
