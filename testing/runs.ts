/**
 * How often generated tests run, said once. `DEPTH` is the share: unset an eighth, 1 all (`npm run test:deep`), 10
 * ten times as many, under a seed drawn by lot (see vitest.config.ts), which is printed and can be given as `SEED`.
 */
const depth = Number(process.env.DEPTH || 1 / 8)
const lot = Number(process.env.SEED || 0)

/** How many of `all` runs are made at this depth: one at the least. */
export const runs = (all: number): number => Math.max(1, Math.ceil(all * depth))

/**
 * The seeds a loop goes over, from `first` on: whole numbers from 0 to 2^32 - 1. Drawn by lot all are others.
 */
export const seeds = (all: number, first = 0): readonly number[] =>
  Array.from({ length: runs(all) }, (_, n) => (first + n + lot) >>> 0)

/** What fast-check is told. */
export const generated = (all: number, seed: number): { numRuns: number; seed: number } => ({
  numRuns: runs(all),
  seed: (seed + lot) | 0,
})
