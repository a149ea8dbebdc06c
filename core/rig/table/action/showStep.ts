import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A step in the controller's own list of the show: to another part, with its sound and its song's tempo. */
export const showStepSchema = z.strictObject({
  kind: z.literal('showStep'),
  to: z.literal(['nextPart', 'previousPart', 'nextSong', 'previousSong', 'song']),
  /** For `song`, whose first part it goes to. */
  songId: z.nullable(idSchema<'song'>()),
})

export const showStep: ActionRow<z.infer<typeof showStepSchema>> = {
  names: ({ songId }) => (songId === null ? [] : [{ path: ['songId'], table: 'songs', id: songId }]),
}
