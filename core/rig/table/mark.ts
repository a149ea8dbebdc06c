import * as z from 'zod/mini'
import { idSchema, textSchema, type Id } from './scalars'

/** Names a tick for ever. */
export type MarkId = Id<'mark'>

/** A tick on a line of the checklist. It holds only while the line still says what it said. */
export const markSchema = z.strictObject({
  id: idSchema<'mark'>(),
  /** Which line. */
  line: textSchema(160, 1),
  /** What the line said when it was ticked. */
  said: textSchema(2000),
  /** The revision it was ticked against. */
  revision: z.int().check(z.gte(0)),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
})

/** A tick on a line of the checklist. It holds only while the line still says what it said. */
export type Mark = Readonly<z.infer<typeof markSchema>>
