import { contactIdSchema } from './contactId'
import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { numberingSchema, PRESET_COUNT_MAX } from '../numbering/numbering'
import { portsSchema } from './port'
import { dumpingSchema } from './dumping'
import { loopChartSchema } from './looper'
import { savingSchema } from './saving'
import { setValuesSchema } from './setValue'
import { tapInSchema } from './tapIn'
import { channelSchema, idSchema, nameSchema, orderSchema, spotSchema, textSchema, type Id } from './scalars'

/** Names a device for ever. */
export type DeviceId = Id<'device'>

/** Something a relay box does to what is plugged into it, by a contact. */
const relayFunctionSchema = z.strictObject({
  id: z.string().check(z.regex(/^[a-zA-Z0-9]{1,20}$/)),
  name: nameSchema,
  /** What closing the contact does: "Channel 2 instead of 1". */
  does: textSchema(120),
  /** It matters only while this other function's contact is closed; empty when it always does. */
  within: textSchema(20),
})

/** Something a relay box does to what is plugged into it, by a contact. */
export type RelayFunction = Readonly<z.infer<typeof relayFunctionSchema>>

const indexSchema = z.int().check(z.gte(0), z.lte(PRESET_COUNT_MAX - 1))
const controlValueSchema = z.int().check(z.gte(0), z.lte(U14_MAX))

/** How it is switched off: by an empty preset, by a control, by a contact, or not at all. */
const bypassSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('preset'), index: indexSchema }),
  z.strictObject({
    kind: z.literal('control'),
    controlId: idSchema<'control'>(),
    off: controlValueSchema,
    on: controlValueSchema,
  }),
  /** Switched off with all contacts open, or all closed. */
  z.strictObject({ kind: z.literal('contact'), off: z.literal(['open', 'closed']) }),
])

/** How a device is switched off: by an empty preset, by a control, by a contact, or not at all. */
export type Bypass = Readonly<z.infer<typeof bypassSchema>>

/** Its default: a preset (counted from 0; null for whichever it is in) with values over it; contacts closed. */
const restSchema = z.strictObject({
  preset: z.nullable(indexSchema),
  values: setValuesSchema,
  closes: z.array(contactIdSchema).check(z.maxLength(16)),
})

/** What is heard while it changes presets, and for how long, in ms. */
const gapSchema = z.strictObject({
  heard: z.literal(['none', 'slight', 'clear']),
  ms: z.int().check(z.gte(0), z.lte(5000)),
})

/** What is heard while a device changes presets, and for how long, in ms. */
export type Gap = Readonly<z.infer<typeof gapSchema>>

/** A usual one where nothing is known: a slight dip of 10-50 ms, deaf for 20 ms (common practice). */
const USUAL_GAP: Gap = { heard: 'slight', ms: 20 }
const USUAL_DEAF_MS = 20

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
  /** Sends clock itself; and misbehaves when any comes in. */
  givesClock: z._default(z.boolean(), false),
  clockHarms: z._default(z.boolean(), false),
  /** How it takes its tempo from taps; null when it does not. */
  tapIn: z._default(z.nullable(tapInSchema), null),
  /** Its state chart, where it is a looper. */
  looper: z._default(z.nullable(loopChartSchema), null),
  /** On a relay box: its contacts; which program closes which is told by its presets. */
  relays: z.array(relayFunctionSchema).check(z.maxLength(16)),
  bypass: z._default(bypassSchema, { kind: 'none' }),
  /** Null when it has none. */
  rest: z._default(z.nullable(restSchema), null),
  /** How long it is deaf to controls after a recall, in ms; and whether it loses or keeps what comes meanwhile. */
  deafMs: z._default(z.int().check(z.gte(0), z.lte(5000)), USUAL_DEAF_MS),
  whileDeaf: z._default(z.literal(['loses', 'keeps']), 'loses'),
  gap: z._default(gapSchema, USUAL_GAP),
  /** The preset it plays when it is switched on, counted from 0; null when that is not known. */
  powerOn: z._default(z.nullable(indexSchema), null),
  saving: savingSchema,
  ports: portsSchema,
  /** What is known of its dumps; null where nothing is. */
  dumping: z._default(z.nullable(dumpingSchema), null),
  spot: spotSchema,
})

/** Anything on the floor that is not a foot controller; times in ms. */
export type Device = Readonly<z.infer<typeof deviceSchema>>
