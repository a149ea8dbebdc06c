import { encodeMessage } from '../midi/encode'
import type { ChannelMessage } from '../midi/message'
import { wireTime } from '../midi/wireTime'
import type { DeviceId } from '../rig/table/device'
import type { CompiledStep } from './compile'

/** A message with its bytes and the µs at which they begin and end on the wire. */
export interface TimedMessage {
  readonly message: ChannelMessage
  readonly deviceId: DeviceId
  /** Which action of the list asked for it, from 0. */
  readonly action: number
  readonly bytes: Uint8Array
  readonly start: number
  readonly end: number
}

/**
 * Puts the messages among steps on the wire one behind the other, the first at `from` µs, with the waits
 * between them. With `runningStatus`, a status byte equal to the one before is left out.
 */
export function schedule(steps: readonly CompiledStep[], from = 0, runningStatus = false): TimedMessage[] {
  const timed: TimedMessage[] = []
  let free = from
  let status = 0
  // Written out: spreading one object into another is ten times slower here, and this runs at every press.
  for (const step of steps) {
    if (step.kind === 'wait') free += step.microseconds
    if (step.kind !== 'send') continue
    const whole = encodeMessage(step.message)
    const bytes = runningStatus && whole[0] === status ? whole.subarray(1) : whole
    status = whole[0]!
    const start = free
    free += wireTime(bytes.length)
    timed.push({
      message: step.message,
      deviceId: step.deviceId,
      action: step.action,
      bytes,
      start,
      end: free,
    })
  }
  return timed
}
