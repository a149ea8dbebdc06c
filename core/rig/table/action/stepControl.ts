import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control put so many steps of its value further; from `from` while nothing was sent yet. */
export const stepControlSchema = z.strictObject({
  kind: z.literal('stepControl'),
  controlId: idSchema<'control'>(),
  by: z.int().check(z.gte(-U14_MAX), z.lte(U14_MAX)),
  from: z.int().check(z.gte(0), z.lte(U14_MAX)),
  to: z.int().check(z.gte(0), z.lte(U14_MAX)),
  atEnd: z.literal(['wrap', 'stop']),
})

export const stepControl: ActionRow<z.infer<typeof stepControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
