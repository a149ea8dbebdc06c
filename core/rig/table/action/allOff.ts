import * as z from 'zod/mini'

import type { ActionRow } from './actionRow'

/** Every device switched off in its own way, and all sweeps stopped. */
export const allOffSchema = z.strictObject({
  kind: z.literal('allOff'),
})

export const allOff: ActionRow<z.infer<typeof allOffSchema>> = {
  names: () => [],
}
