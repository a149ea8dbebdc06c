import * as z from 'zod'
import { numberingSchema } from '../numbering/numbering'
import { portsSchema } from './port'
import { savingSchema } from './saving'
import { channelSchema, idSchema, nameSchema, orderSchema, spotSchema, textSchema, type Id } from './scalars'

export type DeviceId = Id<'device'>

/** Something a relay box does to what is plugged into it, by a contact. */
const relayFunctionSchema = z.strictObject({
  id: z.string().regex(/^[a-zA-Z0-9]{1,20}$/),
  name: nameSchema,
  /** What closing the contact does: "Channel 2 instead of 1". */
  does: textSchema(120),
  /** It matters only while this other function's contact is closed; empty when it always does. */
  within: textSchema(20),
})

export type RelayFunction = Readonly<z.infer<typeof relayFunctionSchema>>

const kindSchema = z.literal(['receiver', 'plain', 'box', 'pedal', 'supply'])

/**
 * `receiver` answers to MIDI; `plain` is a sound device without MIDI; `box` only passes messages on;
 * `pedal` is moved by a foot; `supply` feeds others.
 */
export type DeviceKind = z.infer<typeof kindSchema>

/** Anything on the floor that is not a foot controller. */
export const deviceSchema = z.strictObject({
  id: idSchema<'device'>(),
  order: orderSchema,
  name: nameSchema,
  kind: kindSchema,
  /** `omni` answers on every channel, `none` on no channel. */
  channel: z.union([channelSchema, z.literal(['omni', 'none'])]),
  /** What its maker sets it to. */
  factoryChannel: z.union([channelSchema, z.literal(['omni', 'none'])]),
  /** The channel cannot be changed on the device. */
  isChannelFixed: z.boolean(),
  /** Shares its channel with another device on purpose: both change together. */
  sharesChannel: z.boolean(),
  /** How it counts its presets. */
  numbering: numberingSchema,
  /** Set on its own panel: whether it obeys program changes, sends them back, follows MIDI clock. */
  receivesPrograms: z.boolean(),
  sendsProgramsBack: z.boolean(),
  followsClock: z.boolean(),
  /** On a relay box: its contacts; which program closes which is told by its presets. */
  relays: z.array(relayFunctionSchema).max(16),
  saving: savingSchema,
  ports: portsSchema,
  spot: spotSchema,
})

export type Device = Readonly<z.infer<typeof deviceSchema>>
