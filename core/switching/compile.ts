import type { ChannelMessage } from '../midi/message'
import { recallMessages } from '../rig/numbering/address'
import { sendChannel } from '../rig/channels'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import type { DeviceId } from '../rig/table/device'
import type { Footswitch } from '../rig/table/switch'

export type SwitchEvent = 'press' | 'release'

/** A message with what it is for. */
export interface CompiledMessage {
  readonly message: ChannelMessage
  readonly deviceId: DeviceId
  /** Which action of the list asked for it, from 0. */
  readonly action: number
}

/**
 * What a switch sends, in sending order. `position` counts from 0 and matters to presses only; a
 * position the switch does not have sends nothing. A device that listens on no channel is sent nothing.
 */
export function compile(
  rig: Rig,
  footswitch: Footswitch,
  event: SwitchEvent,
  position: number,
): CompiledMessage[] {
  const actions = event === 'press' ? footswitch.positions[position] : footswitch.release
  return (actions ?? []).flatMap((action, n) => compileAction(rig, action, n))
}

function compileAction(rig: Rig, { presetId }: Action, action: number): CompiledMessage[] {
  const preset = rig.presets[presetId]
  const device = rig.devices[preset?.deviceId ?? '']
  const channel = device ? sendChannel(rig, device) : null
  if (!preset || !device || channel === null) return []
  return recallMessages(device.numbering, channel, preset.index).map((message) => ({
    message,
    deviceId: device.id,
    action,
  }))
}
