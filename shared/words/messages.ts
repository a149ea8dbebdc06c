import { fixedText } from '#core/base'
import type { MidiMessage } from '#core/midi'

/** A message as players write it: PC 11, CC 32 2. Numbers are those sent. */
export function messageText(message: MidiMessage): string {
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
      return `Bend ${message.bend - 8192}`
    case 'exclusive':
      return `SysEx ${message.data.length + 2} bytes`
    case 'timeCode':
      return `Time code ${message.value}`
    case 'songPosition':
      return `Song position ${message.beats}`
    case 'songSelect':
      return `Song select ${message.song}`
    case 'tuneRequest':
      return 'Tune request'
    case 'clock':
      return 'Clock'
    case 'start':
      return 'Clock start'
    case 'continue':
      return 'Clock continue'
    case 'stop':
      return 'Clock stop'
    case 'activeSensing':
      return 'Active sensing'
    case 'reset':
      return 'System reset'
  }
}

/** "ch 4"; "all" for a message of no channel. */
export const channelText = (message: MidiMessage): string =>
  'channel' in message ? `ch ${message.channel}` : 'all'

export type WireTone = 'program' | 'control' | 'clock' | 'exclusive'

/** Which of the wire's colours a message has; the text always says it too. */
export function messageTone({ kind }: MidiMessage): WireTone {
  if (kind === 'program' || kind === 'exclusive') return kind
  return kind === 'clock' || kind === 'start' || kind === 'continue' || kind === 'stop' ? 'clock' : 'control'
}

export const bytesText = (bytes: Uint8Array): string =>
  Array.from(bytes, (byte) => byte.toString(16).toUpperCase().padStart(2, '0')).join(' ')

/** Microseconds as milliseconds with two decimals: "2.88 ms". */
export const millisecondsText = (microseconds: number): string => `${fixedText(microseconds / 1000, 2)} ms`
