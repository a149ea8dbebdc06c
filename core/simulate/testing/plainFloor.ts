import { own } from '../../base/own'
import type { Rig } from '../../rig/rig'
import { FEATURES } from '../../rig/testing/features'
import type { Action } from '../../rig/table/action'
import type { Controller } from '../../rig/table/controller'
import { plainTempo } from '../../tempo/testing/plainTaps'
import type { Footswitch } from '../../rig/table/switch'

/** What it knows, as the features of test rigs are called; whatever is not named here it does not. */
const KNOWN: ReadonlySet<string> = new Set<string>([
  ...([
    'recallPreset',
    'setControl',
    'alternateControl',
    'stepControl',
    'sweepControl',
    'wait',
    'travel',
    'layer',
    'showStep',
    'tempo',
    'tap',
    'macro',
  ] satisfies Action['kind'][]),
  'the shift layer',
  'several positions',
  'a release',
  'a long press',
  'a double press',
  'a list for coming to a bank',
  'a list for leaving a bank',
  'a macro that waits',
  'bypass: none',
  'deaf and losing',
  'deaf and keeping',
  'not deaf',
  'reading: range',
  'reading: switch',
  'reading: toggle',
  'reading: trigger',
])

/** What of a rig this floor does not know: of such a rig it has nothing to say. */
export const unknownToPlain = (rig: Rig): readonly string[] =>
  Object.entries(FEATURES).flatMap(([name, has]) => (!KNOWN.has(name) && has(rig) ? [name] : []))

/** The features it knows. */
export const knownToPlain: readonly string[] = [...KNOWN]

/**
 * The floor once more, for tests: written plainly, 40 µs at a time, and on its own. It shares no code with the
 * simulator: neither how actions become messages, nor queue, gestures, wires or devices. It knows controllers with one
 * receiver a channel, plain program numbers, CCs, and what {@link KNOWN} names.
 */
export const TICK = 40
const BYTE = 320

interface Sent {
  readonly lane: string
  readonly bytes: readonly number[]
  /** The message before it in its list: it does not begin before that is out. */
  readonly after: Sent | null
  readonly whole: readonly number[]
  end: number | null
  start: number | null
}

interface Timer {
  /** Null while it is not known yet: it waits for a message to be out, and `then` counts from there. */
  at: number | null
  readonly waitsFor: Sent | null
  readonly then: number
  readonly run: (now: number) => void
}

interface Lane {
  readonly queue: Sent[]
  busy: Sent | null
  lastList: number
  lastStatus: number
}

interface List {
  readonly id: number
  readonly by: Footswitch | null
  readonly todo: Action[]
  last: Sent | null
  travels: number
}

interface PlainFoot {
  isDown: boolean
  stamp: number
  didFire: boolean
  isDouble: boolean
  mayBeDouble: boolean
}

export interface PlainDevice {
  preset: number | null
  values: Map<string, number>
  fired: Map<string, number>
  deafUntil: number
}

export class PlainFloor {
  readonly rig: Rig
  readonly controller: Controller
  bank: string
  layer: 'base' | 'shift' = 'base'
  heldBy: string | null = null
  visited: string[] = []
  next = new Map<string, number>()
  presets = new Map<string, number>()
  values = new Map<string, number>()
  tempo: number | null = null
  /** The part of the show it stands at, counted over all of them; -1 before the first. */
  part = -1
  song: string | null = null
  taps: number[] = []
  sweeps = new Map<string, number>()
  devices = new Map<string, PlainDevice>()
  /** Everything that has arrived: its bytes, when it began and ended. */
  readonly arrived: { start: number; end: number; bytes: readonly number[]; lostBy: string[] }[] = []
  /** Goes up whenever anything changes. */
  version = 0

  /** Where the one pedal of a rig went, move by move; steps on its toe switch that turned it over. */
  readonly pedalMoves: { readonly at: number; readonly to: number }[] = []
  pedalRole: number | null = null
  isPedalOff = false
  /** What each target of the live role came to, and whether that was sent. */
  #led: ({ value: number; wasSent: boolean } | null)[] = []
  #pedalSentAt = -Infinity
  #isPedalDue = false

  #timers: Timer[] = []
  #lanes = new Map<string, Lane>()
  #feet = new Map<string, PlainFoot>()
  #count = 0
  #now = 0
  readonly #laneOf: (deviceId: string) => string

