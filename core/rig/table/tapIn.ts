import { contactIdSchema } from './contactId'
import * as z from 'zod/mini'
import { idSchema } from './scalars'
import { bpmSchema } from './song'

/** Where a device takes taps: a contact of one of its jacks, or a control of its chart. */
const tapPlaceSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('contact'), contactId: contactIdSchema }),
  z.strictObject({ kind: z.literal('control'), controlId: idSchema<'control'>() }),
])

/** How a device takes its tempo from taps (usual figures: common practice; the player's own measurement goes before them). */
export const tapInSchema = z
  .strictObject({
    place: tapPlaceSchema,
    /** So many taps before it follows; the tempo is right once the last of them has come. */
    taps: z._default(z.int().check(z.gte(2), z.lte(8)), 4),
    /** The shortest time it must be closed, and open between two taps, in ms. */
    closedMs: z._default(z.int().check(z.gte(1), z.lte(500)), 30),
    openMs: z._default(z.int().check(z.gte(1), z.lte(500)), 30),
    /** A tap this long after the last one, in ms, begins anew. */
    forgetsMs: z._default(z.int().check(z.gte(500), z.lte(10_000)), 2000),
    /** The tempi it takes. */
    low: z._default(bpmSchema, 30),
    high: z._default(bpmSchema, 300),
  })
  .check(
    z.refine(({ low, high }) => low < high, {
      path: ['low'],
      message: 'the lowest tempo is above the highest',
    }),
  )

/** How a device takes its tempo from taps; times in ms. */
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
