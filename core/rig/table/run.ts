import * as z from 'zod/mini'
import { actionsSchema } from './action'
import { idSchema, nameSchema, orderSchema, textSchema, type Id } from './scalars'
import { bpmSchema } from './song'
import { LAYERS } from './switch'

/** Names a run for ever. */
export type RunId = Id<'run'>

/** In µs since all was switched on; a day at most. */
const momentSchema = z.int().check(z.gte(0), z.lte(86_400_000_000))

/** A place under the foot, not what lay there: after an edit the foot finds what is there then. */
const placeFields = { jack: textSchema(20), number: z.int().check(z.gte(1), z.lte(72)) }

const runStepSchema = z.discriminatedUnion('kind', [
  z.strictObject({ at: momentSchema, kind: z.literal('down'), ...placeFields }),
  z.strictObject({ at: momentSchema, kind: z.literal('up'), ...placeFields }),
  /** The controller's own way to a bank, by its index from 0. */
  z.strictObject({ at: momentSchema, kind: z.literal('bank'), index: z.int().check(z.gte(0), z.lte(999)) }),
  z.strictObject({ at: momentSchema, kind: z.literal('layer'), to: z.literal(LAYERS) }),
  /** Something done that no switch asked for: a sound sent, a message by hand, a resync. */
  z.strictObject({ at: momentSchema, kind: z.literal('act'), actions: actionsSchema }),
  /** What is needed to get from how things are to a sound. */
  z.strictObject({ at: momentSchema, kind: z.literal('need'), soundId: idSchema<'sound'>() }),
  /** What differs from what the controller believes, sent again. */
  z.strictObject({ at: momentSchema, kind: z.literal('putRight') }),
  /** A clock from outside begins, changes or ends. */
  z.strictObject({ at: momentSchema, kind: z.literal('clockIn'), bpm: z.nullable(bpmSchema) }),
  z.strictObject({
    at: momentSchema,
    kind: z.literal('power'),
    deviceId: idSchema<'device'>(),
    isOn: z.boolean(),
  }),
  /** A pedal moved to a step of 127, or its toe switch stepped on or let go. */
  z.strictObject({
    at: momentSchema,
    kind: z.literal('pedal'),
    pedalId: idSchema<'pedal'>(),
    position: z.int().check(z.gte(0), z.lte(127)),
  }),
  z.strictObject({
    at: momentSchema,
    kind: z.literal('toe'),
    pedalId: idSchema<'pedal'>(),
    isDown: z.boolean(),
  }),
])

/** One thing a foot did in a run. */
export type RunStep = Readonly<z.infer<typeof runStepSchema>>

/** One message as it was when the run was recorded. */
const seenMessageSchema = z.strictObject({
  start: momentSchema,
  lane: textSchema(60),
  /** Bytes in hex with spaces between. */
  hex: textSchema(4000),
  /** Devices it came to and was lost on, by id. */
  lostBy: z.array(textSchema(40)).check(z.maxLength(200)),
})

/** One message as it was when the run was recorded; times in µs. */
export type SeenMessage = Readonly<z.infer<typeof seenMessageSchema>>

/** What was so at the end: a device, or a lamp that said the contrary of what is, each as text that is compared. */
const seenEndSchema = z.strictObject({ id: textSchema(60), says: textSchema(4000) })

/** The most steps one run keeps. */
export const RUN_STEPS_MAX = 2000
/** The most messages kept of what came of it. */
export const SEEN_MESSAGES_MAX = 5000

/** A run of presses with their times, from the moment all is switched on, and what came of it then. */
export const runSchema = z.strictObject({
  id: idSchema<'run'>(),
  order: orderSchema,
  name: nameSchema,
  /** In the order of their times. */
  steps: z.array(runStepSchema).check(z.maxLength(RUN_STEPS_MAX)),
  /** How long it goes on, in µs. */
  length: momentSchema,
  seen: z.strictObject({
    wire: z.array(seenMessageSchema).check(z.maxLength(SEEN_MESSAGES_MAX)),
    ends: z.array(seenEndSchema).check(z.maxLength(2000)),
  }),
})

/** A run of presses with their times in µs, from the moment all is switched on, and what came of it then. */
export type Run = Readonly<z.infer<typeof runSchema>>
