import { nanoid } from 'nanoid'
import type { NewIds, PresetId, SoundId } from '#core'

/** Names for rows that an edit may make on its way. */
export const newIds: NewIds = {
  preset: () => nanoid(12) as PresetId,
  sound: () => nanoid(12) as SoundId,
}
