import * as z from 'zod/mini'

/** The foot that plays, as far as it decides how long a step takes. */
export const playerSchema = z.strictObject({
  foot: z.literal(['left', 'right']),
  posture: z.literal(['standing', 'seated']),
  /** How much a boot covers across, in mm (common practice: 100). */
  bootMm: z.int().check(z.gte(50), z.lte(200)),
  /** How far the foot reaches from where it rests without a step of the body, in mm. */
  reachMm: z.int().check(z.gte(100), z.lte(2000)),
})

/** The foot that plays, as far as it decides how long a step takes; lengths in mm. */
export type Player = Readonly<z.infer<typeof playerSchema>>

/** A player of whom nothing is known (common practice). */
export const USUAL_PLAYER: Player = { foot: 'right', posture: 'standing', bootMm: 100, reachMm: 600 }
