import { editRow, links, powerPlan, isPowering, phantomOf, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type MidiPower = FindingOf<
  'midiPower',
  {
    readonly from: string
    readonly to: string
    /** Power is wanted and the cable lacks the pins, or the cable carries power into a jack not built for it. */
    readonly why: 'needsFivePins' | 'notBuiltForIt'
  }
>

/** Power on the spare pins of a DIN cable: wanted and not carried, or carried and not wanted. */
export function midiPower(rig: Rig): MidiPower[] {
  return links(rig).flatMap((link): MidiPower[] => {
    const { cable, from, to } = link
    const [a, b] = [phantomOf(from.meant), phantomOf(to.meant)]
    const isFive = cable.lead === 'din5'
    const why =
      isPowering(from.meant, to.meant) &&
      !isFive &&
      !isFedElsewhere(rig, a === 'takes' ? from.box.id : to.box.id)
        ? 'needsFivePins'
        : isFive && (a === 'gives' ? b !== 'takes' : b === 'gives' && a !== 'takes')
          ? 'notBuiltForIt'
          : null
    if (why === null) return []
    const fix = editRow(rig, 'changeCable', 'cables', cable.id, {
      lead: why === 'needsFivePins' ? 'din5' : 'din3',
    })
    return [
      {
        code: 'midiPower',
        severity: 'error',
        about: { table: 'cables', id: cable.id },
        facts: { from: from.box.name, to: to.box.name, why },
        ...(fix && { fix }),
      },
    ]
  })
}

/** A box with a power cable of its own does not need the spare pins. */
const isFedElsewhere = (rig: Rig, boxId: string): boolean =>
  powerPlan(rig).consumers.some(({ box, by }) => box.id === boxId && by.length > 0)
