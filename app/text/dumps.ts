import type { DumpCheck, DumpFault, DumpFileFault, MessageDifference } from '#core/dump'
import { count, listText } from '#shared/words/counts'

const byteText = (byte: number): string => byte.toString(16).toUpperCase().padStart(2, '0')

/** Why bytes are no dump, where, and what to do. */
export function dumpFaultText(fault: DumpFault | DumpFileFault): string {
  switch (fault.code) {
    case 'empty':
      return 'There is no SysEx message in it.'
    case 'cut':
      return `Message ${fault.message} is cut short${fault.isNext ? ': another begins before its end' : ': it has no end'} (byte ${fault.at}). Record it again.`
    case 'garbled':
      return `Message ${fault.message} is garbled: byte ${fault.at} is ${byteText(fault.byte)}, which no SysEx message holds. Record it again.`
    case 'loose':
      return `${count(fault.count, 'byte')} from byte ${fault.at} on ${fault.count === 1 ? 'belongs' : 'belong'} to no SysEx message. A piece is missing before, or this is something else.`
    case 'tooLong':
      return 'It is longer than a dump may be: 1 MB, 10,000 messages, 65,536 bytes a message.'
    case 'notAMidiFile':
      return 'It is no MIDI file.'
    case 'timeCodeDivision':
      return 'It counts time in film frames, which is not read here. Save it with ticks per quarter note.'
    case 'endsEarly':
      return `The file is cut short at byte ${fault.at}.`
    case 'badEvent':
      return `The file is garbled at byte ${fault.at}.`
  }
}

export const CHECK_NAME: Record<DumpCheck['check'], string> = {
  repeats: 'Nothing twice in a row',
  length: 'Length of each message',
  checksum: 'Checksum of each message',
  count: 'Number of messages',
  places: 'Every preset once',
}

const which = (messages: readonly number[]): string =>
  messages.length > 6
    ? `messages ${messages.slice(0, 6).join(', ')} and ${messages.length - 6} more`
    : `message${messages.length === 1 ? '' : 's'} ${listText(messages.map(String))}`

/** What a check found. */
export function checkText(check: DumpCheck, of: number): string {
  if (check.state === 'unknown')
    return check.check === 'checksum'
      ? 'not known for this device: a garbled byte would not be noticed'
      : 'not known for this device'
  const isRight = check.state === 'right'
  switch (check.check) {
    case 'repeats':
      return isRight ? 'right' : `${which(check.messages)} the same as the one before`
    case 'length':
      return isRight
        ? `right: ${check.expected} bytes`
        : `${which(check.messages)}: not ${check.expected} bytes`
    case 'checksum':
      return isRight ? `right in ${count(of, 'message')}` : `wrong in ${which(check.messages)}`
    case 'count':
      return isRight ? `right: ${check.expected}` : `${of} of ${check.expected}`
    case 'places': {
      if (isRight) return 'right'
      const parts = [
        ...(check.missing.length > 0 ? [`number ${listText(check.missing.map(String))} missing`] : []),
        ...(check.twice.length > 0 ? [`number ${listText(check.twice.map(String))} twice`] : []),
      ]
      return parts.join('; ') || `${which(check.messages)} of no preset`
    }
  }
}

/** How two messages differ, a line for each byte. */
export function messageDifferenceLines(one: MessageDifference): string[] {
  if (one.kind === 'length')
    return [
      `${one.lengths[0]} bytes before, ${one.lengths[1]} after; the same up to byte ${one.from}${one.end > 1 ? ` and in the last ${one.end}` : ''}`,
    ]
  return one.bytes.map(
    ({ at, before, after, name, isChecksum }) =>
      `${isChecksum ? 'Checksum' : (name ?? `Byte ${at}`)}: ${before} before, ${after} after (${byteText(before)} to ${byteText(after)})`,
  )
}

interface Identity {
  readonly unit: number
  /** The maker's id as hex. */
  readonly maker: string
  readonly version: string
}

/** `F0 7E dd 06 02 mm ff ff nn nn ss ss ss ss F7` (M1 v4.2.1, "Identity Reply"; from memory). */
function identityOf(hex: string): Identity {
  const bytes = hex.split(' ').map((byte) => Number.parseInt(byte, 16))
  // A maker's id of three bytes begins with 00.
  const maker = bytes[5] === 0 ? bytes.slice(5, 8) : bytes.slice(5, 6)
  const rest = bytes.slice(5 + maker.length, -1)
  return { unit: bytes[2] ?? 0, maker: maker.map(byteText).join(' '), version: rest.slice(4).join('.') }
}

/** The software version a device says, as four numbers. */
export const identityVersion = (hex: string): string => identityOf(hex).version

export function identityText(hex: string): string {
  const { unit, maker, version } = identityOf(hex)
  return `Unit ${unit} answers: maker ${maker}${maker === '7D' ? ' (simulated)' : ''}, software ${version}`
}
