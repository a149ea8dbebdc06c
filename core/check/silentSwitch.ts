import { change, type Edit } from '../rig/edit'
import { perRow } from '../rig/perTables'
import type { Rig } from '../rig/rig'
import { isProgrammed, type Footswitch } from '../rig/table/switch'
import { COMPILE_TABLES, compile } from '../switching/compile'
import type { FindingOf } from './finding'

export type SilentSwitch = FindingOf<
  'silentSwitch',
  {
    readonly label: string
    /** Presses that send nothing, counted from 1. */
    readonly presses: readonly number[]
    readonly of: number
    /** Nothing is asked of it, or what it asks reaches no device. */
    readonly why: 'empty' | 'unheard'
  }
>

/** A named switch that sends nothing, at all or on some of its presses. */
export const silentSwitch = (rig: Rig): SilentSwitch[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

const ofSwitch = perRow(COMPILE_TABLES, (rig, footswitch: Footswitch): SilentSwitch[] => {
  const presses = footswitch.positions.flatMap((_, position) =>
    compile(rig, footswitch, 'press', position).length === 0 ? [position + 1] : [],
  )
  if (presses.length === 0) return []
  const isEmpty = presses.some((press) => footswitch.positions[press - 1]!.length === 0)
  const clear: Edit = { label: 'clearSwitch', changes: [change('switches', footswitch.id, footswitch, null)] }
  return [
    {
      code: 'silentSwitch',
      severity: isProgrammed(footswitch) ? 'warning' : 'hint',
      about: { table: 'switches', id: footswitch.id },
      facts: {
        label: footswitch.label,
        presses,
        of: footswitch.positions.length,
        why: isEmpty ? 'empty' : 'unheard',
      },
      ...(!isProgrammed(footswitch) && { fix: clear }),
    },
  ]
})
