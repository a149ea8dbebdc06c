import { inOrder, type Rig } from '#core/rig'
import { bankMap } from '#core/switching'
import type { FindingOf } from '../finding'

export type UnreachedSound = FindingOf<
  'unreachedSound',
  {
    readonly sound: string
    /** It stands on a switch, in a bank no way leads to. */
    readonly isStranded: boolean
  }
>

/** A sound that no run of presses from home recalls. Silent while no switch recalls any sound. */
export function unreachedSound(rig: Rig): UnreachedSound[] {
  const maps = inOrder(rig.controllers).flatMap((controller) => bankMap(rig, controller.id) ?? [])
  if (!maps.some(({ sounds, inShow }) => sounds.size + inShow.size > 0)) return []
  return inOrder(rig.sounds).flatMap((sound): UnreachedSound[] => {
    const spots = maps.flatMap((map) =>
      [...(map.sounds.get(sound.id) ?? []), ...(map.inShow.get(sound.id) ?? [])].map(
        (at) => map.presses[map.home]![at]!,
      ),
    )
    if (spots.some((presses) => presses < Infinity)) return []
    return [
      {
        code: 'unreachedSound',
        severity: spots.length > 0 ? 'warning' : 'hint',
        about: { table: 'sounds', id: sound.id },
        facts: { sound: sound.name, isStranded: spots.length > 0 },
      },
    ]
  })
}
