import * as z from 'zod'
import { idSchema } from './scalars'

/** What a switch is asked to do, in the player's terms; `compile` turns it into messages. */
export const actionSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('recallPreset'), presetId: idSchema<'preset'>() }),
])

export type Action = Readonly<z.infer<typeof actionSchema>>
