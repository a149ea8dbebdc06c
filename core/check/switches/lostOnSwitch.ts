import { own } from '#core/base'
import { deafFor, isLostWhileLoading, putActions, perRow, type Rig, type Footswitch } from '#core/rig'
import { COMPILE_KEYS, schedule } from '#core/switching'
import { aboutList, gestured, isOneSound, placeOfList, switchLists, type Gestured } from './switchLists'
import type { FindingOf } from '../finding'

export type LostOnSwitch = FindingOf<
  'lostOnSwitch',
  Gestured & {
    readonly device: string
    readonly messages: number
    readonly deafMs: number
    /** The pause that would help, in ms; `canWait` when the controller can make it. */
    readonly waitMs: number
    readonly canWait: boolean
    readonly controller: string
  }
>

/** Controls that reach a device while it loads what the same gesture recalled. */
export const lostOnSwitch = (rig: Rig): LostOnSwitch[] =>
  Object.values(rig.switches).flatMap((footswitch) => ofSwitch(rig, footswitch))

const ofSwitch = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): LostOnSwitch[] => {
  const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
  if (!controller) return []
  return switchLists(rig, footswitch).flatMap((list): LostOnSwitch[] => {
    if (isOneSound(list)) return []
    const deafUntil = new Map<string, number>()
    const lost = new Map<string, { count: number; action: number; late: number }>()
    for (const { message, deviceId, start, end, action } of schedule(
      list.steps,
      0,
      controller.runningStatus,
    )) {
      const device = own(rig.devices, deviceId ?? '')
      const deaf = device ? deafFor(device) : 0
      if (!device || deaf === 0) continue
      if (message.kind === 'program') deafUntil.set(device.id, end + deaf)
      const until = deafUntil.get(device.id) ?? 0
      if (!isLostWhileLoading(message) || start >= until) continue
      const before = lost.get(device.id)
      lost.set(device.id, {
        count: (before?.count ?? 0) + 1,
        action: before?.action ?? action,
        late: before?.late ?? until - start,
      })
    }
    return [...lost].map(([id, { count, action, late }]): LostOnSwitch => {
      const device = own(rig.devices, id)!
      const waitMs = Math.ceil(late / 1000)
      const canWait = controller.waitMs >= waitMs
      const fix = canWait
        ? putActions(
            rig,
            placeOfList(footswitch, list),
            'addAction',
            list.actions.toSpliced(action, 0, { kind: 'wait', ms: waitMs }),
          )
        : null
      return {
        code: 'lostOnSwitch',
        severity: 'error',
        about: aboutList(footswitch, list),
        facts: {
          ...gestured(footswitch, list),
          device: device.name,
          messages: count,
          deafMs: device.deafMs,
          waitMs,
          canWait,
          controller: controller.name,
        },
        ...(fix && { fix }),
      }
    })
  })
})
