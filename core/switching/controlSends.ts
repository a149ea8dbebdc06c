import { own } from '#core/base'
import { sendChannel, controlMessages, type Rig, highestValue } from '#core/rig'
import type { ActionStep } from './step'

/** What puts a control at a value; nothing where its device listens on no channel or the value is beyond it. */
export function controlSends(rig: Rig, controlId: string, value: number): readonly ActionStep[] {
  const control = own(rig.controls, controlId)
  const device = own(rig.devices, control?.deviceId ?? '')
  const channel = device ? sendChannel(rig, device) : null
  if (!control || !device || channel === null || value > highestValue(control.address)) return []
  return controlMessages(control.address, channel, value).map((message) => ({
    kind: 'send',
    deviceId: device.id,
    message,
  }))
}

/** How the names of sweeps begin. */
export const SWEEP = 'sweep/'

/** The name a sweep of a control runs under. */
export const sweepName = (controlId: string): string => `${SWEEP}${controlId}`

/** The same, known to have been sent: whatever leads the control elsewhere stops. */
export function controlSet(rig: Rig, controlId: string, value: number): readonly ActionStep[] {
  const sends = controlSends(rig, controlId, value)
  return sends.length === 0
    ? []
    : [
        { kind: 'stop', name: sweepName(controlId) },
        ...sends,
        { kind: 'know', learned: { values: { [controlId]: value } } },
      ]
}
