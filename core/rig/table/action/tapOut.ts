import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** The tempo of now tapped out to a device that takes taps, as many as it needs. */
export const tapOutSchema = z.strictObject({
  kind: z.literal('tapOut'),
  deviceId: idSchema<'device'>(),
})

export const tapOut: ActionRow<z.infer<typeof tapOutSchema>> = {
  names: ({ deviceId }) => [{ path: ['deviceId'], table: 'devices', id: deviceId }],
}
