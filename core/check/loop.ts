import { removeRow } from '../rig/edits/removeRow'
import { boxName } from '../rig/cabling/link'
import { findLoop } from '../rig/cabling/signal'
import type { Rig } from '../rig/rig'
import type { FindingOf } from './finding'

export type Loop = FindingOf<'loop', { readonly boxes: readonly string[] }>

/** MIDI that comes back to where it was and goes round for ever. The fix takes out the cable that closes the ring. */
export function loop(rig: Rig): Loop[] {
  const found = findLoop(rig)
  if (!found) return []
  const closing = found.cables.at(-1)!
  const fix = removeRow(rig, 'removeCable', 'cables', closing)
  return [
    {
      code: 'loop',
      severity: 'error',
      about: { table: 'cables', id: closing },
      facts: { boxes: found.boxes.map((id) => boxName(rig, id)) },
      ...(fix && { fix }),
    },
  ]
}
