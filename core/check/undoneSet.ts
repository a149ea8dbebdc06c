import { own } from '../base/own'
import { putActions } from '../rig/edits/actionList'
import { findPreset } from '../rig/edits/setRecall'
import { perRow } from '../rig/perTables'
import type { Rig } from '../rig/rig'
import type { Footswitch } from '../rig/table/switch'
import { actionRecalls } from '../switching/action'
import { COMPILE_KEYS } from '../switching/compile'
import { aboutList, gestured, placeOfList, switchLists, type Gestured } from './switchLists'
import type { FindingOf } from './finding'

export type UndoneSet = FindingOf<
  'undoneSet',
  Gestured & {
    readonly device: string
    readonly control: string
    readonly preset: string
    /** The preset is known to put it elsewhere; else it may. */
    readonly isSure: boolean
  }
>

/** A control set before a recall on the same device, which puts it where the preset has it. */
export const undoneSet = (rig: Rig): UndoneSet[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): UndoneSet[] =>
  switchLists(rig, footswitch).flatMap((list) =>
    list.actions.flatMap((action, at): UndoneSet[] => {
      const control = 'controlId' in action ? own(rig.controls, action.controlId ?? '') : undefined
      if (!control || !('controlId' in action) || action.kind === 'tap' || action.kind === 'looper') return []
      const behind = list.actions
        .slice(at + 1)
        .findIndex((one) => actionRecalls(rig, one).some(({ deviceId }) => deviceId === control.deviceId))
      if (behind < 0) return []
      const to = at + 1 + behind
      const recalled = actionRecalls(rig, list.actions[to]!).find(
        ({ deviceId }) => deviceId === control.deviceId,
      )!
      const preset = findPreset(rig, control.deviceId, recalled.index)
      const known = preset?.recalls.find(({ controlId }) => controlId === control.id)
      // What the preset recalls at the very same value is not undone.
      if (known && action.kind === 'setControl' && known.value === action.value) return []
      const moved = list.actions.toSpliced(at, 1).toSpliced(to, 0, action)
      const fix = putActions(rig, placeOfList(footswitch, list), 'moveRecall', moved)
      return [
        {
          code: 'undoneSet',
          severity: known ? 'error' : 'warning',
          about: aboutList(footswitch, list),
          facts: {
            ...gestured(footswitch, list),
            device: own(rig.devices, control.deviceId)?.name ?? '',
            control: control.name,
            preset: preset?.name ?? '',
            isSure: known !== undefined,
          },
          ...(fix && { fix }),
        },
      ]
    }),
  ),
)
