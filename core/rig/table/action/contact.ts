import { contactIdSchema } from '../contactId'
import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A contact of a switching output: kept closed, kept open, changed over, or closed and opened a few times. */
export const contactSchema = z.strictObject({
  kind: z.literal('contact'),
  deviceId: idSchema<'device'>(),
  contactId: contactIdSchema,
  does: z.literal(['close', 'open', 'change', 'pulse']),
  /** For pulses: how many, how long each is closed, from one to the next. */
  times: z.int().check(z.gte(1), z.lte(16)),
  closedMs: z.int().check(z.gte(1), z.lte(2000)),
  everyMs: z.int().check(z.gte(2), z.lte(5000)),
})

export const contact: ActionRow<z.infer<typeof contactSchema>> = {
  names: ({ deviceId }) => [{ path: ['deviceId'], table: 'devices', id: deviceId }],
}
