import * as z from 'zod'
import { U14_MAX } from '../../../base/u14'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control put at a value, as it is sent. */
export const setControlSchema = z.strictObject({
  kind: z.literal('setControl'),
  controlId: idSchema<'control'>(),
  value: z.int().min(0).max(U14_MAX),
})

export const setControl: ActionRow<z.infer<typeof setControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
