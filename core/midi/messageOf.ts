import type { Channel, U14, U7 } from '#core/base'
import type { ChannelMessage, MidiMessage } from './message'
import { CHANNEL_STATUS, SYSTEM_STATUS } from './status'

/**
 * The channel message of a status byte 80-EF and its data; `second` is not looked at where the message
 * has one data byte. The inverse of `appendMessage` for channel messages.
 */
export function channelMessageOf(status: number, first: number, second: number): ChannelMessage {
  const channel = ((status & 0x0f) + 1) as Channel
  switch (status & 0xf0) {
    case CHANNEL_STATUS.control:
      return { kind: 'control', channel, controller: first as U7, value: second as U7 }
    case CHANNEL_STATUS.program:
      return { kind: 'program', channel, program: first as U7 }
    case CHANNEL_STATUS.noteOn:
      return { kind: 'noteOn', channel, note: first as U7, velocity: second as U7 }
    case CHANNEL_STATUS.noteOff:
      return { kind: 'noteOff', channel, note: first as U7, velocity: second as U7 }
    case CHANNEL_STATUS.polyPressure:
      return { kind: 'polyPressure', channel, note: first as U7, value: second as U7 }
    case CHANNEL_STATUS.channelPressure:
      return { kind: 'channelPressure', channel, value: first as U7 }
    default:
      return { kind: 'pitchBend', channel, bend: ((second << 7) | first) as U14 }
  }
}

/** As {@link channelMessageOf}, for the system common messages with data too: F1, F2 and F3. */
export function messageOf(status: number, first: number, second: number): MidiMessage {
  switch (status) {
    case SYSTEM_STATUS.timeCode:
      return { kind: 'timeCode', value: first as U7 }
    case SYSTEM_STATUS.songSelect:
      return { kind: 'songSelect', song: first as U7 }
    case SYSTEM_STATUS.songPosition:
      return { kind: 'songPosition', beats: ((second << 7) | first) as U14 }
    default:
      return channelMessageOf(status, first, second)
  }
}
