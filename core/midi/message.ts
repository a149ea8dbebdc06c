import type { Channel, U14, U7 } from '#core/base'

/** A message of one channel. Program, controller and value are 0-127, as the standard counts them. */
export type ChannelMessage =
  | { readonly kind: 'noteOff'; readonly channel: Channel; readonly note: U7; readonly velocity: U7 }
  | { readonly kind: 'noteOn'; readonly channel: Channel; readonly note: U7; readonly velocity: U7 }
  | { readonly kind: 'polyPressure'; readonly channel: Channel; readonly note: U7; readonly value: U7 }
  | { readonly kind: 'control'; readonly channel: Channel; readonly controller: U7; readonly value: U7 }
  | { readonly kind: 'program'; readonly channel: Channel; readonly program: U7 }
  | { readonly kind: 'channelPressure'; readonly channel: Channel; readonly value: U7 }
  /** `bend` is 8192 at rest. */
  | { readonly kind: 'pitchBend'; readonly channel: Channel; readonly bend: U14 }

export type SystemMessage =
  /** `data` is what stands between F0 and F7, every byte 0-127. */
  | { readonly kind: 'exclusive'; readonly data: readonly U7[] }
  | { readonly kind: 'timeCode'; readonly value: U7 }
  /** `beats` counts sixteenth notes since the start of the song. */
  | { readonly kind: 'songPosition'; readonly beats: U14 }
  | { readonly kind: 'songSelect'; readonly song: U7 }
  | { readonly kind: 'tuneRequest' }

/** One byte, allowed anywhere on the wire, even inside another message. */
export type RealTimeMessage = {
  readonly kind: 'clock' | 'start' | 'continue' | 'stop' | 'activeSensing' | 'reset'
}

/** MIDI 1.0 Detailed Specification, M1 v4.2.1: every message a wire can carry. */
export type MidiMessage = ChannelMessage | SystemMessage | RealTimeMessage

/** Channel 1 to 16; program 0 to 127, as it is sent (M1 v4.2.1). */
export const programChange = (channel: Channel, program: U7): ChannelMessage => ({
  kind: 'program',
  channel,
  program,
})

/** Channel 1 to 16; controller and value 0 to 127 (M1 v4.2.1). */
export const controlChange = (channel: Channel, controller: U7, value: U7): ChannelMessage => ({
  kind: 'control',
  channel,
  controller,
  value,
})
