import { own } from '../base/own'
import type { ChannelMessage } from '../midi/message'
import { recallMessages } from '../rig/numbering/address'
import { sendChannel } from '../rig/channels'
import { perRow } from '../rig/perTables'
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

/** What a switch sends: for each position when pressed, and when let go. */
interface CompiledSwitch {
  readonly positions: readonly (readonly CompiledMessage[])[]
  readonly release: readonly CompiledMessage[]
}

const compiled = perRow(['devices', 'presets'], (rig, { positions, release }: Footswitch): CompiledSwitch => {
  const compileAll = (actions: readonly Action[]) =>
    actions.flatMap((action, n) => compileAction(rig, action, n))
  return { positions: positions.map(compileAll), release: compileAll(release) }
})

const NOTHING: readonly CompiledMessage[] = []

/**
 * What a switch sends, in sending order. `position` counts from 0 and matters to presses only; a
 * position the switch does not have sends nothing. A device that listens on no channel is sent nothing.
 */
export function compile(
  rig: Rig,
  footswitch: Footswitch,
  event: SwitchEvent,
  position: number,
): readonly CompiledMessage[] {
  const { positions, release } = compiled(rig, footswitch)
  return event === 'press' ? (positions[position] ?? NOTHING) : release
}

function compileAction(rig: Rig, { presetId }: Action, action: number): CompiledMessage[] {
  const preset = own(rig.presets, presetId)
  const device = own(rig.devices, preset?.deviceId ?? '')
  const channel = device ? sendChannel(rig, device) : null
  if (!preset || !device || channel === null) return []
  return recallMessages(device.numbering, channel, preset.index).map((message) => ({
    message,
    deviceId: device.id,
    action,
  }))
}
