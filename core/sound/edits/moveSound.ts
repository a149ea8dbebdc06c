import { change, type Change, type Edit, inOrder, type Rig, type SoundId } from '#core/rig'

/** Moves a sound to a place among the sounds, counted from 0. Null when it stands there. */
export function moveSound(rig: Rig, id: SoundId, to: number): Edit | null {
  const all = inOrder(rig.sounds)
  const from = all.findIndex((sound) => sound.id === id)
  const at = Math.max(0, Math.min(all.length - 1, to))
  if (from < 0 || from === at) return null
  const moved = all.toSpliced(from, 1).toSpliced(at, 0, all[from]!)
  const [before, after] = [moved[at - 1]?.order, moved[at + 1]?.order]
  const order = before === undefined ? after! - 1 : after === undefined ? before + 1 : (before + after) / 2
  const isBetween = (before === undefined || before < order) && (after === undefined || order < after)
  // Halved too often, or two alike: all get new places.
  const changes = isBetween
    ? [change('sounds', id, all[from]!, { ...all[from]!, order })]
    : moved.flatMap((sound, n): Change[] =>
        sound.order === n + 1 ? [] : [change('sounds', sound.id, sound, { ...sound, order: n + 1 })],
      )
  return { label: 'moveSound', changes }
}
