import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** One tap of the tempo: the controller counts it, and a control of a device hears it too where one is named. */
export const tapSchema = z.strictObject({
  kind: z.literal('tap'),
  controlId: z.nullable(idSchema<'control'>()),
})

export const tap: ActionRow<z.infer<typeof tapSchema>> = {
  names: ({ controlId }) =>
    controlId === null ? [] : [{ path: ['controlId'], table: 'controls', id: controlId }],
}
