import { own } from '#core/base'
import { putActions, perRow, type Rig, highestValue, type Footswitch } from '#core/rig'
import { actionValues, withValues, COMPILE_KEYS } from '#core/switching'
import { aboutList, gestured, placeOfList, switchLists, type Gestured } from './switchLists'
import type { FindingOf } from '../finding'

export type StrictValue = FindingOf<
  'strictValue',
  Gestured & {
    readonly device: string
    readonly control: string
    readonly value: number
    readonly highest: number
  }
>

/** A value between the lowest and the highest, sent to a device that knows only those two. */
export const strictValue = (rig: Rig): StrictValue[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): StrictValue[] =>
  switchLists(rig, footswitch).flatMap((list) =>
    list.actions.flatMap((action, at): StrictValue[] => {
      const control = 'controlId' in action ? own(rig.controls, action.controlId ?? '') : undefined
      if (!control || control.reading.kind !== 'switch' || !control.reading.isStrict) return []
      const highest = highestValue(control.address)
      const value = actionValues(action).find((one) => one !== 0 && one !== highest)
      if (value === undefined) return []
      // The nearer of the two it knows.
      const put = withValues(action, (one) => (one > highest / 2 ? highest : 0))
      const fix =
        put && putActions(rig, placeOfList(footswitch, list), 'changeAction', list.actions.with(at, put))
      return [
        {
          code: 'strictValue',
          severity: 'error',
          about: aboutList(footswitch, list),
          facts: {
            ...gestured(footswitch, list),
            device: own(rig.devices, control.deviceId)?.name ?? '',
            control: control.name,
            value,
            highest,
          },
          ...(fix && { fix }),
        },
      ]
    }),
  ),
)
