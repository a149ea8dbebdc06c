import { links, type Rig, type Lead } from '#core/rig'
import type { FindingOf } from '../finding'

export type LongCable = FindingOf<
  'longCable',
  { readonly from: string; readonly to: string; readonly centimetres: number; readonly most: number }
>

/** In cm. MIDI: 15 m (M1 v4.2.1, "Hardware"). USB 5 m, expression and switching 10 m: common practice. */
const MOST: Partial<Record<Lead, number>> = {
  din3: 1500,
  din5: 1500,
  usb: 500,
  ts: 1000,
  trs: 1500,
  trrs: 1500,
}

/** A cable longer than its kind carries safely. */
export function longCable(rig: Rig): LongCable[] {
  return links(rig).flatMap(({ cable, from, to }) => {
    const most = MOST[cable.lead] ?? Infinity
    if (cable.centimetres <= most) return []
    return [
      {
        code: 'longCable',
        severity: 'warning',
        about: { table: 'cables', id: cable.id },
        facts: { from: from.box.name, to: to.box.name, centimetres: cable.centimetres, most },
      } as const,
    ]
  })
}
