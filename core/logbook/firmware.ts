import type { Rig, Note } from '#core/rig'

/** The software of a box as it was last written down; null where it never was. */
export function firmwareOf(rig: Rig, id: string): string | null {
  let last: Note | null = null
  for (const note of Object.values(rig.notes))
    if (note.about?.id === id && note.fact.kind === 'firmware' && (!last || note.at >= last.at)) last = note
  return last?.fact.kind === 'firmware' ? last.fact.version : null
}
