import * as z from 'zod/mini'
import { canBeKept, letterCount, type Brand, type Channel, U14_MAX, type U14, type U7 } from '#core/base'

/** Names one row for ever. Unique within its table and rig; made outside the core. */
export type Id<Row extends string> = Brand<string, Row>

/** "__proto__" would be no key but the object's own prototype. */
const ID_PATTERN = /^(?!__proto__$)[A-Za-z0-9_-]{1,40}$/

/** Letters, digits, `_` and `-`, 40 at most. */
export const idSchema = <Row extends string>() =>
  z.string().check(z.regex(ID_PATTERN)) as unknown as z.ZodMiniType<Id<Row>, string>

/** Lengths of texts are in code points, as JSON Schema counts them. */
type TextCheck = Parameters<z.ZodMiniString['check']>[0]

const isText =
  (least: number, most: number): TextCheck =>
  (context) => {
    const { value: input, issues } = context as z.core.ParsePayload<string>
    const letters = letterCount(input)
    const limit = { origin: 'string', inclusive: true, input } as const
    if (letters < least) issues.push({ ...limit, code: 'too_small', minimum: least })
    if (letters > most) issues.push({ ...limit, code: 'too_big', maximum: most })
    if (!canBeKept(input)) issues.push({ code: 'custom', input, params: { rule: 'text' } })
  }

const lengths = (least: number, most: number) => ({ ...(least > 0 && { minLength: least }), maxLength: most })

/** Text of `least` to `most` letters, without NUL and half surrogate pairs: those do not come back as they were. */
export const textSchema = (most: number, least = 0) =>
  z.string().check(isText(least, most), z.meta(lengths(least, most)))

/** The most letters (code points) of a name. */
export const NAME_MAX = 60

/** Kept without the spaces round it. */
export const nameSchema = z.string().check(z.trim(), isText(1, NAME_MAX), z.meta(lengths(1, NAME_MAX)))

/** May be empty: the thing is then called by its number. */
export const optionalNameSchema = textSchema(NAME_MAX)

/** Where a row stands among its fellows, lowest first. */
export const orderSchema = z.number().check(z.gte(-1e9), z.lte(1e9))

export const channelSchema = z.int().check(z.gte(1), z.lte(16)) as unknown as z.ZodMiniType<Channel, number>

export const u7Schema = z.int().check(z.gte(0), z.lte(127)) as unknown as z.ZodMiniType<U7, number>

export const u14Schema = z.int().check(z.gte(0), z.lte(U14_MAX)) as unknown as z.ZodMiniType<U14, number>

/** Where the player put a box on the map, in px from its top left corner; null where the layout puts it. */
export const spotSchema = z.nullable(
  z.strictObject({
    x: z.number().check(z.gte(-10_000), z.lte(10_000)),
    y: z.number().check(z.gte(-10_000), z.lte(10_000)),
  }),
)

/** A place on the map, in px from its top left corner. */
export type Spot = Readonly<NonNullable<z.infer<typeof spotSchema>>>

/** What a counter shows first. */
export const firstNumberSchema = z.literal([0, 1])
