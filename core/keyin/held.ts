import type { Rig, Controller, KeyIn } from '#core/rig'

/** What is in a controller, place by place; a place that is not there holds nothing. */
export function heldIn(rig: Rig, controller: Controller): ReadonlyMap<string, KeyIn> {
  const all = new Map<string, KeyIn>()
  for (const row of Object.values(rig.keyIns))
    if (row.controllerId === controller.id && isLater(row, all.get(row.place))) all.set(row.place, row)
  return all
}

/** Of two rows of one place, which files may bring, the later counts. */
const isLater = (row: KeyIn, other: KeyIn | undefined): boolean =>
  !other || row.at > other.at || (row.at === other.at && row.id > other.id)
