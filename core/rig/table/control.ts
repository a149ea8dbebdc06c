import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { DIVISIONS } from './division'
import {
  idSchema,
  nameSchema,
  optionalNameSchema,
  orderSchema,
  textSchema,
  u14Schema,
  u7Schema,
  type Id,
} from './scalars'

/** Names a control for ever. */
export type ControlId = Id<'control'>

/** What is sent for a control: a controller number, or a parameter of 14 bits. */
const addressSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('cc'), number: u7Schema }),
  z.strictObject({
    kind: z.literal('nrpn'),
    /** CC 99 x 128 + CC 98. */
    parameter: u14Schema,
    /** How the player's source writes the number: as one, or as the pair msb, lsb. Never guessed. */
    written: z.literal(['number', 'pair']),
    /** Whether the value has a least significant half in CC 38. */
    value: z.literal(['msb', 'both']),
    /** Whether the null parameter 127, 127 is sent behind it. */
    nullAfter: z.boolean(),
  }),
])

/** What is sent for a control: a controller number 0 to 127, or a parameter 0 to 16383 (M1 v4.2.1). */
export type ControlAddress = Readonly<z.infer<typeof addressSchema>>

const valueSchema = z.int().check(z.gte(0), z.lte(U14_MAX))

/** How a device reads the values it is sent. */
const readingSchema = z
  .discriminatedUnion('kind', [
    /** Off and on. A lax one reads 0-63 and 64-127; a strict one knows only the lowest and the highest. */
    z.strictObject({ kind: z.literal('switch'), isStrict: z.boolean() }),
    z.strictObject({
      kind: z.literal('range'),
      /** "%", "ms", "Hz", "semitones", "dB"; empty for a bare number. */
      unit: textSchema(20),
      low: z.number().check(z.gte(-1e6), z.lte(1e6)),
      high: z.number().check(z.gte(-1e6), z.lte(1e6)),
      scale: z.literal(['linear', 'logarithmic']),
      /** The values that stand for low and high: usually all there are. */
      from: valueSchema,
      to: valueSchema,
    }),
    /** Values with names: scene 1, 2, 3; note lengths. Each holds from its value up to the next. */
    z.strictObject({
      kind: z.literal('named'),
      names: z
        .array(z.strictObject({ value: valueSchema, name: nameSchema }))
        .check(z.minLength(1), z.maxLength(128)),
    }),
    /** Does its thing at every message; the value is what the device wants to see. */
    z.strictObject({ kind: z.literal('trigger'), value: valueSchema }),
    /** Changes over at every message, whatever the value; with `at`, only at its own value, and others are ignored. */
    z.strictObject({ kind: z.literal('toggle'), value: valueSchema, at: z.optional(z.literal('value')) }),
    /** One step up or down at each message. */
    z.strictObject({ kind: z.literal('increment'), up: valueSchema, down: valueSchema }),
  ])
  .check(
    z.refine((one) => one.kind !== 'range' || (one.low !== one.high && one.from < one.to), {
      path: ['ends'],
      message: 'both ends of the range are the same',
    }),
    z.refine((one) => one.kind !== 'range' || one.scale !== 'logarithmic' || (one.low > 0 && one.high > 0), {
      path: ['scale'],
      message: 'a logarithmic range has no zero',
    }),
  )

/** How a device reads the values it is sent, 0 to 127 or 0 to 16383 by its address. */
export type Reading = Readonly<z.infer<typeof readingSchema>>
/** The readings of one kind. */
export type ReadingOf<Kind extends Reading['kind']> = Extract<Reading, { kind: Kind }>

/** Where a fact comes from; what was only heard is doubtful until tested. */
const sourceSchema = z.literal(['maker', 'heard', 'tested'])

/** One line of a device's chart: something it can be told. */
export const controlSchema = z.strictObject({
  id: idSchema<'control'>(),
  deviceId: idSchema<'device'>(),
  order: orderSchema,
  /** "Mix", and the part of the device it belongs to: "Reverb". */
  name: nameSchema,
  section: optionalNameSchema,
  address: addressSchema,
  reading: readingSchema,
  /** Fixed by the maker, free to be assigned to anything, or kept by the device for itself. */
  kind: z.literal(['fixed', 'assignable', 'reserved']),
  /** One map for the device, or one in each preset: the presets then say where it has been entered. */
  map: z.literal(['device', 'preset']),
  /** The note value it is kept at in any tempo; null when it has nothing to do with the beat. */
  division: z._default(z.nullable(z.literal(DIVISIONS)), null),
  source: sourceSchema,
  note: textSchema(400),
  /** The rig and device it was copied from; empty when it was made here. */
  origin: textSchema(160),
})

/** One line of a device's chart: something it can be told. */
export type Control = Readonly<z.infer<typeof controlSchema>>

/** The highest value a control can be sent: 127, or 16,383 for an NRPN with both halves. */
export const highestValue = (address: ControlAddress): number =>
  address.kind === 'nrpn' && address.value === 'both' ? U14_MAX : 127
