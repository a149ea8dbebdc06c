import { receivers, boxName, arrivals, inOrder, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

/** Each thru rounds the edges of the signal a little more: beyond three it may be misread (common practice). */
const THRUS_MAX = 3

export type TooManyThrus = FindingOf<
  'tooManyThrus',
  { readonly device: string; readonly thrus: number; readonly through: readonly string[] }
>

/** A device behind more thru jacks than are safe. */
export function tooManyThrus(rig: Rig): TooManyThrus[] {
  return receivers(rig).flatMap((device) => {
    const ways = inOrder(rig.controllers).flatMap(({ id }) => arrivals(rig, id).get(device.id) ?? [])
    if (ways.length === 0 || ways.some(({ thrus }) => thrus <= THRUS_MAX)) return []
    const { thrus, through } = ways[0]!
    return [
      {
        code: 'tooManyThrus',
        severity: 'warning',
        about: { table: 'devices', id: device.id },
        facts: { device: device.name, thrus, through: through.map((id) => boxName(rig, id)) },
      } as const,
    ]
  })
}
