import { assertNever, requireChannel, requireU14, splitU14, requireU7 } from '#core/base'
import type { MidiMessage } from './message'
import { CHANNEL_STATUS, REAL_TIME_STATUS, SYSTEM_STATUS } from './status'

/**
 * Appends the bytes of one message to `bytes` and returns it. Numbers are checked at this door:
 * throws RangeError when a channel is not 1-16 or a data value not 0-127.
 */
export function appendMessage(bytes: number[], message: MidiMessage): number[] {
  switch (message.kind) {
    case 'program':
      bytes.push(CHANNEL_STATUS.program | (requireChannel(message.channel) - 1), requireU7(message.program))
      return bytes
    case 'control':
      bytes.push(
        CHANNEL_STATUS.control | (requireChannel(message.channel) - 1),
        requireU7(message.controller),
        requireU7(message.value),
      )
      return bytes
    case 'noteOff':
    case 'noteOn':
      bytes.push(
        CHANNEL_STATUS[message.kind] | (requireChannel(message.channel) - 1),
        requireU7(message.note),
        requireU7(message.velocity),
      )
      return bytes
    case 'polyPressure':
      bytes.push(
        CHANNEL_STATUS.polyPressure | (requireChannel(message.channel) - 1),
        requireU7(message.note),
        requireU7(message.value),
      )
      return bytes
    case 'channelPressure':
      bytes.push(
        CHANNEL_STATUS.channelPressure | (requireChannel(message.channel) - 1),
        requireU7(message.value),
      )
      return bytes
    case 'pitchBend': {
      const { msb, lsb } = splitU14(requireU14(message.bend))
      bytes.push(CHANNEL_STATUS.pitchBend | (requireChannel(message.channel) - 1), lsb, msb)
      return bytes
    }
    case 'exclusive':
      bytes.push(SYSTEM_STATUS.exclusive)
      for (const value of message.data) bytes.push(requireU7(value))
      bytes.push(SYSTEM_STATUS.endOfExclusive)
      return bytes
    case 'timeCode':
      bytes.push(SYSTEM_STATUS.timeCode, requireU7(message.value))
      return bytes
    case 'songPosition': {
      const { msb, lsb } = splitU14(requireU14(message.beats))
      bytes.push(SYSTEM_STATUS.songPosition, lsb, msb)
      return bytes
    }
    case 'songSelect':
      bytes.push(SYSTEM_STATUS.songSelect, requireU7(message.song))
      return bytes
    case 'tuneRequest':
      bytes.push(SYSTEM_STATUS.tuneRequest)
      return bytes
    case 'clock':
    case 'start':
    case 'continue':
    case 'stop':
    case 'activeSensing':
    case 'reset':
      bytes.push(REAL_TIME_STATUS[message.kind])
      return bytes
    default:
      return assertNever(message)
  }
}

/** The bytes of one message, status byte included. Throws RangeError as {@link appendMessage}. */
export const encodeMessage = (message: MidiMessage): Uint8Array => new Uint8Array(appendMessage([], message))

/**
 * The bytes of several messages in order. With `runningStatus`, a channel message whose status equals
 * that of the channel message before it leaves its status byte out; system messages end the run and
 * real-time messages do not (M1 v4.2.1, "Running Status").
 */
export function encodeMessages(
  messages: readonly MidiMessage[],
  { runningStatus = false }: { runningStatus?: boolean } = {},
): Uint8Array {
  const bytes: number[] = []
  let running = 0
  for (const message of messages) {
    const start = bytes.length
    appendMessage(bytes, message)
    const status = bytes[start]!
    if (status >= REAL_TIME_STATUS.clock) continue
    if (runningStatus && status < SYSTEM_STATUS.exclusive && status === running) bytes.splice(start, 1)
    running = status < SYSTEM_STATUS.exclusive ? status : 0
  }
  return new Uint8Array(bytes)
}
