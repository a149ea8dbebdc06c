import { perObject, utf8Length } from '#core/base'
import type { Change } from './edit'
import { TABLE_NAMES, type Rig } from './rig'

/** The most bytes of a rig, and so of its file: what can be taken out can be brought in. */
export const RIG_BYTES_MAX = 16_000_000

/** The most bytes of an edit. One that takes a device out of a rig of this size with all its presets still fits. */
export const EDIT_BYTES_MAX = 16_000_000

/** What a rig file holds besides its rows, and what stands round one row in a file and round one change in an edit. */
const AROUND_RIG = 1000
const AROUND_ROW = 10
const AROUND_CHANGE = 120

const rowBytes = perObject((row: object) => utf8Length(JSON.stringify(row)) + AROUND_ROW)

const known = new WeakMap<Rig, number>()

/** At least the bytes of the rig's file. */
export function rigBytes(rig: Rig): number {
  const counted = known.get(rig)
  if (counted !== undefined) return counted
  let bytes = AROUND_RIG
  for (const table of TABLE_NAMES) for (const row of Object.values(rig[table])) bytes += rowBytes(row)
  known.set(rig, bytes)
  return bytes
}

/** The bytes of `next`, which is `rig` after `changes`: counted from those alone. */
export function rigBytesAfter(rig: Rig, next: Rig, changes: readonly Change[]): number {
  const bytes = changes.reduce<number>(
    (sum, { before, after }) => sum - (before ? rowBytes(before) : 0) + (after ? rowBytes(after) : 0),
    rigBytes(rig),
  )
  known.set(next, bytes)
  return bytes
}

/** At least the bytes of an edit of these changes as JSON. */
export const editBytes = (changes: readonly Change[]): number =>
  changes.reduce<number>(
    (sum, { before, after }) =>
      sum + AROUND_CHANGE + (before ? rowBytes(before) : 0) + (after ? rowBytes(after) : 0),
    AROUND_CHANGE,
  )
