import * as z from 'zod/mini'
import { readBytes } from '#core/midi'
import { idSchema, textSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** Messages as bytes, for what no other action says. They go out where the device is; their channel is their own. */
export const rawSchema = z.strictObject({
  kind: z.literal('raw'),
  deviceId: idSchema<'device'>(),
  /** "B3 14 7F": whole messages, two digits a byte. */
  hex: textSchema(1200).check(z.refine((hex) => readBytes(hex).ok, { message: 'no whole messages' })),
})

export const raw: ActionRow<z.infer<typeof rawSchema>> = {
  names: ({ deviceId }) => [{ path: ['deviceId'], table: 'devices', id: deviceId }],
}
