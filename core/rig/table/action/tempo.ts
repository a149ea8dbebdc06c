import * as z from 'zod/mini'

import type { ActionRow } from './actionRow'

/** The tempo the controller keeps: set, made faster or slower by so much, or put back to what song or sound stored. */
export const tempoSchema = z.strictObject({
  kind: z.literal('tempo'),
  does: z.literal(['set', 'nudge', 'stored']),
  /** Beats a minute; for a nudge the difference; 0 for the stored one. */
  bpm: z.number().check(z.gte(-100), z.lte(400)),
})

export const tempo: ActionRow<z.infer<typeof tempoSchema>> = {
  names: () => [],
}
