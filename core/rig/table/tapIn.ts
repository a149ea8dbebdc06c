import * as z from 'zod'
import { idSchema } from './scalars'
import { bpmSchema } from './song'

/** Where a device takes taps: a contact of one of its jacks, or a control of its chart. */
const tapPlaceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('contact'), contactId: z.string().regex(/^[a-zA-Z0-9]{1,21}$/) }),
  z.strictObject({ kind: z.literal('control'), controlId: idSchema<'control'>() }),
])

/** How a device takes its tempo from taps (usual figures: common practice; the player's own measurement goes before them). */
export const tapInSchema = z
  .strictObject({
    place: tapPlaceSchema,
    /** So many taps before it follows; the tempo is right once the last of them has come. */
    taps: z.int().min(2).max(8).default(4),
    /** The shortest time it must be closed, and open between two taps, in ms. */
    closedMs: z.int().min(1).max(500).default(30),
    openMs: z.int().min(1).max(500).default(30),
    /** A tap this long after the last one, in ms, begins anew. */
    forgetsMs: z.int().min(500).max(10_000).default(2000),
    /** The tempi it takes. */
    low: bpmSchema.default(30),
    high: bpmSchema.default(300),
  })
  .refine(({ low, high }) => low < high, { path: ['low'], message: 'the lowest tempo is above the highest' })

export type TapIn = Readonly<z.infer<typeof tapInSchema>>

/** Four taps, 30 ms closed and open, forgotten after 2 s (common practice). */
export const USUAL_TAP_IN: Omit<TapIn, 'place'> = {
  taps: 4,
  closedMs: 30,
  openMs: 30,
  forgetsMs: 2000,
  low: 30,
  high: 300,
}
