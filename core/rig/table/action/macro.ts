import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A named list of actions, run whole. */
export const macroSchema = z.strictObject({
  kind: z.literal('macro'),
  macroId: idSchema<'macro'>(),
})

export const macro: ActionRow<z.infer<typeof macroSchema>> = {
  names: ({ macroId }) => [{ path: ['macroId'], table: 'macros', id: macroId }],
}
