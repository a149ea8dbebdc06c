import * as z from 'zod/mini'

import type { ActionRow } from './actionRow'

/** All that the controller sent last, sent again: the floor is then what it believes. */
export const resyncSchema = z.strictObject({
  kind: z.literal('resync'),
})

export const resync: ActionRow<z.infer<typeof resyncSchema>> = {
  names: () => [],
}
