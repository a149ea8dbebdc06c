import { own } from '#core/base'
import { loadsFor, perRow, type Rig, type Footswitch } from '#core/rig'
import { COMPILE_KEYS, storedMessages, schedule } from '#core/switching'
import { aboutList, gestured, isOneSound, switchLists, type Gestured } from './switchLists'
import type { FindingOf } from '../finding'

export type OverfullSwitch = FindingOf<
  'overfullSwitch',
  Gestured & {
    readonly messages: number
    readonly most: number
    readonly controller: string
    /** Macros the controller keeps: a list put into one is one thing on the switch. */
    readonly macros: number
  }
>

export type SlowSwitch = FindingOf<'slowSwitch', Gestured & { readonly ms: number; readonly last: string }>

/** The next step of a foot may come so soon, in µs: on a neighbour switch (common practice, 350 ms). */
const NEXT_STEP = 350_000

/** A gesture that takes more messages than the controller holds for one. */
export const overfullSwitch = (rig: Rig): OverfullSwitch[] =>
  Object.values(rig.switches).flatMap((footswitch) => overfull(rig, footswitch))

const overfull = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): OverfullSwitch[] => {
  const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
  if (!controller) return []
  return switchLists(rig, footswitch).flatMap((list): OverfullSwitch[] => {
    const messages = storedMessages(list.steps)
    return isOneSound(list) || messages <= controller.messagesPerEvent
      ? []
      : [
          {
            code: 'overfullSwitch',
            severity: 'error',
            about: aboutList(footswitch, list),
            facts: {
              ...gestured(footswitch, list),
              messages,
              most: controller.messagesPerEvent,
              controller: controller.name,
              macros: controller.macros,
            },
          },
        ]
  })
})

/** A gesture after which some device is not ready before the foot may come down again. */
export const slowSwitch = (rig: Rig): SlowSwitch[] =>
  Object.values(rig.switches).flatMap((footswitch) => slow(rig, footswitch))

const slow = perRow(COMPILE_KEYS, (rig, footswitch: Footswitch): SlowSwitch[] => {
  const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
  return switchLists(rig, footswitch).flatMap((list): SlowSwitch[] => {
    // What is meant to go on, a sweep or taps, is no waiting.
    const steps = list.steps.filter(({ kind }) => kind !== 'start')
    let [ready, last] = [0, '']
    for (const { message, deviceId, end } of schedule(steps, 0, controller?.runningStatus)) {
      const device = own(rig.devices, deviceId ?? '')
      const at = end + (device && message.kind === 'program' ? loadsFor(device) : 0)
      if (at > ready) [ready, last] = [at, device?.name ?? '']
    }
    return ready <= NEXT_STEP
      ? []
      : [
          {
            code: 'slowSwitch',
            severity: 'warning',
            about: aboutList(footswitch, list),
            facts: { ...gestured(footswitch, list), ms: Math.round(ready / 1000), last },
          },
        ]
  })
})