  constructor(rig: Rig, laneOf: (deviceId: string) => string) {
    this.rig = rig
    this.controller = Object.values(rig.controllers)[0]!
    this.bank = this.controller.home ?? Object.values(rig.banks).sort((a, b) => a.index - b.index)[0]!.id
    this.#laneOf = laneOf
    for (const { id } of Object.values(rig.devices))
      this.devices.set(id, { preset: null, values: new Map(), fired: new Map(), deafUntil: 0 })
  }

  /** Whether anything is under way before a time. */
  isBusyBefore(time: number): boolean {
    for (const lane of this.#lanes.values()) if (lane.busy || lane.queue.length > 0) return true
    return this.#timers.some(({ at }) => at === null || at < time)
  }

  /** One moment: what ends now has arrived, what is due happens in the order it was asked for. */
  tick(now: number): void {
    this.#now = now
    this.#wires(now)
    // What happens may ask for more at this very moment.
    for (let n = 0; n < this.#timers.length; n++) {
      const timer = this.#timers[n]!
      if (timer.at === null || timer.at > now) continue
      this.#timers.splice(n--, 1)
      this.version++
      timer.run(now)
    }
    this.#wires(now)
  }

  #wires(now: number): void {
    for (let isMoving = true; isMoving;) {
      isMoving = false
      for (const lane of this.#lanes.values()) {
        if (lane.busy && lane.busy.end! <= now) {
          const sent = lane.busy
          lane.busy = null
          isMoving = true
          this.#arrive(sent)
        }
        const head = lane.queue[0]
        if (lane.busy || !head) continue
        const isFree = head.after === null || (head.after.end !== null && head.after.end <= now)
        if (!isFree) continue
        lane.queue.shift()
        head.start = now
        head.end = now + head.bytes.length * BYTE
        lane.busy = head
        isMoving = true
      }
    }
  }

