import { perTables, inOrder, type Rig, soundOf, type Controller, type Footswitch } from '#core/rig'
import { shortNames } from './shortNames'

/** Sounds' names shortened to a display, by id, all different. */
const byLength = perTables(['sounds'], () => new Map<number, ReadonlyMap<string, string>>())

function namesFor(rig: Rig, most: number): ReadonlyMap<string, string> {
  const known = byLength(rig)
  let names = known.get(most)
  if (!names) {
    const sounds = inOrder(rig.sounds)
    const short = shortNames(
      sounds.map(({ name }) => name),
      most,
    )
    known.set(most, (names = new Map(sounds.map(({ id }, n) => [id, short[n]!]))))
  }
  return names
}

/**
 * What a switch is called on a controller: its label, or the name of the sound its first press recalls, shortened
 * to the display so that no two sounds read alike. Empty when it has neither.
 */
export function switchName(
  rig: Rig,
  { label, positions }: Footswitch,
  { labelLength }: Pick<Controller, 'labelLength'>,
): string {
  if (label !== '') return label
  const [soundId] = positions[0]?.flatMap((action) => soundOf(action) ?? []) ?? []
  return (soundId && namesFor(rig, labelLength ?? 60).get(soundId)) ?? ''
}
