import * as z from 'zod'
import { numberingSchema } from '../numbering/numbering'
import { channelSchema, idSchema, nameSchema, orderSchema, type Id } from './scalars'

export type DeviceId = Id<'device'>

/** Something that receives: pedal, amp, multi-effects unit, relay box. */
export const deviceSchema = z.strictObject({
  id: idSchema<'device'>(),
  order: orderSchema,
  name: nameSchema,
  /** `omni` answers on every channel, `none` on no channel. */
  channel: z.union([channelSchema, z.literal(['omni', 'none'])]),
  /** How it counts its presets. */
  numbering: numberingSchema,
})

export type Device = Readonly<z.infer<typeof deviceSchema>>
