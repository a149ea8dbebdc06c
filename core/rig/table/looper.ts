import { contactIdSchema } from './contactId'
import * as z from 'zod/mini'
import { idSchema, nameSchema } from './scalars'

/** What a looper can be doing. */
export const LOOP_STATES = ['empty', 'recording', 'playing', 'overdubbing', 'stopped'] as const
/** One of {@link LOOP_STATES}. */
export type LoopState = (typeof LOOP_STATES)[number]

/** What a foot can do with one footswitch of a looper. */
export const LOOP_GESTURES = ['press', 'hold', 'double'] as const
/** One of {@link LOOP_GESTURES}. */
export type LoopGesture = (typeof LOOP_GESTURES)[number]

/** Unique within its looper. */
const inputIdSchema = z.string().check(z.regex(/^[a-zA-Z0-9]{1,20}$/))

/** One footswitch or function of a looper; `by` is what works it, null as long as that is not said. */
const inputSchema = z.strictObject({
  id: inputIdSchema,
  name: nameSchema,
  by: z.nullable(
    z.discriminatedUnion('kind', [
      z.strictObject({
        kind: z.literal('contact'),
        contactId: contactIdSchema,
      }),
      z.strictObject({ kind: z.literal('control'), controlId: idSchema<'control'>() }),
    ]),
  ),
})

/** One footswitch or function of a looper; `by` is what works it. */
export type LoopInput = Readonly<z.infer<typeof inputSchema>>

/** What a gesture does in a state: where it leads, and whether it takes a layer away or puts one back. */
const moveSchema = z.strictObject({
  in: z.literal(LOOP_STATES),
  input: inputIdSchema,
  gesture: z.literal(LOOP_GESTURES),
  to: z.literal(LOOP_STATES),
  also: z.nullable(z.literal(['undo', 'redo'])),
})

/** What a gesture does in a state: where it leads, and whether it takes a layer away or puts one back. */
export type LoopMove = Readonly<z.infer<typeof moveSchema>>

const moveKey = (move: LoopMove): string => `${move.in}/${move.input}/${move.gesture}`

/** A looper's state chart, as the device does it. What no move names does nothing. */
export const loopChartSchema = z
  .strictObject({
    inputs: z.array(inputSchema).check(z.minLength(1), z.maxLength(12)),
    /** Whether a plain press counts when the foot comes down, or when it comes off and was not a hold. */
    acts: z.literal(['down', 'up']),
    /** A foot that stays so long, in ms, holds; two presses within so many are double (common practice: 2 s, 300 ms). */
    holdMs: z.int().check(z.gte(200), z.lte(10_000)),
    doubleMs: z.int().check(z.gte(100), z.lte(1000)),
    moves: z.array(moveSchema).check(z.maxLength(180)),
    /** Its loop keeps its own time; fixes the tempo for as long as there is one; or is held to the clock's beats. */
    tempo: z.literal(['own', 'fixes', 'follows']),
  })
  .check(
    z.refine(({ inputs }) => new Set(inputs.map(({ id }) => id)).size === inputs.length, {
      path: ['inputs'],
      message: 'two inputs with one id',
    }),
    z.refine(({ moves }) => new Set(moves.map(moveKey)).size === moves.length, {
      path: ['moves'],
      message: 'one gesture leads to two places',
    }),
    z.refine(({ inputs, moves }) => moves.every(({ input }) => inputs.some(({ id }) => id === input)), {
      path: ['moves'],
      message: 'a move of an input that is not there',
    }),
  )

/** A looper's state chart, as the device does it. What no move names does nothing. */
export type LoopChart = Readonly<z.infer<typeof loopChartSchema>>
