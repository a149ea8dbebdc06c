import * as z from 'zod'
import { U14_MAX } from '../../../base/u14'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control led from one value to another; the same again while it runs stops it where it is. */
export const sweepControlSchema = z.strictObject({
  kind: z.literal('sweepControl'),
  controlId: idSchema<'control'>(),
  /** Null: from where it was sent last, or from the other end where that is not known. */
  from: z.int().min(0).max(U14_MAX).nullable(),
  to: z.int().min(0).max(U14_MAX),
  ms: z.int().min(20).max(60_000),
  curve: z.literal(['straight', 'slowStart', 'slowEnd', 'slowBoth']),
})

export const sweepControl: ActionRow<z.infer<typeof sweepControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
