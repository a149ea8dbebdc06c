import type { Rig, Controller, DeviceId } from '#core/rig'
import { own } from '#core/base'
import { blocksOf, contactsOfWant } from './blocks'
import { NO_CONTROLLER, sendParts } from './sending'
import type { Step } from './step'
import type { Want } from './want'

/** What is sent so that devices become what they should be, in the best order; those not named stay as they are. */
export function sendWants(
  rig: Rig,
  wants: ReadonlyMap<DeviceId, Want>,
  controller: Controller | null,
): readonly Step[] {
  const sender = controller ?? NO_CONTROLLER
  const blocks = [...wants].flatMap(([id, want]) => {
    const device = own(rig.devices, id)
    return device ? blocksOf(rig, device, want, sender.runningStatus) : []
  })
  const contacts = [...wants].flatMap(([id, want]) => contactsOfWant(id, want))
  return sendParts(rig, { blocks, contacts }, sender, []).steps
}
