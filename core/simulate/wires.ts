import { MICROSECONDS_PER_BYTE } from '#core/midi'
import { own } from '#core/base'
import type { Wire } from './floor'
import { over } from './over'
import type { Message } from './plan'

type OpenWire = { -readonly [Field in keyof Wire]: Wire[Field] }

const FREE_WIRE: Wire = { freeAt: 0, list: -1, status: 0 }

/** A message as it goes out: its bytes, without the status byte where running status says it, and its times in µs. */
interface GoingOut {
  readonly bytes: Uint8Array
  readonly start: number
  readonly end: number
}

/** The wires of all outputs, one message behind the other on each; changed in place. */
export class Wires {
  readonly #before: { readonly [lane: string]: Wire }
  /** Those that something was put on. */
  readonly #ours = new Map<string, OpenWire>()

  constructor(before: { readonly [lane: string]: Wire }) {
    this.#before = before
  }

  /** As they are now, by output. */
  now(): { readonly [lane: string]: Wire } {
    return over(this.#before, this.#ours)
  }

  /**
   * Puts a message on its wire behind what is there, from `from` on at the earliest, in µs. Running status only within one list,
   * and where the controller uses it (M1 v4.2.1, "Running Status"; from memory).
   */
  put(op: Message, from: number, list: number): GoingOut {
    const wire = this.#wireOf(op.lane)
    const status = op.bytes[0]!
    const isShort = op.isTerse && wire.list === list && wire.status === status && status < 0xf0
    const bytes = isShort ? op.bytes.subarray(1) : op.bytes
    const start = Math.max(from, wire.freeAt)
    const end = start + bytes.length * MICROSECONDS_PER_BYTE
    wire.freeAt = end
    // Real-time bytes leave running status alone; all other system messages end it.
    if (status < 0xf8) {
      wire.list = list
      wire.status = status < 0xf0 ? status : 0
    }
    return { bytes, start, end }
  }

  /** The wire of an output, ours to change. */
  #wireOf(lane: string): OpenWire {
    let wire = this.#ours.get(lane)
    if (!wire) this.#ours.set(lane, (wire = { ...(own(this.#before, lane) ?? FREE_WIRE) }))
    return wire
  }
}
