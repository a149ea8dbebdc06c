import type { U7 } from '#core/base'
import type { MidiMessage, RealTimeMessage } from './message'
import { messageOf } from './messageOf'
import { dataLength, REAL_TIME_STATUS, SYSTEM_STATUS } from './status'

/** What a stream held that was no message. `at` counts bytes from the first byte ever pushed. */
export interface Garbage {
  readonly reason:
    /** A data byte with no status before it. */
    | 'strayData'
    /** A message cut short by another status byte, or by the end of the stream. */
    | 'truncated'
    /** F4, F5, F9, FD: the standard gives them no meaning. */
    | 'undefinedStatus'
    /** F7 with no exclusive before it. */
    | 'strayEnd'
    /** An exclusive message beyond the parser's limit. */
    | 'tooLong'
  readonly at: number
}

export interface MidiParserOptions {
  readonly onMessage: (message: MidiMessage) => void
  readonly onGarbage?: (garbage: Garbage) => void
  /** The longest exclusive message kept, in data bytes. Longer ones are dropped whole. */
  readonly exclusiveLimit?: number
}

const REAL_TIME: readonly (RealTimeMessage | null)[] = (() => {
  const table: (RealTimeMessage | null)[] = Array.from({ length: 8 }, () => null)
  for (const [kind, status] of Object.entries(REAL_TIME_STATUS))
    table[status - REAL_TIME_STATUS.clock] = { kind: kind as RealTimeMessage['kind'] }
  return table
})()

/**
 * Reads messages out of a byte stream cut anywhere: real-time bytes inside other messages, running
 * status, truncated messages and garbage (M1 v4.2.1, "Running Status" and "Real Time Messages").
 * It never throws on input: what is no message is reported and passed over. A class because it is
 * the hot path of everything that listens.
 */
export class MidiParser {
  readonly #onMessage: (message: MidiMessage) => void
  readonly #onGarbage: (garbage: Garbage) => void
  readonly #exclusiveLimit: number
  /** The status data bytes belong to; 0 when there is none. */
  #status = 0
  #needed = 0
  #first = 0
  #held = 0
  /** Null outside an exclusive message. */
  #exclusive: U7[] | null = null
  #overflow = false
  #position = 0

  constructor({ onMessage, onGarbage = () => {}, exclusiveLimit = 65536 }: MidiParserOptions) {
    this.#onMessage = onMessage
    this.#onGarbage = onGarbage
    this.#exclusiveLimit = exclusiveLimit
  }

  push(bytes: ArrayLike<number>): void {
    for (let n = 0; n < bytes.length; n++) {
      const byte = bytes[n]!
      if (byte < 0x80) this.#data(byte)
      else if (byte >= REAL_TIME_STATUS.clock) this.#realTime(byte)
      else this.#newStatus(byte)
      this.#position++
    }
  }

  /** Tells the parser that nothing more will come: a message begun is reported as truncated. */
  end(): void {
    this.#abandon()
    this.#status = 0
  }

  #realTime(byte: number): void {
    const message = REAL_TIME[byte - REAL_TIME_STATUS.clock]
    if (message) this.#onMessage(message)
    else this.#garbage('undefinedStatus')
  }

  #newStatus(byte: number): void {
    if (byte === SYSTEM_STATUS.endOfExclusive) {
      this.#endOfExclusive()
      return
    }
    this.#abandon()
    this.#status = 0
    if (byte === SYSTEM_STATUS.exclusive) {
      this.#exclusive = []
      this.#overflow = false
      return
    }
    const needed = dataLength(byte)
    if (needed < 0) {
      this.#garbage('undefinedStatus')
      return
    }
    if (needed === 0) {
      this.#onMessage({ kind: 'tuneRequest' })
      return
    }
    this.#status = byte
    this.#needed = needed
  }

  #data(byte: number): void {
    if (this.#exclusive) {
      if (this.#exclusive.length < this.#exclusiveLimit) this.#exclusive.push(byte as U7)
      else this.#overflow = true
      return
    }
    if (this.#status === 0) {
      this.#garbage('strayData')
      return
    }
    if (this.#needed === 2 && this.#held === 0) {
      this.#first = byte
      this.#held = 1
      return
    }
    this.#onMessage(
      this.#needed === 1 ? messageOf(this.#status, byte, 0) : messageOf(this.#status, this.#first, byte),
    )
    this.#held = 0
    // System common messages have no running status.
    if (this.#status >= SYSTEM_STATUS.exclusive) this.#status = 0
  }

  #endOfExclusive(): void {
    if (this.#exclusive === null) {
      this.#abandon()
      this.#status = 0
      this.#garbage('strayEnd')
      return
    }
    const data = this.#exclusive
    this.#exclusive = null
    if (this.#overflow) this.#garbage('tooLong')
    else this.#onMessage({ kind: 'exclusive', data })
  }

  #abandon(): void {
    if (
      this.#exclusive !== null ||
      this.#held > 0 ||
      (this.#status >= SYSTEM_STATUS.exclusive && this.#needed > 0)
    )
      this.#garbage('truncated')
    this.#exclusive = null
    this.#held = 0
  }

  #garbage(reason: Garbage['reason']): void {
    this.#onGarbage({ reason, at: this.#position })
  }
}

/** Reads a whole byte run at once. Inverse of `encodeMessages`, with and without running status. */
export function parseMessages(bytes: ArrayLike<number>): { messages: MidiMessage[]; garbage: Garbage[] } {
  const messages: MidiMessage[] = []
  const garbage: Garbage[] = []
  const parser = new MidiParser({
    onMessage: (message) => messages.push(message),
    onGarbage: (one) => garbage.push(one),
  })
  parser.push(bytes)
  parser.end()
  return { messages, garbage }
}
