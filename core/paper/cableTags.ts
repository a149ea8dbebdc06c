import { links, type PluggedEnd, type Rig, type Cable } from '#core/rig'

/** Where a cable's end goes. */
export interface TagEnd {
  readonly box: string
  readonly jack: string
}

/** What is tied to both ends of a cable. */
export interface CableTag {
  /** From 1, in the order in which the cables are laid. */
  readonly number: number
  readonly from: TagEnd
  readonly to: TagEnd
  readonly cable: Cable
}

const endOf = ({ box, port }: PluggedEnd): TagEnd => ({ box: box.name, jack: port.name })

/** A tag for every cable; what runs through the air has none. */
export const cableTags = (rig: Rig): CableTag[] =>
  links(rig)
    .filter(({ cable }) => cable.lead !== 'air')
    .toSorted((a, b) => a.cable.order - b.cable.order)
    .map(({ cable, from, to }, n) => ({ number: n + 1, from: endOf(from), to: endOf(to), cable }))
