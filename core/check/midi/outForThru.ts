import {
  boxName,
  isForMidi,
  links,
  silencedBy,
  thrusBeside,
  type Edit,
  cableBetween,
  moveCable,
  endOf,
  isFree,
  type Rig,
  type Cable,
  type Port,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type OutForThru = FindingOf<
  'outForThru',
  {
    readonly box: string
    readonly jack: string
    readonly thru: string
    readonly isThruFree: boolean
    readonly to: string
    readonly silenced: readonly string[]
  }
>

/** The commonest mistake on a floor: the next box hangs on an out, which carries only what its box says itself. The fix moves the plug to the thru. */
export function outForThru(rig: Rig): OutForThru[] {
  return links(rig).flatMap((link): OutForThru[] => {
    const { cable, from, to } = link
    const thrus = isForMidi(link) ? thrusBeside(rig, from.box.id, from.port) : []
    const silenced =
      thrus.length === 0
        ? []
        : silencedBy(rig, ({ cables, through }) => cables.includes(cable.id) && through.includes(from.box.id))
    if (silenced.length === 0) return []
    const free = thrus.find((port) => isFree(rig, from.box.id, port))
    const fix = free ? moved(rig, cable, from.box.id, free) : null
    return [
      {
        code: 'outForThru',
        severity: 'error',
        about: { table: 'cables', id: cable.id },
        facts: {
          box: boxName(rig, from.box.id),
          jack: from.port.name,
          thru: (free ?? thrus[0]!).name,
          isThruFree: free !== undefined,
          to: to.box.name,
          silenced,
        },
        ...(fix && { fix }),
      },
    ]
  })
}

function moved(rig: Rig, cable: Cable, boxId: string, thru: Port): Edit | null {
  const laid = cableBetween(rig, endOf(rig, boxId, thru.id), cable.to, cable.id)
  const { order, centimetres, colour } = cable
  return laid && moveCable(rig, cable, { ...laid, order, centimetres, colour })
}
