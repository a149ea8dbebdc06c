import * as z from 'zod'
import type { Brand } from '../../base/brand'
import type { Channel } from '../../base/channel'
import { U14_MAX, type U14 } from '../../base/u14'
import type { U7 } from '../../base/u7'

/** Names one row for ever. Unique within its table and rig; made outside the core. */
export type Id<Row extends string> = Brand<string, Row>

const ID_PATTERN = /^[A-Za-z0-9_-]{1,40}$/

export const idSchema = <Row extends string>() =>
  z.string().regex(ID_PATTERN) as unknown as z.ZodType<Id<Row>, string>

export const nameSchema = z.string().trim().min(1).max(60)

/** May be empty: the thing is then called by its number. */
export const optionalNameSchema = z.string().max(60)

/** Where a row stands among its fellows, lowest first. */
export const orderSchema = z.number().min(-1e9).max(1e9)

export const channelSchema = z.int().min(1).max(16) as unknown as z.ZodType<Channel, number>

export const u7Schema = z.int().min(0).max(127) as unknown as z.ZodType<U7, number>

export const u14Schema = z.int().min(0).max(U14_MAX) as unknown as z.ZodType<U14, number>

/** Where the player put a box on the map, in px from its top left corner; null where the layout puts it. */
export const spotSchema = z
  .strictObject({ x: z.number().min(-10_000).max(10_000), y: z.number().min(-10_000).max(10_000) })
  .nullable()

export type Spot = Readonly<NonNullable<z.infer<typeof spotSchema>>>

/** What a counter shows first. */
export const firstNumberSchema = z.literal([0, 1])
