import { wireTime } from '#core/midi'
import type { DumpMessage } from '#core/rig'
import { messageBytes } from './exclusives'

/** One message on its way; times in ms from the first byte of all. */
export interface SentBack {
  readonly bytes: Uint8Array
  /** Its first byte is put on the wire then. */
  readonly start: number
  /** Its last byte is out then, at 31,250 baud (M1 v4.2.1, "Hardware"). */
  readonly end: number
}

/**
 * When each message goes out. Each is whole as long after the one before as when it was recorded, or later: never sooner than
 * the wire allows with `pauseMs` between them.
 */
export function sendingBack(messages: readonly DumpMessage[], pauseMs: number): SentBack[] {
  let end = 0
  return messages.map((message, n) => {
    const bytes = messageBytes(message)
    const takes = wireTime(bytes.length) / 1000
    end = n === 0 ? takes : Math.max(end + (message.ms ?? 0), end + pauseMs + takes)
    return { bytes, start: end - takes, end }
  })
}
