import * as z from 'zod/mini'
import { idSchema, nameSchema, orderSchema, type Id } from './scalars'

/** Names a set list for ever. */
export type ShowId = Id<'show'>

/** A set list: songs in playing order. One may come twice. */
export const showSchema = z.strictObject({
  id: idSchema<'show'>(),
  order: orderSchema,
  name: nameSchema,
  songIds: z.array(idSchema<'song'>()).check(z.maxLength(300)),
  /** What the foot steps on: the switch of each sound, or the one that goes to the next part. */
  stepsOn: z._default(z.literal(['sounds', 'nextPart']), 'sounds'),
})

/** A set list: songs in playing order. */
export type Show = Readonly<z.infer<typeof showSchema>>

/** What a show has of fields that came later, as long as nothing is known. */
export const USUAL_SHOW = { stepsOn: 'sounds' } satisfies Partial<Show>
