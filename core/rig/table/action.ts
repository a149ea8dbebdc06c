import * as z from 'zod'
import type { ActionName, ActionRow } from './action/actionRow'
import { recallPreset, recallPresetSchema } from './action/recallPreset'
import { recallSound, recallSoundSchema } from './action/recallSound'

/**
 * What a switch is asked to do, in the player's terms. A new kind is four files of one name: its row here,
 * what it does in `switching/action`, how it is said in `app/text/actions`, how it is edited in
 * `components/switches/actions`; and a line in each list of those.
 */
export const actionSchema = z.discriminatedUnion('kind', [recallPresetSchema, recallSoundSchema])

export type Action = Readonly<z.infer<typeof actionSchema>>
export type ActionKind = Action['kind']
export type ActionOf<Kind extends ActionKind> = Extract<Action, { readonly kind: Kind }>

const ROWS: { readonly [Kind in ActionKind]: ActionRow<ActionOf<Kind>> } = { recallPreset, recallSound }

/** What an action names. */
export const actionNames = (action: Action): ActionName[] =>
  (ROWS[action.kind] as ActionRow<Action>).names(action)
