import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control put at the other of two values: at `b` when `a` was sent last, else at `a`. */
export const alternateControlSchema = z.strictObject({
  kind: z.literal('alternateControl'),
  controlId: idSchema<'control'>(),
  a: z.int().check(z.gte(0), z.lte(U14_MAX)),
  b: z.int().check(z.gte(0), z.lte(U14_MAX)),
})

export const alternateControl: ActionRow<z.infer<typeof alternateControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
