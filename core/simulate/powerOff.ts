import { carriesMidi, links, type Rig } from '#core/rig'
import type { FloorState } from './floor'

const known = new WeakMap<Rig, Map<string, Rig>>()

/**
 * The rig as messages find it while some devices are off: no cable carries any to or through those (a thru without
 * power hands nothing on; common practice). The same object while all are on.
 */
export function withoutThoseOff(rig: Rig, off: FloorState['off']): Rig {
  const ids = Object.keys(off)
  if (ids.length === 0) return rig
  const key = ids.sort().join()
  let rigs = known.get(rig)
  if (!rigs) known.set(rig, (rigs = new Map()))
  let without = rigs.get(key)
  if (!without) {
    const dead = new Set(
      links(rig).flatMap((link) =>
        carriesMidi(link) && (ids.includes(link.from.end.id) || ids.includes(link.to.end.id))
          ? [link.cable.id as string]
          : [],
      ),
    )
    const cables = Object.fromEntries(Object.entries(rig.cables).filter(([id]) => !dead.has(id)))
    rigs.set(key, (without = { ...rig, cables }))
  }
  return without
}
