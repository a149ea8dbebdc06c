import * as z from 'zod/mini'
import { idSchema, nameSchema, orderSchema, type Id } from './scalars'

/** Names a ride for ever. */
export type RideId = Id<'ride'>

/** In ms since it began; ten minutes at most. */
const momentSchema = z.int().check(z.gte(0), z.lte(600_000))

/** The most positions one ride keeps. */
export const RIDE_MOVES_MAX = 20_000

const isInOrder = (all: readonly { readonly at: number }[]): boolean =>
  all.every(({ at }, n) => n === 0 || at >= all[n - 1]!.at)

/** What a foot did with a pedal while playing, and where it was meant to be off. */
export const rideSchema = z.strictObject({
  id: idSchema<'ride'>(),
  order: orderSchema,
  name: nameSchema,
  on: z.iso.date(),
  /** How long it goes on, in ms. */
  length: momentSchema,
  /** Where the pedal went to, in steps of 127, in the order of time; it stands there until the next. */
  moves: z
    .array(z.strictObject({ at: momentSchema, position: z.int().check(z.gte(0), z.lte(127)) }))
    .check(
      z.minLength(1),
      z.maxLength(RIDE_MOVES_MAX),
      z.refine(isInOrder, 'moves are not in the order of time'),
    ),
  /** The toe switch going down and coming up. */
  toes: z
    .array(z.strictObject({ at: momentSchema, isDown: z.boolean() }))
    .check(z.maxLength(2000), z.refine(isInOrder, 'toe switches are not in the order of time')),
  /** Stretches in which the effect was not wanted. */
  meant: z.array(z.strictObject({ from: momentSchema, to: momentSchema })).check(z.maxLength(500)),
})

/** What a foot did with a pedal while playing, in ms from its begin, positions 0 to 127. */
export type Ride = Readonly<z.infer<typeof rideSchema>>
