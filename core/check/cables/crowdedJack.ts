import { removeRow, boxOf, cablesByJack, type Link, type PluggedEnd, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type CrowdedJack = FindingOf<
  'crowdedJack',
  {
    readonly box: string
    readonly jack: string
    /** Several senders into a MIDI input that does not merge, or several plugs in a jack that takes one. */
    readonly why: 'senders' | 'plugs'
    /** What is at the other ends, in the order of the cables. */
    readonly others: readonly string[]
  }
>

const endAt = ({ from, to }: Link, key: string): { here: PluggedEnd; there: PluggedEnd } =>
  `${from.end.id}/${from.end.port}` === key ? { here: from, there: to } : { here: to, there: from }

/** Bluetooth has no plug; an outlet may feed a chain of boxes; an input that merges takes several senders. */
function takesMany({ meant }: PluggedEnd): boolean {
  return meant.kind === 'air' || meant.kind === 'powerOut' || (meant.kind === 'midiIn' && meant.merges)
}

/** More cables in a jack than it takes. The fix takes the last one out. */
export function crowdedJack(rig: Rig): CrowdedJack[] {
  return [...cablesByJack(rig)].flatMap(([key, all]): CrowdedJack[] => {
    if (all.length < 2) return []
    const ends = all.map((link) => endAt(link, key))
    const { here } = ends[0]!
    if (ends.every((end) => takesMany(end.here))) return []
    // Two power cables into one box are a matter of power, not of plugs.
    if (here.meant.kind === 'powerIn') return []
    const fix = removeRow(rig, 'removeCable', 'cables', all.at(-1)!.cable.id)
    return [
      {
        code: 'crowdedJack',
        severity: 'error',
        about: { table: here.end.table, id: here.end.id, field: `ports.${here.port.id}` },
        facts: {
          box: boxOf(rig, here.end.id)!.name,
          jack: here.port.name,
          why: ends.every((end) => end.here.meant.kind === 'midiIn') ? 'senders' : 'plugs',
          others: ends.map(({ there }) => there.box.name),
        },
        ...(fix && { fix }),
      },
    ]
  })
}