  #arrive(sent: Sent): void {
    this.version++
    for (const timer of this.#timers)
      if (timer.at === null && timer.waitsFor === sent) timer.at = sent.end! + timer.then
    const lostBy: string[] = []
    const [status = 0, first = 0, second = 0] = sent.whole
    for (const device of Object.values(this.rig.devices)) {
      if (device.channel !== (status & 15) + 1 || this.#laneOf(device.id) !== sent.lane) continue
      const state = this.devices.get(device.id)!
      if (status >> 4 === 0xc) {
        if (first < device.numbering.count) {
          state.preset = first
          const row = Object.values(this.rig.presets).find(
            ({ deviceId, index }) => deviceId === device.id && index === first,
          )
          for (const { controlId, value } of row?.recalls ?? []) state.values.set(controlId, value)
        }
        if (device.whileDeaf === 'loses') state.deafUntil = sent.end! + device.deafMs * 1000
      }
      if (status >> 4 !== 0xb) continue
      if (device.whileDeaf === 'loses' && sent.start! < state.deafUntil) {
        lostBy.push(device.id)
        continue
      }
      const control = Object.values(this.rig.controls).find(
        ({ deviceId, address }) =>
          deviceId === device.id && address.kind === 'cc' && address.number === first,
      )
      if (!control) continue
      const before = state.values.get(control.id) ?? 0
      const { reading } = control
      if (reading.kind === 'toggle') {
        const turns = reading.at === undefined || second === reading.value
        state.values.set(control.id, turns ? (before > 0 ? 0 : 127) : before)
      } else if (reading.kind === 'trigger' && second === reading.value)
        state.fired.set(control.id, (state.fired.get(control.id) ?? 0) + 1)
      else state.values.set(control.id, second)
    }
    this.arrived.push({ start: sent.start!, end: sent.end!, bytes: sent.bytes, lostBy })
  }

  down(footswitch: Footswitch): void {
    this.version++
    const foot = this.#feet.get(footswitch.id)
    if (foot?.isDown) return
    if (foot?.mayBeDouble) {
      foot.isDown = true
      foot.mayBeDouble = false
      foot.isDouble = true
      foot.didFire = true
      foot.stamp = ++this.#count
      this.#fire(footswitch, footswitch.doublePress)
      return
    }
    const knows = this.controller.events
    const canDouble = footswitch.doublePress.length > 0 && knows.includes('doublePress')
    const canLong = footswitch.longPress.length > 0 && knows.includes('longPress')
    const begun: PlainFoot = {
      isDown: true,
      stamp: ++this.#count,
      didFire: false,
      isDouble: false,
      mayBeDouble: canDouble,
    }
    this.#feet.set(footswitch.id, begun)
    const { stamp } = begun
    const isStill = () => this.#feet.get(footswitch.id)?.stamp === stamp
    if (canDouble)
      this.#after(this.controller.doubleMs * 1000, () => {
        if (!isStill() || !begun.mayBeDouble) return
        begun.mayBeDouble = false
        // While the foot is down it may still become a long press.
        if (begun.isDown && canLong && this.controller.pressWithLong === 'release') return
        begun.didFire = true
        if (!begun.isDown) this.#feet.delete(footswitch.id)
        this.#press(footswitch)
        if (!begun.isDown) this.#fireRelease(footswitch)
      })
    if (canLong)
      this.#after(this.controller.longMs * 1000, () => {
        if (!isStill() || !begun.isDown) return
        begun.mayBeDouble = false
        begun.didFire = true
        this.#fire(footswitch, footswitch.longPress)
      })
    if (!canDouble && (!canLong || this.controller.pressWithLong === 'press')) {
      begun.didFire = true
      this.#press(footswitch)
    }
  }

  up(footswitch: Footswitch): void {
    this.version++
    const foot = this.#feet.get(footswitch.id)
    if (!foot?.isDown) return
    foot.isDown = false
    if (foot.didFire || !foot.mayBeDouble) {
      this.#feet.delete(footswitch.id)
      if (!foot.didFire) this.#press(footswitch)
      this.#fireRelease(footswitch)
    }
    this.#giveLayerBack(footswitch)
  }

  /** The foot leads the rig's one pedal to a step. */
  pedalTo(to: number): void {
    this.version++
    this.pedalMoves.push({ at: this.#now, to })
    this.#restOrMove()
    this.#lead()
  }

  /** Whether the pedal rested up to now, as its automatic bypass sees it, and since when: all its moves gone through. */
  #restsSince(): number | null {
    const { off, calibration } = Object.values(this.rig.pedals)[0]!
    if (!off) return null
    const wavers = calibration?.noise ?? 1
    const reach = Math.round((off.zone * 127) / 100)
    let since: number | null = null
    let stoodAt = Number.NaN
    for (const { at, to } of this.pedalMoves)
      if (off.kind === 'still') {
        if (Math.abs(to - stoodAt) <= wavers) continue
        since = at
        stoodAt = to
      } else {
        const away = off.kind === 'heel' ? to : 127 - to
        if (since === null && away <= reach) since = at
        else if (since !== null && away > reach + wavers) since = null
      }
    return since
  }

  #lastRest: number | null = null
  #restOrMove(): void {
    const { off } = Object.values(this.rig.pedals)[0]!
    const since = this.#restsSince()
    if (!off || (since === this.#lastRest && !(since === this.#now && this.isPedalOff))) return
    this.#lastRest = since
    const wasOff = this.isPedalOff
    this.isPedalOff = false
    if (since !== null)
      this.#after(off.delayMs * 1000, () => {
        if (this.#lastRest !== since || this.isPedalOff) return
        this.isPedalOff = true
        this.#work(true)
      })
    if (wasOff) this.#work(false)
  }

  #work(isOff: boolean): void {
    const works = Object.values(this.rig.pedals)[0]!.off!.works
    if (works.kind === 'switch') this.#press(own(this.rig.switches, works.switchId)!)
    else {
      const list: List = { id: ++this.#count, by: null, todo: [], last: null, travels: 0 }
      this.#setControl(list, works.controlId, isOff ? works.off : works.on)
    }
  }

  /** The role whose time it is: the first. */
  #whichRole(): number | null {
    const { roles } = Object.values(this.rig.pedals)[0]!
    const n = roles.findIndex(({ when }) => {
      if (when.kind === 'always') return true
      if (when.kind === 'layer') return this.layer === 'shift'
      if (when.kind === 'banks') return when.bankIds.includes(this.bank as never)
      if (when.kind === 'held') return this.#feet.get(when.switchId)?.isDown === true
      const reading = own(this.rig.controls, when.controlId)!.reading
      const last = this.values.get(when.controlId) ?? 0
      return (reading.kind === 'switch' ? last > 63 : last > 0) === (when.is === 'on')
    })
    return n < 0 ? null : n
  }

  #lead(): void {
    const pedal = Object.values(this.rig.pedals)[0]!
    const next = this.#pedalSentAt + pedal.everyMs * 1000
    if (this.#now < next) {
      if (this.#isPedalDue) return
      this.#isPedalDue = true
      this.#timers.push({
        at: next,
        waitsFor: null,
        then: 0,
        run: () => {
          this.#isPedalDue = false
          this.#lead()
        },
      })
      return
    }
    const role = this.#whichRole()
    const targets = role === null ? [] : pedal.roles[role]!.targets
    if (role !== this.pedalRole) this.#led = targets.map(() => null)
    this.pedalRole = role
    const list: List = { id: ++this.#count, by: null, todo: [], last: null, travels: 0 }
    const set: [string, number][] = []
    targets.forEach(({ controlId, sends, from, to }, n) => {
      const percent = (this.pedalMoves.at(-1)!.to * 100) / 127
      const way = percent <= from ? 0 : percent >= to ? 1 : (percent - from) / (to - from)
      const value = Math.round(sends.heel + way * (sends.toe - sends.heel))
      const before = this.#led[n] ?? null
      if (before?.value === value) return
      const there = this.values.get(controlId)
      if (pedal.takeover === 'catches' && !before?.wasSent && there !== undefined) {
        const passed = before !== null && (before.value - there) * (value - there) < 0
        const isUpTo = before !== null && value === there
        if (Math.abs(value - there) > 1 && !passed && !isUpTo) {
          this.#led[n] = { value, wasSent: false }
          return
        }
      }
      this.#led[n] = { value, wasSent: true }
      this.sweeps.delete(controlId)
      this.#send(list, own(this.rig.controls, controlId)!.deviceId, [0xb0, this.#number(controlId), value])
      set.push([controlId, value])
      this.#pedalSentAt = this.#now
    })
    for (const [controlId, value] of set) this.values.set(controlId, value)
  }

  /** The only show, part by part; a song that comes twice is two. */
  #showParts(): { readonly song: { readonly id: string; readonly bpm: number | null } }[] {
    if (this.#parts === null) {
      this.#parts = []
      for (const id of Object.values(this.rig.shows)[0]?.songIds ?? []) {
        const row = own(this.rig.songs, id)!
        const song = { id: row.id, bpm: row.tempo }
        for (const part of Object.values(this.rig.parts).sort((a, b) => a.order - b.order))
          if (part.songId === id && !part.tonight?.isOut) this.#parts.push({ song })
      }
    }
    return this.#parts
  }
  #parts: { readonly song: { readonly id: string; readonly bpm: number | null } }[] | null = null

  /** Walked to, part by part; -1 where the show ends before. */
  #partFrom(to: string, songId: string | null): number {
    const all = this.#showParts()
    const isFirst = (n: number) => n === 0 || all[n]!.song !== all[n - 1]!.song
    if (to === 'nextPart') return this.part + 1 < all.length ? this.part + 1 : -1
    if (to === 'previousPart') return this.part - 1
    if (to === 'nextSong') {
      for (let n = this.part + 1; n < all.length; n++) if (isFirst(n)) return n
      return -1
    }
    let first = this.part
    while (first > 0 && !isFirst(first)) first--
    if (to === 'previousSong') {
      for (let n = first - 1; n >= 0; n--) if (isFirst(n)) return n
      return -1
    }
    for (let n = Math.max(0, first); n < all.length; n++)
      if (isFirst(n) && all[n]!.song.id === songId) return n
    for (let n = 0; n < first; n++) if (isFirst(n) && all[n]!.song.id === songId) return n
    return -1
  }

  #giveLayerBack(footswitch: Footswitch): void {
    if (this.heldBy !== footswitch.id) return
    this.heldBy = null
    this.layer = 'base'
  }

  #fireRelease(footswitch: Footswitch): void {
    if (footswitch.release.length > 0 && this.controller.events.includes('release'))
      this.#start(footswitch.release, footswitch)
  }

  #press(footswitch: Footswitch): void {
    const many = footswitch.positions.length
    const position = (this.next.get(footswitch.id) ?? 0) % many
    if (many > 1) this.next.set(footswitch.id, (position + 1) % many)
    this.#fire(footswitch, footswitch.positions[position]!)
  }

  #fire(footswitch: Footswitch, actions: readonly Action[]): void {
    this.#start(actions, footswitch)
    if (!this.#feet.get(footswitch.id)?.isDown) this.#giveLayerBack(footswitch)
  }

  #start(actions: readonly Action[], by: Footswitch | null): void {
    if (actions.length > 0) this.#go({ id: ++this.#count, by, todo: [...actions], last: null, travels: 0 })
  }

  #after(microseconds: number, run: () => void): void {
    this.#timers.push({ at: this.#now + microseconds, waitsFor: null, then: 0, run })
  }

  #go(list: List): void {
    this.version++
    for (let action = list.todo.shift(); action; action = list.todo.shift()) {
      if (action.kind === 'wait') {
        const microseconds = action.ms * 1000
        const out = list.last
        const run = () => {
          list.last = null
          this.#go(list)
        }
        const isOut = out === null || (out.end !== null && out.end <= this.#now)
        this.#timers.push(
          isOut
            ? { at: this.#now + microseconds, waitsFor: null, then: 0, run }
            : { at: null, waitsFor: out, then: microseconds, run },
        )
        return
      }
      this.act(list, action)
    }
  }

  /** One action but a wait. */
  act(list: List, action: Action): void {
    switch (action.kind) {
      case 'recallPreset': {
        const { deviceId, index } = own(this.rig.presets, action.presetId)!
        this.presets.set(deviceId, index)
        this.#send(list, deviceId, [0xc0, index])
        return
      }
      case 'setControl':
        this.#setControl(list, action.controlId, action.value)
        return
      case 'alternateControl':
        this.#setControl(
          list,
          action.controlId,
          this.values.get(action.controlId) === action.a ? action.b : action.a,
        )
        return
      case 'stepControl': {
        const now = this.values.get(action.controlId)
        const [least, most] = [Math.min(action.from, action.to), Math.max(action.from, action.to)]
        let to = now === undefined ? action.from : now + action.by
        if (now !== undefined && (to < least || to > most)) {
          const isUp = action.by > 0
          if (action.atEnd === 'wrap') to = isUp ? least : most
          else if (now === (isUp ? most : least)) return
          else to = isUp ? most : least
        }
        this.#setControl(list, action.controlId, to)
        return
      }
      case 'sweepControl':
        this.#sweep(list, action)
        return
      case 'travel': {
        const banks = Object.values(this.rig.banks).sort((a, b) => a.index - b.index)
        const here = banks.findIndex(({ id }) => id === this.bank)
        const to =
          action.to === 'bank'
            ? action.bankId!
            : action.to === 'home'
              ? (this.controller.home ?? banks[0]!.id)
              : action.to === 'back'
                ? this.visited.at(-1)
                : banks.at((here + (action.to === 'next' ? 1 : -1)) % banks.length)!.id
        if (to === undefined || to === this.bank || list.travels >= 8) return
        this.visited =
          action.to === 'back' ? this.visited.slice(0, -1) : [...this.visited, this.bank].slice(-16)
        const left = this.bank
        this.bank = to
        list.travels++
        list.todo.unshift(...own(this.rig.banks, left)!.leave, ...own(this.rig.banks, to)!.enter)
        return
      }
      case 'layer':
        this.layer =
          action.does === 'change'
            ? this.layer === 'base'
              ? 'shift'
              : 'base'
            : action.does === 'base'
              ? 'base'
              : 'shift'
        this.heldBy = action.does === 'hold' ? (list.by?.id ?? null) : null
        return
      case 'showStep': {
        const to = this.#partFrom(action.to, action.songId)
        if (to < 0) return
        const song = this.#showParts()[to]!.song
        const isAnother =
          this.song !== song.id || (this.part >= 0 && this.#showParts()[this.part]!.song !== song)
        this.part = to
        this.song = song.id
        if (isAnother && song.bpm !== null) {
          this.tempo = song.bpm
          this.taps = []
        }
        return
      }
      case 'tempo': {
        const wanted = action.does === 'set' ? action.bpm : (this.tempo ?? 120) + action.bpm
        this.tempo = Math.min(400, Math.max(20, Math.round(wanted * 10) / 10))
        this.taps = []
        return
      }
      case 'tap': {
        const last = this.taps.at(-1)
        const forgets = this.controller.tapForgetsMs * 1000
        if (last !== undefined && (this.#now - last > forgets || this.#now <= last)) this.taps = []
        this.taps = [...this.taps, this.#now].slice(-9)
        this.tempo = plainTempo(this.taps) ?? this.tempo
        return
      }
      case 'macro':
        list.todo.unshift(...own(this.rig.macros, action.macroId)!.actions)
        return
      default:
        throw new Error(`The plain floor knows no ${action.kind}: ask unknownToPlain before`)
    }
  }

  #setControl(list: List, controlId: string, value: number): void {
    this.sweeps.delete(controlId)
    const control = own(this.rig.controls, controlId)!
    this.#send(list, control.deviceId, [0xb0, this.#number(controlId), value])
    this.values.set(controlId, value)
  }

  #number(controlId: string): number {
    const { address } = own(this.rig.controls, controlId)!
    return address.kind === 'cc' ? address.number : 0
  }

  #sweep(list: List, { controlId, from, to, ms, curve }: Extract<Action, { kind: 'sweepControl' }>): void {
    if (this.sweeps.has(controlId)) {
      this.sweeps.delete(controlId)
      return
    }
    const { reading } = own(this.rig.controls, controlId)!
    const [low, high] = reading.kind === 'range' ? [reading.from, reading.to] : [0, 127]
    const start =
      from ?? this.values.get(controlId) ?? (Math.abs(to - low) < Math.abs(to - high) ? high : low)
    const steps = Math.max(1, Math.min(Math.floor(ms / 20), Math.abs(to - start)))
    const way = (x: number) =>
      curve === 'straight'
        ? x
        : curve === 'slowStart'
          ? x ** 2
          : curve === 'slowEnd'
            ? 1 - (1 - x) ** 2
            : 3 * x ** 2 - 2 * x ** 3
    const values: { at: number; value: number }[] = []
    for (let n = 0; n <= steps; n++) {
      const value = Math.round(start + (to - start) * way(n / steps))
      if (values.at(-1)?.value !== value) values.push({ at: Math.round((n * ms) / steps), value })
    }
    const id = ++this.#count
    this.sweeps.set(controlId, id)
    const beside: List = { id: ++this.#count, by: list.by, todo: [], last: null, travels: 0 }
    const begin = (t0: number) => {
      const goOn = (n: number): void => {
        if (this.sweeps.get(controlId) !== id) return
        const { value } = values[n]!
        // It keeps its own time, and does not wait for what it sent.
        beside.last = null
        this.#send(beside, own(this.rig.controls, controlId)!.deviceId, [
          0xb0,
          this.#number(controlId),
          value,
        ])
        this.values.set(controlId, value)
        this.version++
        const after = values[n + 1]
        if (after)
          this.#timers.push({ at: t0 + after.at * 1000, waitsFor: null, then: 0, run: () => goOn(n + 1) })
        else this.sweeps.delete(controlId)
      }
      goOn(0)
    }
    const out = list.last
    if (out === null || (out.end !== null && out.end <= this.#now)) begin(this.#now)
    else this.#timers.push({ at: null, waitsFor: out, then: 0, run: (now) => begin(now) })
  }

  #send(list: List, deviceId: string, [status = 0, ...data]: readonly number[]): void {
    const device = own(this.rig.devices, deviceId)!
    const whole = [status | ((device.channel as number) - 1), ...data]
    const name = this.#laneOf(deviceId)
    const lane = this.#lanes.get(name) ?? { queue: [], busy: null, lastList: -1, lastStatus: 0 }
    this.#lanes.set(name, lane)
    const isShort = this.controller.runningStatus && lane.lastList === list.id && lane.lastStatus === whole[0]
    lane.lastList = list.id
    lane.lastStatus = whole[0]!
    const sent: Sent = {
      lane: name,
      bytes: isShort ? whole.slice(1) : whole,
      after: list.last,
      whole,
      start: null,
      end: null,
    }
    list.last = sent
    lane.queue.push(sent)
    this.#wires(this.#now)
  }
}
