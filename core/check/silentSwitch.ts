import { removeRow } from '../rig/edits/removeRow'
import type { Rig } from '../rig/rig'
import { isProgrammed } from '../rig/table/switch'
import { compile } from '../switching/compile'
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
export function silentSwitch(rig: Rig): SilentSwitch[] {
  return Object.values(rig.switches).flatMap((footswitch) => {
    const presses = footswitch.positions.flatMap((_, position) =>
      compile(rig, footswitch, 'press', position).length === 0 ? [position + 1] : [],
    )
    if (presses.length === 0) return []
    const isEmpty = presses.some((press) => footswitch.positions[press - 1]!.length === 0)
    const fix = isProgrammed(footswitch) ? null : removeRow(rig, 'clearSwitch', 'switches', footswitch.id)
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
        ...(fix && { fix }),
      } as const,
    ]
  })
}
