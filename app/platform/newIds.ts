import { nanoid } from 'nanoid'
import type { PresetId, SoundId } from '#core/rig'
import type { NewIds } from '#core/sound'

/** Names for rows that an edit may make on its way. */
export const newIds: NewIds = {
  preset: () => nanoid(12) as PresetId,
  sound: () => nanoid(12) as SoundId,
}
