import * as z from 'zod/mini'
import { idSchema, orderSchema, type Id } from './scalars'

/** Names a day's practice for ever. */
export type PracticeId = Id<'practice'>

/** Pairs kept of one day. */
export const PRACTICE_PAIRS_MAX = 500

const countSchema = z.int().check(z.gte(0), z.lte(1_000_000))

/** How one change of sounds went. */
const pairSchema = z.strictObject({
  from: idSchema<'sound'>(),
  to: idSchema<'sound'>(),
  calls: countSchema.check(z.gte(1)),
  /** Of them with a wrong step, or given up. */
  misses: countSchema,
})

/** What was practised on one day: sounds called, and how the foot found them. */
export const practiceSchema = z
  .strictObject({
    id: idSchema<'practice'>(),
    order: orderSchema,
    /** The day where the player is. */
    on: z.iso.date(),
    calls: countSchema,
    /** Calls with a wrong step, or given up. */
    misses: countSchema,
    wrongSteps: countSchema,
    /** Sounds that were found, and from their calls to their switches in all, in ms. */
    found: countSchema,
    foundMs: z.int().check(z.gte(0), z.lte(10_000_000_000)),
    pairs: z.array(pairSchema).check(z.maxLength(PRACTICE_PAIRS_MAX)),
  })
  .check(
    z.refine(
      ({ calls, misses, found }) => misses <= calls && found <= calls,
      'more misses or finds than calls',
    ),
  )

/** What was practised on one day: sounds called, and how the foot found them; times in ms. */
export type Practice = Readonly<z.infer<typeof practiceSchema>>

/** How one change of sounds went. */
export type PracticePair = Practice['pairs'][number]
