import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

export const recallSoundSchema = z.strictObject({
  kind: z.literal('recallSound'),
  soundId: idSchema<'sound'>(),
})

export const recallSound: ActionRow<z.infer<typeof recallSoundSchema>> = {
  names: ({ soundId }) => [{ path: ['soundId'], table: 'sounds', id: soundId }],
}
