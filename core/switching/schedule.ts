import { encodeMessage } from '../midi/encode'
import { wireTime } from '../midi/wireTime'
import type { CompiledMessage } from './compile'

/** A message with its bytes and the µs at which they begin and end on the wire. */
export interface TimedMessage extends CompiledMessage {
  readonly bytes: Uint8Array
  readonly start: number
  readonly end: number
}

/** Puts messages on the wire one behind the other, the first at `from` µs, each with its status byte. */
export function schedule(messages: readonly CompiledMessage[], from = 0): TimedMessage[] {
  let free = from
  // Written out: spreading one object into another is ten times slower here, and this runs at every press.
  return messages.map(({ message, deviceId, action }) => {
    const bytes = encodeMessage(message)
    const start = free
    free += wireTime(bytes.length)
    return { message, deviceId, action, bytes, start, end: free }
  })
}
