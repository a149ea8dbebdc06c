import * as z from 'zod/mini'

import type { ActionRow } from './actionRow'

/** Nothing more of this list is sent for so long. */
export const waitSchema = z.strictObject({
  kind: z.literal('wait'),
  ms: z.int().check(z.gte(1), z.lte(10_000)),
})

export const wait: ActionRow<z.infer<typeof waitSchema>> = {
  names: () => [],
}
