import * as z from 'zod/mini'
import { idSchema, u7Schema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A note on a device: on, off, or struck and let go after `ms`. */
export const noteSchema = z.strictObject({
  kind: z.literal('note'),
  deviceId: idSchema<'device'>(),
  note: u7Schema,
  velocity: u7Schema,
  does: z.literal(['on', 'off', 'strike']),
  ms: z.int().check(z.gte(1), z.lte(60_000)),
})

export const note: ActionRow<z.infer<typeof noteSchema>> = {
  names: ({ deviceId }) => [{ path: ['deviceId'], table: 'devices', id: deviceId }],
}
