import { own } from '#core/base'
import type { Footswitch, Rig } from '#core/rig'
import { compile, schedule, type CompiledStep, type SwitchEvent, type TimedMessage } from '#core/switching'
import { messageText, messageTone } from '#shared/words/messages'

/** What one press puts on an idle wire. */
export interface PressSending {
  readonly messages: readonly TimedMessage[]
  readonly bytes: number
  /** µs from the first bit to the last. */
  readonly time: number
}

export function stepsSending(steps: readonly CompiledStep[], runningStatus = false): PressSending {
  const messages = schedule(steps, 0, runningStatus)
  return {
    messages,
    bytes: messages.reduce((sum, { bytes }) => sum + bytes.length, 0),
    time: messages.at(-1)?.end ?? 0,
  }
}

export function pressSending(
  rig: Rig,
  footswitch: Footswitch,
  position: number,
  event: SwitchEvent = 'press',
): PressSending {
  const controller = own(rig.controllers, own(rig.banks, footswitch.bankId)?.controllerId ?? '')
  return stepsSending(compile(rig, footswitch, event, position), controller?.runningStatus)
}

/** Whose lane a message is drawn in. */
export const laneName = (rig: Rig, deviceId: string | null): string =>
  deviceId === null ? 'everything' : (own(rig.devices, deviceId)?.name ?? 'removed')

/** The same, as the chart takes it. */
export const laneInputs = (rig: Rig, messages: readonly TimedMessage[]) =>
  messages.map(({ deviceId, start, end, message }) => ({
    lane: laneName(rig, deviceId),
    start,
    end,
    text: messageText(message),
    tone: messageTone(message),
  }))
