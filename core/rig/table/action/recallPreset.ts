import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

export const recallPresetSchema = z.strictObject({
  kind: z.literal('recallPreset'),
  presetId: idSchema<'preset'>(),
})

export const recallPreset: ActionRow<z.infer<typeof recallPresetSchema>> = {
  names: ({ presetId }) => [{ path: ['presetId'], table: 'presets', id: presetId }],
}
