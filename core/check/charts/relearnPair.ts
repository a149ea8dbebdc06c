import { own } from '#core/base'
import { learnedText, mustLearn } from '#core/chart'
import { editRow, inOrder, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type RelearnPair = FindingOf<
  'relearnPair',
  { readonly device: string; readonly pair: string; readonly isLocked: boolean; readonly isFirst: boolean }
>

/** Two states that differ from what the device has learned. The fix says that it has now been done. */
export function relearnPair(rig: Rig): RelearnPair[] {
  return inOrder(rig.pairs).flatMap((pair): RelearnPair[] => {
    const device = own(rig.devices, pair.deviceId)
    if (!device || !mustLearn(rig, pair)) return []
    const fix = editRow(rig, 'changePair', 'pairs', pair.id, { learned: learnedText(rig, pair) })
    return [
      {
        code: 'relearnPair',
        severity: 'warning',
        about: { table: 'pairs', id: pair.id },
        facts: {
          device: device.name,
          pair: pair.name,
          isLocked: pair.isLocked,
          isFirst: pair.learned === null,
        },
        ...(fix && { fix }),
      },
    ]
  })
}
