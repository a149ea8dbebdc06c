import * as z from 'zod/mini'

const shareSchema = z.number().check(z.gte(0), z.lte(1))

/** A point of a curve: share of the travel across, share of the range up. */
const pointSchema = z.strictObject({ at: shareSchema, to: shareSchema })

/** The most points a curve is drawn by. */
export const CURVE_POINTS_MAX = 16

/** How a sweep leads a target from one end of its range to the other. */
export const curveSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal(['linear', 'logarithmic', 'exponential', 's']) }),
    /** Straight pieces through the player's own points, the first at the heel and the last at the toe. */
    z.strictObject({
      kind: z.literal('points'),
      points: z.array(pointSchema).check(z.minLength(2), z.maxLength(CURVE_POINTS_MAX)),
    }),
  ])
  .check(
    z.refine((curve) => curve.kind !== 'points' || goesFromHeelToToe(curve.points), {
      path: ['points'],
      message: 'points go from 0 to 1 across, each further than the one before',
    }),
  )

const goesFromHeelToToe = (points: readonly { readonly at: number }[]): boolean =>
  points[0]!.at === 0 &&
  points.at(-1)!.at === 1 &&
  points.every(({ at }, n) => n === 0 || at > points[n - 1]!.at)

/** How a sweep becomes values: a shape, or points from heel to toe. */
export type Curve = Readonly<z.infer<typeof curveSchema>>
/** A point of a curve, both shares from 0 to 1. */
export type CurvePoint = Readonly<z.infer<typeof pointSchema>>
