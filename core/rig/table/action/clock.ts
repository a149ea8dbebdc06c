import * as z from 'zod/mini'

import type { ActionRow } from './actionRow'

/** MIDI clock: 24 a quarter in the tempo the controller keeps. */
export const clockSchema = z.strictObject({
  kind: z.literal('clock'),
  does: z.literal(['start', 'stop', 'continue', 'change']),
})

export const clock: ActionRow<z.infer<typeof clockSchema>> = {
  names: () => [],
}
