import * as z from 'zod'
import { PRESET_COUNT_MAX } from '../numbering/numbering'
import { idSchema, optionalNameSchema, type Id } from './scalars'

export type PresetId = Id<'preset'>

/** A stored sound on a device. */
export const presetSchema = z.strictObject({
  id: idSchema<'preset'>(),
  deviceId: idSchema<'device'>(),
  /** Which one, counted from 0 over the device's whole range; its numbering says how that is shown and sent. */
  index: z
    .int()
    .min(0)
    .max(PRESET_COUNT_MAX - 1),
  name: optionalNameSchema,
})

export type Preset = Readonly<z.infer<typeof presetSchema>>
