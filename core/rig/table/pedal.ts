import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { curveSchema } from './curve'
import {
  idSchema,
  nameSchema,
  optionalNameSchema,
  orderSchema,
  textSchema,
  u7Schema,
  type Id,
} from './scalars'

/** Names a pedal for ever. */
export type PedalId = Id<'pedal'>

/** Where a pedal stands: its reading has 128 steps, 0 at the heel. */
const stepSchema = z.int().check(z.gte(0), z.lte(127))
const valueSchema = z.int().check(z.gte(0), z.lte(U14_MAX))
const percentSchema = z.number().check(z.gte(0), z.lte(100))

/** What the foot's sweep goes into: a jack for expression, or a pedal built into a controller (counted from 1). */
const placeSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('jack'),
    table: z.literal(['controllers', 'devices']),
    id: z.string().check(z.minLength(1), z.maxLength(40)),
    port: textSchema(20),
  }),
  z.strictObject({
    kind: z.literal('builtIn'),
    controllerId: idSchema<'controller'>(),
    number: z.int().check(z.gte(1), z.lte(4)),
  }),
])

/** What the foot's sweep goes into: a jack for expression, or a pedal built into a controller (counted from 1). */
export type PedalPlace = Readonly<z.infer<typeof placeSchema>>

/** When a role is the live one; of several the first. What a controller has not sent counts as off. */
const whenSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('always') }),
  z.strictObject({ kind: z.literal('banks'), bankIds: z.array(idSchema<'bank'>()).check(z.maxLength(100)) }),
  z.strictObject({ kind: z.literal('layer') }),
  z.strictObject({
    kind: z.literal('control'),
    controlId: idSchema<'control'>(),
    is: z.literal(['on', 'off']),
  }),
  /** While a foot holds this switch down. */
  z.strictObject({ kind: z.literal('held'), switchId: idSchema<'switch'>() }),
])

/** When a role is the live one; of several the first. */
export type When = Readonly<z.infer<typeof whenSchema>>

const endsSchema = z.strictObject({ heel: valueSchema, toe: valueSchema })

/** The values sent at heel and toe. */
export type Ends = Readonly<z.infer<typeof endsSchema>>

/** One control that follows the sweep. */
const targetSchema = z
  .strictObject({
    controlId: idSchema<'control'>(),
    /** The controller number the device has been told to follow; null for the control's own. */
    number: z.nullable(u7Schema),
    /** What the controller sends with the foot at either end of the part of the travel it follows. */
    sends: endsSchema,
    /** The values of the control that the device makes of the lowest and highest it is sent; null: it takes them as they are. */
    device: z.nullable(endsSchema),
    curve: curveSchema,
    /** The part of the travel it follows, in percent; before and behind it stands still. */
    from: percentSchema,
    to: percentSchema,
  })
  .check(
    z.refine(({ from, to }) => from < to, {
      path: ['to'],
      message: 'the part of the travel ends before it begins',
    }),
  )

/** One control that follows the sweep. */
export type Target = Readonly<z.infer<typeof targetSchema>>

/** The most controls one role leads. */
export const TARGETS_MAX = 32

const pedalRoleSchema = z.strictObject({
  name: optionalNameSchema,
  when: whenSchema,
  targets: z.array(targetSchema).check(z.maxLength(TARGETS_MAX)),
})

/** What a sweep does while something is so. */
export type PedalRole = Readonly<z.infer<typeof pedalRoleSchema>>

/** What switches off and on by itself. */
const worksSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('control'),
    controlId: idSchema<'control'>(),
    off: valueSchema,
    on: valueSchema,
  }),
  /** A switch stepped on for each change: it must alternate. */
  z.strictObject({ kind: z.literal('switch'), switchId: idSchema<'switch'>() }),
])

/** What switches off and on by itself. */
export type Works = Readonly<z.infer<typeof worksSchema>>

/** The longest a pedal may rest before it switches off, in ms. */
export const OFF_DELAY_MAX = 5000

const autoOffSchema = z.strictObject({
  /** Off when the foot rests at the heel, at the toe, anywhere; or by the toe switch. */
  kind: z.literal(['heel', 'toe', 'still', 'switch']),
  /** How long it must be so before it counts, in ms. */
  delayMs: z.int().check(z.gte(0), z.lte(OFF_DELAY_MAX)),
  /** How near the end still is the end, in percent of the travel. */
  zone: z.number().check(z.gte(0), z.lte(25)),
  /** A toe switch that stays where it is put, or one that springs back and is made to act so. */
  toe: z.literal(['latching', 'momentary']),
  works: worksSchema,
})

/** When a pedal at rest switches something off, and on again; delays in ms. */
export type AutoOff = Readonly<z.infer<typeof autoOffSchema>>
/** Where a pedal rests when it switches off. */
export type OffKind = AutoOff['kind']

/** What a sweep of the whole travel showed, and when. */
const calibrationSchema = z.strictObject({
  on: z.iso.date(),
  /** What was plugged in: the id of the box, or empty for a pedal built in. */
  pedal: textSchema(40),
  verdict: z.literal(['pass', 'again', 'swap', 'suspect']),
  /** The readings at rest at either end, the noise there, all in steps of 127. */
  heel: stepSchema,
  toe: stepSchema,
  noise: stepSchema,
  /** The readings taken for heel and toe from now on. */
  from: stepSchema,
  to: stepSchema,
})

/** What a sweep of the whole travel showed, and when; positions 0 to 127. */
export type Calibration = Readonly<z.infer<typeof calibrationSchema>>

/** What one sweep of the foot does. */
export const pedalSchema = z.strictObject({
  id: idSchema<'pedal'>(),
  order: orderSchema,
  name: nameSchema,
  place: placeSchema,
  /** The first whose time it is leads; nothing while it is none's. */
  roles: z.array(pedalRoleSchema).check(z.minLength(1), z.maxLength(16)),
  /** What a target that another role led before does at the first move: leap to the foot, or wait until the foot passes where it is. */
  takeover: z.literal(['leaps', 'catches']),
  /** At most one value of a target in so many ms; 0 for all there are. */
  everyMs: z.int().check(z.gte(0), z.lte(200)),
  calibration: z.nullable(calibrationSchema),
  off: z.nullable(autoOffSchema),
})

/** What one sweep of the foot does. */
export type Pedal = Readonly<z.infer<typeof pedalSchema>>

/** A value at most every 10 ms: common practice, from memory. */
export const USUAL_EVERY_MS = 10

/** Resting at an end counts within 3 % of it: the last 2-5 % often read nothing (common practice). */
export const USUAL_ZONE = 3

/** 600 ms is a usual default (common practice). */
export const USUAL_OFF_MS = 600
