import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** To another bank. */
export const travelSchema = z.strictObject({
  kind: z.literal('travel'),
  /** `page`: the next page of the bank's own; `back`: where the foot was before. */
  to: z.literal(['next', 'previous', 'bank', 'back', 'home', 'page']),
  /** For `bank`. */
  bankId: z.nullable(idSchema<'bank'>()),
})

export const travel: ActionRow<z.infer<typeof travelSchema>> = {
  names: ({ bankId }) => (bankId === null ? [] : [{ path: ['bankId'], table: 'banks', id: bankId }]),
}
