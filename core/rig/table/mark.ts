import * as z from 'zod'
import { idSchema, type Id } from './scalars'

export type MarkId = Id<'mark'>

/** A tick on a line of the checklist. It holds only while the line still says what it said. */
export const markSchema = z.strictObject({
  id: idSchema<'mark'>(),
  /** Which line. */
  line: z.string().min(1).max(160),
  /** What the line said when it was ticked. */
  said: z.string().max(2000),
  /** The revision it was ticked against. */
  revision: z.int().min(0),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
})

export type Mark = Readonly<z.infer<typeof markSchema>>
