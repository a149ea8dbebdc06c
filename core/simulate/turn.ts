import { own } from '#core/base'
import type { Rig, Footswitch } from '#core/rig'
import type { Known } from '#core/switching'

/** The position a press of a switch does now, from 0. An edit may have taken positions away since the last press. */
export const nextPosition = ({ next }: Pick<Known, 'next'>, { id, positions }: Footswitch): number =>
  positions.length > 1 ? (own(next, id) ?? 0) % positions.length : 0

/** What a controller knows once a position of a switch has begun: the next position, and the lamps of its group. */
export function turned(rig: Rig, known: Known, footswitch: Footswitch, position: number): Known {
  const { id, positions, group, bankId, lamps } = footswitch
  // What its lamp does not hang on need not be known.
  if (positions.length === 1 && group === '' && lamps.length === 0) return known
  let [next, done] = [known.next, { ...known.done, [id]: position }]
  if (positions.length > 1) next = { ...next, [id]: (position + 1) % positions.length }
  if (group !== '')
    for (const other of Object.values(rig.switches)) {
      if (other.id === id || other.group !== group || other.bankId !== bankId) continue
      const { [other.id]: _, ...kept } = done
      done = kept as typeof done
      if (own(next, other.id)) next = { ...next, [other.id]: 0 }
    }
  return { ...known, next, done }
}
