import { own } from '#core/base'
import { putActions, tapMeaning, perRow, perTables, type Rig, type Footswitch, namedIn } from '#core/rig'
import { COMPILE_KEYS, tempoChanger } from '#core/switching'
import { aboutList, gestured, placeOfList, switchLists, type Gestured } from '../switches/switchLists'
import type { FindingOf } from '../finding'

export type TapIsLooper = FindingOf<
  'tapIsLooper',
  Gestured & {
    readonly device: string
    readonly control: string
    /** The control of the same device that is the tempo's; empty where there is none. */
    readonly tempo: string
  }
>

/** A tap of the tempo that is sent to what a looper records by. */
export const tapIsLooper = (rig: Rig): TapIsLooper[] =>
  hasLoopTap(rig) ? Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch)) : []

const hasLoopTap = perTables(['controls', 'devices'], (rig: Rig) =>
  Object.values(rig.controls).some((control) => tapMeaning(rig, control) === 'looper'),
)

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): TapIsLooper[] =>
  switchLists(rig, footswitch).flatMap((list) =>
    list.actions.flatMap((action, n): TapIsLooper[] => {
      const control =
        tempoChanger(rig, action) === 'tap' ? own(rig.controls, namedIn(action, 'controls') ?? '') : undefined
      if (!control || tapMeaning(rig, control) !== 'looper') return []
      const tempo = Object.values(rig.controls).find(
        (one) => one.deviceId === control.deviceId && tapMeaning(rig, one) === 'tempo',
      )
      const actions = list.actions.with(n, { kind: 'tap', controlId: tempo?.id ?? null })
      const fix = putActions(rig, placeOfList(footswitch, list), 'changeAction', actions)
      return [
        {
          code: 'tapIsLooper',
          severity: 'error',
          about: aboutList(footswitch, list),
          facts: {
            ...gestured(footswitch, list),
            device: own(rig.devices, control.deviceId)?.name ?? '',
            control: control.name,
            tempo: tempo?.name ?? '',
          },
          ...(fix && { fix }),
        },
      ]
    }),
  ),
)
