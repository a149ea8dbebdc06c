import { own } from '#core/base'
import { putActions, findPreset, perRow, type Rig, type Footswitch, namedIn, storedValue } from '#core/rig'
import { actionRecalls, onlyFires, worked, COMPILE_KEYS } from '#core/switching'
import { aboutList, gestured, placeOfList, switchLists, type Gestured } from './switchLists'
import type { FindingOf } from '../finding'

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
      const control = own(rig.controls, namedIn(action, 'controls') ?? '')
      if (!control || onlyFires(action)) return []
      const behind = list.actions
        .slice(at + 1)
        .findIndex((one) => actionRecalls(rig, one).some(({ deviceId }) => deviceId === control.deviceId))
      if (behind < 0) return []
      const to = at + 1 + behind
      const recalled = actionRecalls(rig, list.actions[to]!).find(
        ({ deviceId }) => deviceId === control.deviceId,
      )!
      const preset = findPreset(rig, control.deviceId, recalled.index)
      const known = storedValue(preset, control.id)
      // What the preset recalls at the very same value is not undone.
      const [value, other] = worked(action)?.values ?? []
      if (known !== null && other === undefined && known === value) return []
      const moved = list.actions.toSpliced(at, 1).toSpliced(to, 0, action)
      const fix = putActions(rig, placeOfList(footswitch, list), 'moveRecall', moved)
      return [
        {
          code: 'undoneSet',
          severity: known !== null ? 'error' : 'warning',
          about: aboutList(footswitch, list),
          facts: {
            ...gestured(footswitch, list),
            device: own(rig.devices, control.deviceId)?.name ?? '',
            control: control.name,
            preset: preset?.name ?? '',
            isSure: known !== null,
          },
          ...(fix && { fix }),
        },
      ]
    }),
  ),
)
