import * as z from 'zod/mini'
import { PRESET_COUNT_MAX } from '../../numbering/numbering'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

const indexSchema = z.int().check(z.gte(0), z.lte(PRESET_COUNT_MAX - 1))

/** The next or previous preset of a device, counted from what was last recalled on it. */
export const stepPresetSchema = z.strictObject({
  kind: z.literal('stepPreset'),
  deviceId: idSchema<'device'>(),
  by: z.literal([1, -1]),
  /** Ends of the range, counted from 0; presets beyond the device's last are not gone to. */
  from: indexSchema,
  to: indexSchema,
  /** Presets gone through instead of the range, in this order; empty for the range. */
  list: z.array(indexSchema).check(z.maxLength(128)),
  atEnd: z.literal(['wrap', 'stop']),
})

export const stepPreset: ActionRow<z.infer<typeof stepPresetSchema>> = {
  names: ({ deviceId }) => [{ path: ['deviceId'], table: 'devices', id: deviceId }],
}
