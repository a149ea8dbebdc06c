import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A control led from one value to another; the same again while it runs stops it where it is. */
export const sweepControlSchema = z.strictObject({
  kind: z.literal('sweepControl'),
  controlId: idSchema<'control'>(),
  /** Null: from where it was sent last, or from the other end where that is not known. */
  from: z.nullable(z.int().check(z.gte(0), z.lte(U14_MAX))),
  to: z.int().check(z.gte(0), z.lte(U14_MAX)),
  ms: z.int().check(z.gte(20), z.lte(60_000)),
  curve: z.literal(['straight', 'slowStart', 'slowEnd', 'slowBoth']),
})

export const sweepControl: ActionRow<z.infer<typeof sweepControlSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
