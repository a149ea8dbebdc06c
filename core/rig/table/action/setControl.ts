import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control put at a value, as it is sent. */
export const setControlSchema = z.strictObject({
  kind: z.literal('setControl'),
  controlId: idSchema<'control'>(),
  value: z.int().check(z.gte(0), z.lte(U14_MAX)),
})

export const setControl: ActionRow<z.infer<typeof setControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
