import * as z from 'zod/mini'

import type { ActionRow } from './actionRow'

/** The shift layer: while the foot is down, or until the same again. */
export const layerSchema = z.strictObject({
  kind: z.literal('layer'),
  does: z.literal(['hold', 'change', 'shift', 'base']),
})

export const layer: ActionRow<z.infer<typeof layerSchema>> = {
  names: () => [],
  turnsLayer: true,
}
