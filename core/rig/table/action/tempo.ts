import * as z from 'zod'

import type { ActionRow } from './actionRow'

/** The tempo the controller keeps: set, or made faster or slower by so much. */
export const tempoSchema = z.strictObject({
  kind: z.literal('tempo'),
  does: z.literal(['set', 'nudge']),
  /** Beats a minute; for a nudge the difference. */
  bpm: z.number().min(-100).max(400),
})

export const tempo: ActionRow<z.infer<typeof tempoSchema>> = {
  names: () => [],
}
