import * as fc from 'fast-check'

/** A run that ever failed: the seed, and its number among the runs of that seed (fast-check's path up to the first colon). */
export interface FailedRun {
  readonly seed: number
  readonly path: string
}

/** Holds a property against generated runs, and, whatever the depth, against those it ever failed on. */
export function held<Made>(
  property: fc.IProperty<Made>,
  generated: fc.Parameters<Made>,
  failed: readonly FailedRun[],
): void {
  for (const one of failed) fc.assert(property, { ...one, numRuns: 1, endOnFailure: true })
  fc.assert(property, generated)
}
