import type { WireEntry } from '#core/simulate'
import type { MidiOut } from '~/platform/midi'

/** Real messages go out so much later than the floor says, always: then each can be given to the browser before its time, in ms. */
export const LEAD = 20

/** What became of one message on its way to real gear. Times in ms on the page's clock. */
export interface Outgone {
  readonly entry: WireEntry
  readonly port: string
  /** When it should be out; null while it was not known. */
  readonly due: number
  /** How much later than that it was handed over; 0 when it was in time. */
  readonly late: number
  /** Its port was not there: it was not sent. */
  readonly isMissed: boolean
}

/** How evenly messages were handed to the browser. */
export interface Jitter {
  readonly count: number
  /** How many were handed over after their time, and the latest of those, in ms. */
  readonly late: number
  readonly worst: number
}

/**
 * Messages on their way from the simulated wire to real ports: each is handed over once its time is known and near, with
 * that time. Bytes and spaces between are those of the wire; only the whole is later by {@link LEAD}.
 */
export class Outgoing {
  #waiting: WireEntry[] = []
  #jitter: Jitter = { count: 0, late: 0, worst: 0 }

  get jitter(): Jitter {
    return this.#jitter
  }

  get isIdle(): boolean {
    return this.#waiting.length === 0
  }

  put(entries: readonly WireEntry[]): void {
    for (const one of entries) this.#waiting.push(one)
  }

  /** What is not out yet is forgotten: the floor was begun anew. */
  clear(): void {
    this.#waiting = []
    this.#jitter = { count: 0, late: 0, worst: 0 }
  }

  /**
   * Hands over what is due within `ahead` ms. `pageTime` says when on the page's clock the floor comes to a moment, in ms;
   * null for what it will not come to at this speed.
   */
  handOver(
    now: number,
    ahead: number,
    pageTime: (floor: number) => number | null,
    portOf: (lane: string) => { readonly id: string; readonly out: MidiOut | null } | null,
  ): Outgone[] {
    const gone: Outgone[] = []
    const left: WireEntry[] = []
    for (const entry of this.#waiting) {
      const at = pageTime(entry.start)
      if (at === null || at + LEAD > now + ahead) {
        left.push(entry)
        continue
      }
      const port = portOf(entry.lane)
      if (!port) continue
      const due = at + LEAD
      const late = Math.max(0, now - due)
      const isMissed = !hand(port.out, entry.bytes, due)
      if (!isMissed)
        this.#jitter = {
          count: this.#jitter.count + 1,
          late: this.#jitter.late + (late > 0 ? 1 : 0),
          worst: Math.max(this.#jitter.worst, late),
        }
      gone.push({ entry, port: port.id, due, late, isMissed })
    }
    this.#waiting = left
    return gone
  }
}

/** False where the port went away between two looks. */
function hand(out: MidiOut | null, bytes: Uint8Array, at: number): boolean {
  if (!out) return false
  try {
    out.send(bytes, at)
    return true
  } catch (error) {
    if (error instanceof DOMException) return false
    throw error
  }
}

/** So long after it was sent a message that comes in with the same bytes is taken for its echo, in ms. */
const ECHOES_WITHIN = 2000
const REMEMBERED = 2000

/** Knows one's own messages when they come in again. */
export class Echoes {
  readonly #sent: { readonly key: string; readonly at: number }[] = []

  sent(bytes: Uint8Array, at: number): void {
    this.#sent.push({ key: bytes.join(), at })
    if (this.#sent.length > REMEMBERED) this.#sent.splice(0, REMEMBERED / 2)
  }

  /** Whether it is an echo; each message sent has one. */
  isEcho(bytes: Uint8Array, at: number): boolean {
    const key = bytes.join()
    // It comes in a little before its time where clocks differ.
    const n = this.#sent.findIndex(
      (one) => one.key === key && at >= one.at - 50 && at - one.at <= ECHOES_WITHIN,
    )
    if (n >= 0) this.#sent.splice(n, 1)
    return n >= 0
  }
}
