import * as z from 'zod/mini'
import { stageNowSchema, type StageNow } from '#core/stage'

/** The most bytes of a floor as it is sent. */
export const FLOOR_LIMIT = 16_000

/** POST /api/rigs/:id/floor: what a desk's floor shows now. */
export const postFloorSchema = z.strictObject({
  /** The tab it comes from. */
  by: z.string().check(z.minLength(1), z.maxLength(40)),
  /** Nobody stepped on anything yet: what another desk showed last goes first. */
  isFirst: z.boolean(),
  /** The rig it is a floor of. */
  revision: z.int().check(z.gte(0)),
  now: stageNowSchema,
})

export type PostFloor = Readonly<z.infer<typeof postFloorSchema>>

/** How many screens follow. */
export interface FloorReply {
  readonly followers: number
}

/** One message of GET /api/rigs/:id/floor, an event stream: the floor as it is, at once and at every change. */
export interface FloorSeen {
  /** When it was, in ms since 1970 on the server's clock; goes up with every change. */
  readonly at: number
  readonly revision: number
  readonly now: StageNow
}

/** Names of the events; `beat` says only that the server is there. */
export const FLOOR_EVENTS = { floor: 'floor', beat: 'beat' } as const
/** Between two beats, in ms. */
export const BEAT_MS = 4000
