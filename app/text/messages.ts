import type { ChannelMessage } from '#core'

/** A message as players write it: PC 11, CC 32 2. Numbers are those sent. */
export function messageText(message: ChannelMessage): string {
  switch (message.kind) {
    case 'program':
      return `PC ${message.program}`
    case 'control':
      return `CC ${message.controller} ${message.value}`
    case 'noteOn':
      return `Note on ${message.note} ${message.velocity}`
    case 'noteOff':
      return `Note off ${message.note} ${message.velocity}`
    case 'polyPressure':
      return `Key pressure ${message.note} ${message.value}`
    case 'channelPressure':
      return `Pressure ${message.value}`
    case 'pitchBend':
      return `Bend ${message.bend}`
  }
}

/** Which of the wire's colours a message has; the text always says it too. */
export const messageTone = (message: ChannelMessage): 'program' | 'control' =>
  message.kind === 'program' ? 'program' : 'control'

export const bytesText = (bytes: Uint8Array): string =>
  Array.from(bytes, (byte) => byte.toString(16).toUpperCase().padStart(2, '0')).join(' ')

/** Microseconds as milliseconds with two decimals: "2.88 ms". */
export const millisecondsText = (microseconds: number): string => `${(microseconds / 1000).toFixed(2)} ms`
