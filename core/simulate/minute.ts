import { own } from '#core/base'
import { type Rig, deafFor } from '#core/rig'
import type { ContactDone, FloorState, Gesture, Powered, StepResult, Wait, WireEntry } from './floor'

/** A device that lost what came to it while it loaded, from and to in µs. */
export interface Deaf {
  readonly deviceId: string
  readonly from: number
  readonly to: number
}

/** What is kept, in µs: the last minute. */
export const KEPT = 60_000_000
/** Of each kind no more than this is kept: two outputs that never rest send so much in a minute. */
const KEPT_MAX = 120_000

/** The newest of something, in the order it came. Forgetting costs nothing to speak of, however much there was. */
class Recent<One> {
  #all: One[] = []
  #from = 0
  readonly #at: (one: One) => number

  constructor(at: (one: One) => number) {
    this.#at = at
  }

  push(one: One): void {
    this.#all.push(one)
  }

  forgetBefore(moment: number): void {
    const least = this.#all.length - KEPT_MAX
    while (this.#from < this.#all.length && (this.#from < least || this.#at(this.#all[this.#from]!) < moment))
      this.#from++
    if (this.#from > 1024 && this.#from * 2 > this.#all.length) {
      this.#all = this.#all.slice(this.#from)
      this.#from = 0
    }
  }

  get length(): number {
    return this.#all.length - this.#from
  }

  /** The newest `most` of them, the oldest first. */
  last(most = Infinity): readonly One[] {
    return this.#all.slice(Math.max(this.#from, this.#all.length - most))
  }

  /** Those of a stretch of time, both ends included; looked for by halves, since they came in order. */
  between(from: number, to: number): readonly One[] {
    return this.#all.slice(this.#firstFrom(from), this.#firstFrom(to + 1))
  }

  #firstFrom(moment: number): number {
    let [low, high] = [this.#from, this.#all.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.#at(this.#all[middle]!) < moment) low = middle + 1
      else high = middle
    }
    return low
  }
}

/** All that happened on a floor in the last minute, for looking back at. Its memory has an end, the floor's time has none. */
export class FloorMinute {
  readonly wire = new Recent<WireEntry>(({ end }) => end)
  readonly deaf = new Recent<Deaf>(({ from }) => from)
  readonly waits = new Recent<Wait>(({ from }) => from)
  readonly contacts = new Recent<ContactDone>(({ at }) => at)
  readonly gestures = new Recent<Gesture>(({ at }) => at)
  readonly powered = new Recent<Powered>(({ at }) => at)
  readonly taps = new Recent<number>((at) => at)
  #lastTap = -1
  #newest = 0

  /** When the newest of it was done, in µs. */
  get newest(): number {
    return this.#newest
  }

  note(rig: Rig, { state, wire, waits, contacts, gestures, powered }: StepResult): void {
    for (const entry of wire) {
      this.wire.push(entry)
      if (entry.message.kind === 'program') this.#noteDeaf(rig, entry)
    }
    for (const one of waits) this.waits.push(one)
    for (const one of contacts) this.contacts.push(one)
    for (const one of gestures) this.gestures.push(one)
    for (const one of powered) this.powered.push(one)
    this.#newest = Math.max(
      this.#newest,
      wire.at(-1)?.end ?? 0,
      gestures.at(-1)?.at ?? 0,
      contacts.at(-1)?.at ?? 0,
      powered.at(-1)?.at ?? 0,
      waits.at(-1)?.from ?? 0,
    )
    this.#noteTaps(state)
    this.#forget(state.at - KEPT)
  }

  #noteDeaf(rig: Rig, { heardBy, end }: WireEntry): void {
    for (const deviceId of heardBy) {
      const device = own(rig.devices, deviceId)
      const deaf = device ? deafFor(device) : 0
      if (deaf > 0) this.deaf.push({ deviceId, from: end, to: end + deaf })
    }
  }

  #noteTaps({ known: { taps } }: FloorState): void {
    for (const at of taps) if (at > this.#lastTap) this.taps.push((this.#lastTap = at))
  }

  #forget(moment: number): void {
    const { wire, deaf, waits, contacts, gestures, powered, taps } = this
    for (const one of [wire, deaf, waits, contacts, gestures, powered, taps]) one.forgetBefore(moment)
  }
}
