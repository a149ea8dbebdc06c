import * as z from 'zod'
import { U14_MAX } from '../../../base/u14'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control put so many steps of its value further; from `from` while nothing was sent yet. */
export const stepControlSchema = z.strictObject({
  kind: z.literal('stepControl'),
  controlId: idSchema<'control'>(),
  by: z.int().min(-U14_MAX).max(U14_MAX),
  from: z.int().min(0).max(U14_MAX),
  to: z.int().min(0).max(U14_MAX),
  atEnd: z.literal(['wrap', 'stop']),
})

export const stepControl: ActionRow<z.infer<typeof stepControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
