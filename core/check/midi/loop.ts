import { own } from '#core/base'
import { applyEdit, boxName, rings, isReached, receivers, type Edit, removeRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type Loop = FindingOf<
  'loop',
  {
    readonly boxes: readonly string[]
    /** What would hear nothing more without the cable the fix takes out. */
    readonly silenced: readonly string[]
  }
>

/** MIDI that comes back to where it was and goes round for ever. The fix opens the ring where nobody goes silent, at the cable laid last. */
export function loop(rig: Rig): Loop[] {
  return rings(rig).map(({ cables, boxes }): Loop => {
    const laid = cables.toSorted((a, b) => own(rig.cables, b)!.order - own(rig.cables, a)!.order)
    const ways = laid.map((id) => ({ id, ...without(rig, id) }))
    const best = ways.reduce((one, other) => (other.silenced.length < one.silenced.length ? other : one))
    return {
      code: 'loop',
      severity: 'error',
      about: { table: 'cables', id: best.id },
      facts: { boxes: boxes.map((id) => boxName(rig, id)), silenced: best.silenced },
      ...(best.fix && { fix: best.fix }),
    }
  })
}

/** The rig without a cable, and who then hears nothing. */
function without(rig: Rig, cableId: string): { fix: Edit | null; silenced: string[] } {
  const fix = removeRow(rig, 'removeCable', 'cables', cableId as never)
  const after = fix && applyEdit(rig, fix)
  if (!after?.ok) return { fix: null, silenced: [] }
  const silenced = receivers(rig).filter(({ id }) => isReached(rig, id) && !isReached(after.value, id))
  return { fix, silenced: silenced.map(({ name }) => name) }
}
