import { DeviceRun } from './deviceRun'
import { own } from '#core/base'
import {
  inOrder,
  type Rig,
  type BankId,
  type ControllerId,
  type DeviceId,
  type AutoOff,
  type Pedal,
  type PedalId,
  type Footswitch,
  type SwitchId,
} from '#core/rig'
import { pedalDevice, watchMove, watchToe, type Watch } from '#core/pedal'
import {
  actionSteps,
  type SwitchEvent,
  controlSet,
  learn,
  type Known,
  type Learned,
  songOf,
  tempoNow,
  timingOf,
  type Timing,
} from '#core/switching'
import { clockInterval } from '#core/tempo'
import { chartOf } from './chartIndex'
import type {
  ContactDone,
  Due,
  FloorState,
  Foot,
  Gesture,
  PedalTurn,
  Powered,
  Process,
  StepResult,
  Wait,
  WireEntry,
} from './floor'
import { DueQueue } from './dueQueue'
import { Wires } from './wires'
import { hasCaught, PEDAL_AT_FIRST, type Led, type PedalNow } from './pedalNow'
import { pedalPlan, roleNow, type TargetPlan } from './pedalPlan'
import { withoutThoseOff } from './powerOff'
import { nextPosition, turned } from './turn'
import { bankPlan, eventOps, planActions, planSteps, switchPlan, type Message, type Op } from './plan'

/**
 * The floor while time passes. A class because what is under way is changed in place, thousands of times a second;
 * states go in and come out, and are never changed themselves.
 */
export class FloorRun {
  /** As the cables lead while some devices are off. */
  #rig: Rig
  readonly #whole: Rig
  #at: number
  #known: Known
  readonly #devices: DeviceRun
  readonly #wires: Wires
  readonly #due: DueQueue
  #feet: { readonly [switchId: string]: Foot }
  #latched: { readonly [switchId: string]: boolean }
  #pedals: FloorState['pedals']
  readonly #wire: WireEntry[] = []
  readonly #contacts: ContactDone[] = []
  readonly #gestures: Gesture[] = []
  readonly #sent: WireEntry[] = []
  readonly #waits: Wait[] = []
  readonly #powered: Powered[] = []
  readonly #turns: PedalTurn[] = []

  constructor(rig: Rig, state: FloorState) {
    this.#whole = rig
    this.#rig = withoutThoseOff(rig, state.off)
    this.#at = state.at
    this.#known = state.known
    this.#wires = new Wires(state.wires)
    this.#due = new DueQueue(state.due, state.count)
    this.#devices = new DeviceRun(state, (hold, at) => this.#due.put({ kind: 'hold', at, ...hold }))
    this.#feet = state.feet
    this.#latched = state.latched
    this.#pedals = state.pedals
  }

  get known(): Known {
    return this.#known
  }

  isLatched(switchId: SwitchId): boolean {
    return own(this.#latched, switchId) === true
  }

  latch(switchId: SwitchId, isLatched: boolean): void {
    if (isLatched !== this.isLatched(switchId)) this.#latched = { ...this.#latched, [switchId]: isLatched }
  }

  result(): StepResult {
    return {
      state: {
        at: this.#at,
        known: this.#known,
        devices: this.#devices.now(),
        // What is over need not be remembered, once nothing is on its way that began before.
        deafUntil: this.#devices.deafUntil(this.#due.first ? null : this.#at),
        wires: this.#wires.now(),
        due: this.#due.left(),
        feet: this.#feet,
        off: this.#devices.off,
        latched: this.#latched,
        pedals: this.#pedals,
        count: this.#due.count,
      },
      wire: this.#wire,
      contacts: this.#contacts,
      gestures: this.#gestures,
      sent: this.#sent,
      waits: this.#waits,
      powered: this.#powered,
      turns: this.#turns,
    }
  }

  /** When the next thing but a tick of the clock is due; null when nothing is. */
  nextButTicks(): number | null {
    return this.#due.nextBut('tick')
  }

  /** Does all that is due up to `to`, that moment included. Time never goes back. */
  advance(to: number): void {
    for (let next = this.#due.take(to); next; next = this.#due.take(to)) {
      this.#at = Math.max(this.#at, next.at)
      this.#happen(next, to)
    }
    this.#at = Math.max(this.#at, to)
  }

  footDown(footswitch: Footswitch): void {
    const before = own(this.#feet, footswitch.id)
    if (before?.isDown) return
    if (before?.isWaiting) {
      this.#feet = {
        ...this.#feet,
        [footswitch.id]: { isDown: true, id: this.#due.number(), fired: 'doublePress', isWaiting: false },
      }
      this.#fire(footswitch, 'doublePress')
      return
    }
    const { hasLong, hasDouble, longAfter, doubleWithin, firesOn } = this.#timing(footswitch)
    const foot: Foot = { isDown: true, id: this.#due.number(), fired: null, isWaiting: hasDouble }
    const switchId = footswitch.id
    if (hasDouble) this.#due.put({ kind: 'single', at: this.#at + doubleWithin, switchId, foot: foot.id })
    if (hasLong) this.#due.put({ kind: 'long', at: this.#at + longAfter, switchId, foot: foot.id })
    const isPlain = !hasDouble && (!hasLong || firesOn === 'press')
    this.#feet = { ...this.#feet, [switchId]: isPlain ? { ...foot, fired: 'press' } : foot }
    if (isPlain) this.#fire(footswitch, 'press')
  }

  footUp(footswitch: Footswitch): void {
    const foot = own(this.#feet, footswitch.id)
    if (!foot?.isDown) return
    if (foot.fired === null && foot.isWaiting)
      this.#feet = { ...this.#feet, [footswitch.id]: { ...foot, isDown: false } }
    else {
      this.#lift(footswitch.id)
      if (foot.fired === null) this.#fire(footswitch, 'press')
      this.#fire(footswitch, 'release')
    }
    this.#letGoOfLayer(footswitch.id)
  }

  /** A foot leads a pedal to a step. One that is gone, or that nothing reads, moves and does no more. */
  movePedal(pedalId: PedalId, position: number): void {
    const pedal = own(this.#rig.pedals, pedalId)
    if (!pedal) return
    const before = own(this.#pedals, pedalId) ?? PEDAL_AT_FIRST
    this.#setPedal(pedalId, { ...before, position })
    if (!pedalPlan(this.#rig, pedal).isRead) return
    const { off } = pedal
    if (off)
      this.#watched(pedal, off, watchMove(off, before.watch, this.#at, position, pedal.calibration?.noise))
    this.#follow(pedal)
  }

  /** Its toe switch, where that is what switches off. */
  toe(pedalId: PedalId, isDown: boolean): void {
    const pedal = own(this.#rig.pedals, pedalId)
    if (!pedal?.off) return
    const { watch } = own(this.#pedals, pedalId) ?? PEDAL_AT_FIRST
    this.#watched(pedal, pedal.off, watchToe(pedal.off, watch, this.#at, isDown))
  }

  /** Starts a list that no switch asked for. */
  do(controllerId: ControllerId | '', ops: readonly Op[]): void {
    this.#start(controllerId, ops, null)
  }

  /** A device switched off forgets all but its contacts; switched on it plays what it plays then. */
  power(deviceId: DeviceId, isOn: boolean): void {
    const device = own(this.#whole.devices, deviceId)
    if (!device || isOn === !this.#devices.isOff(deviceId)) return
    this.#devices.power(device, isOn, chartOf(this.#whole, deviceId))
    this.#rig = withoutThoseOff(this.#whole, this.#devices.off)
    this.#powered.push({ at: this.#at, deviceId, isOn })
  }

  /** All was just switched on: controllers do what they do then. */
  begin(): void {
    this.#powered.push({ at: this.#at, deviceId: null, isOn: true })
    for (const controller of inOrder(this.#rig.controllers)) {
      const bank = own(this.#rig.banks, this.#known.bankId ?? '')
      const enters = controller.entersAtPower && bank?.controllerId === controller.id
      this.do(controller.id, [
        ...planActions(this.#rig, controller.id, controller.onPower),
        ...(enters ? bankPlan(this.#rig, bank).enter : []),
      ])
    }
  }

  #setPedal(pedalId: PedalId, now: PedalNow): void {
    this.#pedals = { ...this.#pedals, [pedalId]: now }
  }

  /** What a pedal sends where it stands: what of its targets has changed since it last did. */
  #follow(pedal: Pedal): void {
    const before = this.#pedals[pedal.id]!
    const role = roleNow(this.#rig, pedal, { known: this.#known, feet: this.#feet, latched: this.#latched })
    const { controllerId, roles, every } = pedalPlan(this.#rig, pedal)
    const targets = roles[role ?? -1] ?? []
    const isSame = role === before.role && before.led.length === targets.length
    const wait = before.sentAt + every - this.#at
    if (wait > 0) {
      if (before.sending !== 0) return
      const id = this.#due.number()
      this.#due.put({ kind: 'send', at: this.#at + wait, pedalId: pedal.id, id })
      this.#setPedal(pedal.id, { ...before, sending: id })
      return
    }
    const ops: Op[] = []
    const learned: { [controlId: string]: number } = {}
    let { onOwn } = before
    const led = targets.map((target, n): Led | null => {
      const was = isSame ? before.led[n]! : null
      const value = target.values[before.position]!
      if (value === was?.value) return was
      if (!was?.isSent && pedal.takeover === 'catches' && !this.#isCaught(target, was, value, before))
        return { value, isSent: false }
      for (const op of target.ops(value)) ops.push(op)
      if (target.isKnown) learned[target.controlId] = value
      else if (!target.local) onOwn = { ...onOwn, [target.controlId]: value }
      if (target.local)
        this.#devices.setLocal(target.local.deviceId, target.controlId, target.local.takes(value))
      return { value, isSent: true }
    })
    const hasSent = ops.length > 0
    const isChanged = !isSame || led.some((one, n) => one !== before.led[n])
    if (isChanged || before.sending !== 0)
      this.#setPedal(pedal.id, {
        ...before,
        role,
        led: isChanged ? led : before.led,
        onOwn,
        sentAt: hasSent ? this.#at : before.sentAt,
        sending: 0,
      })
    if (hasSent) this.#start(controllerId, [...ops, { kind: 'know', learned: { values: learned } }], null)
  }

  /** Whether the foot has come to where a control is; where that is not known there is nothing to wait for. */
  #isCaught(
    { controlId, local, isKnown }: TargetPlan,
    was: Led | null,
    value: number,
    { onOwn }: PedalNow,
  ): boolean {
    const there = local
      ? own(this.#devices.of(local.deviceId).controls, controlId)
      : own(isKnown ? this.#known.values : onOwn, controlId)
    return there === undefined || hasCaught(was?.value ?? null, value, there)
  }

  /** Its automatic bypass has seen something: what it works comes on as soon as it moves, and goes off once it has rested. */
  #watched(pedal: Pedal, off: AutoOff, watch: Watch): void {
    const before = own(this.#pedals, pedal.id) ?? PEDAL_AT_FIRST
    if (watch === before.watch) return
    const id = watch.since === null ? 0 : this.#due.number()
    if (id !== 0) this.#due.put({ kind: 'rest', at: this.#at + off.delayMs * 1000, pedalId: pedal.id, id })
    this.#setPedal(pedal.id, { ...before, watch, resting: id, isOff: false })
    if (before.isOff) this.#turnBy(pedal, off, false)
  }

  #turnBy(pedal: Pedal, { works }: AutoOff, isOff: boolean): void {
    this.#turns.push({ at: this.#at, pedalId: pedal.id, isOff })
    const { controllerId } = pedalPlan(this.#rig, pedal)
    if (works.kind === 'switch') {
      // A device whose own jack the pedal is in steps on no switch of the controller.
      if (controllerId === '') return
      const footswitch = own(this.#rig.switches, works.switchId)
      if (footswitch) this.#fire(footswitch, 'press')
      return
    }
    const value = isOff ? works.off : works.on
    if (controllerId !== '') {
      const steps = controlSet(this.#rig, works.controlId, value)
      this.#start(controllerId, planSteps(this.#rig, controllerId, steps, 0), null)
      return
    }
    const control = own(this.#rig.controls, works.controlId)
    if (control && control.deviceId === pedalDevice(pedal))
      this.#devices.setLocal(control.deviceId, control.id, value)
  }

  #pedalDue({ kind, pedalId, id }: Extract<Due, { kind: 'send' | 'rest' }>): void {
    const now = own(this.#pedals, pedalId)
    const pedal = own(this.#rig.pedals, pedalId)
    if (!pedal || now?.[kind === 'send' ? 'sending' : 'resting'] !== id) return
    if (kind === 'send') {
      this.#follow(pedal)
      return
    }
    if (!pedal.off || now.isOff) return
    this.#setPedal(pedalId, { ...now, resting: 0, isOff: true })
    this.#turnBy(pedal, pedal.off, true)
  }

  #timing(footswitch: Footswitch): Timing {
    if (footswitch.longPress.length + footswitch.doublePress.length === 0) return NO_TIMING
    const bank = own(this.#rig.banks, footswitch.bankId)
    const controller = own(this.#rig.controllers, bank?.controllerId ?? '')
    return controller ? timingOf(controller, footswitch) : NO_TIMING
  }

  #happen(due: Due, to: number): void {
    switch (due.kind) {
      case 'arrive':
        this.#land(due, to)
        break
      case 'contact':
        this.#closeContact(due.set)
        break
      case 'go':
        this.#go(due.process)
        break
      case 'tick':
        this.#tick(due)
        break
      case 'hold':
        this.#devices.hold({ looper: own(this.#rig.devices, due.deviceId)?.looper ?? null }, due, this.#at)
        break
      case 'send':
      case 'rest':
        this.#pedalDue(due)
        break
      default:
        this.#decide(due.kind, due.switchId, due.foot)
    }
  }

  /** The time is up that a foot had to mean something else. */
  #decide(kind: 'single' | 'long', switchId: SwitchId, id: number): void {
    const foot = own(this.#feet, switchId)
    const footswitch = own(this.#rig.switches, switchId)
    if (foot?.id !== id) return
    if (!footswitch) {
      this.#lift(switchId)
      return
    }
    if (kind === 'long') {
      if (!foot.isDown) return
      this.#feet = { ...this.#feet, [switchId]: { ...foot, fired: 'longPress', isWaiting: false } }
      this.#fire(footswitch, 'longPress')
      return
    }
    if (!foot.isWaiting) return
    const { hasLong, firesOn } = this.#timing(footswitch)
    const mayBeLong = foot.isDown && hasLong && firesOn === 'release'
    if (foot.isDown)
      this.#feet = {
        ...this.#feet,
        [switchId]: { ...foot, isWaiting: false, fired: mayBeLong ? null : 'press' },
      }
    else this.#lift(switchId)
    if (mayBeLong) return
    this.#fire(footswitch, 'press')
    if (!foot.isDown) this.#fire(footswitch, 'release')
  }

  #lift(switchId: SwitchId): void {
    const { [switchId]: _, ...feet } = this.#feet
    this.#feet = feet
  }

  #letGoOfLayer(switchId: SwitchId): void {
    if (this.#known.heldBy === switchId) this.#known = { ...this.#known, layer: 'base', heldBy: null }
  }

  #fire(footswitch: Footswitch, event: SwitchEvent): void {
    if (event !== 'press' && footswitch[event].length === 0) return
    const bank = own(this.#rig.banks, footswitch.bankId)
    const controller = own(this.#rig.controllers, bank?.controllerId ?? '')
    // What a controller cannot tell apart it does not answer to.
    if (event !== 'press' && controller && !controller.events.includes(event)) return
    const position = event === 'press' ? nextPosition(this.#known, footswitch) : 0
    if (event === 'press') this.#known = turned(this.#rig, this.#known, footswitch, position)
    this.#gestures.push({ at: this.#at, switchId: footswitch.id, event, position })
    this.#start(
      bank?.controllerId ?? '',
      eventOps(switchPlan(this.#rig, footswitch), event, position),
      footswitch.id,
    )
    // A foot that went off before its press was decided holds no layer.
    if (event !== 'release' && !own(this.#feet, footswitch.id)?.isDown) this.#letGoOfLayer(footswitch.id)
  }

  #start(controllerId: ControllerId | '', ops: readonly Op[], by: SwitchId | null): void {
    if (ops.length > 0)
      this.#go({ list: this.#due.number(), ops, from: 0, by, controllerId, name: null, travels: 0 })
  }

  /** Goes on with a list up to its next wait: all messages before that are on their way in one go. */
  #go(process: Process): void {
    const { list, by, controllerId, name } = process
    let { ops, travels } = process
    // Something else has taken its name, or it was stopped.
    if (name !== null && own(this.#known.running, name) !== list) return
    let now = this.#at
    let flight: Flight = { ops: [], entries: [] }
    for (let n = process.from; n < ops.length; n++) {
      const op = ops[n]!
      switch (op.kind) {
        case 'message': {
          const end = this.#send(op, now, list, by, flight)
          if (name === null) now = end
          break
        }
        case 'wait':
          this.#launch(flight)
          // What runs by itself waits at every step.
          if (name === null) this.#waits.push({ from: now, to: now + op.microseconds, by })
          this.#due.put({
            kind: 'go',
            at: now + op.microseconds,
            process: { ...process, ops, from: n + 1, travels },
          })
          return
        case 'contact': {
          const { deviceId, contactId, isClosed, output } = op.contact
          const set: ContactDone = { deviceId, contactId, isClosed, output, at: now, by, calls: op.calls }
          if (now > this.#at) this.#due.put({ kind: 'contact', at: now, set })
          else this.#closeContact(set)
          break
        }
        case 'know': {
          const from = this.#known.bankId
          const more = this.#learn(op.learned, controllerId, travels)
          if (this.#known.bankId !== from) travels++
          if (more.length > 0) ops = [...ops.slice(0, n + 1), ...more, ...ops.slice(n + 1)]
          break
        }
        case 'start': {
          const begun: Process = {
            list: this.#due.number(),
            ops: op.ops,
            from: 0,
            by,
            controllerId,
            name: op.name,
            travels: 0,
          }
          this.#known = { ...this.#known, running: { ...this.#known.running, [op.name]: begun.list } }
          // What it sends goes behind what this list has sent so far.
          this.#launch(flight)
          flight = { ops: [], entries: [] }
          if (now > this.#at) this.#due.put({ kind: 'go', at: now, process: begun })
          else this.#go(begun)
          break
        }
        case 'stop':
          this.#stop(op.name)
          break
        case 'ask': {
          const controller = own(this.#rig.controllers, controllerId) ?? null
          const steps = actionSteps(this.#rig, op.action, {
            controller,
            known: this.#known,
            at: this.#at,
            by,
          })
          ops = [
            ...ops.slice(0, n + 1),
            ...planSteps(this.#rig, controllerId, steps, op.at),
            ...ops.slice(n + 1),
          ]
        }
      }
    }
    this.#launch(flight)
    if (name !== null) this.#stop(name, list)
  }

  #stop(name: string, list?: number): void {
    const running = own(this.#known.running, name)
    if (running === undefined || (list !== undefined && running !== list)) return
    const { [name]: _, ...left } = this.#known.running
    this.#known = { ...this.#known, running: left }
  }

  /** What is done on the way from one bank to another is handed back, to be done next. */
  #learn(learned: Learned, controllerId: ControllerId | '', travels: number): Op[] {
    const before = this.#known
    const goes = learned.bankId !== undefined && learned.bankId !== before.bankId
    // A bank that sends the foot on when it comes, and is sent back to, would never be done.
    if (goes && travels >= TRAVELS_MAX) return []
    this.#known = learn(before, learned)
    if (learned.clock === true && !before.clock && controllerId !== '') {
      const clock = this.#due.number()
      this.#known = { ...this.#known, running: { ...this.#known.running, [CLOCK]: clock } }
      this.#due.put({ kind: 'tick', at: this.#at, controllerId, clock, exact: this.#at })
    }
    if (learned.clock === false) this.#stop(CLOCK)
    return goes ? this.#arriveIn(before.bankId, learned.bankId!) : []
  }

  #arriveIn(from: BankId | null, to: BankId): Op[] {
    const [left, entered] = [own(this.#rig.banks, from ?? ''), own(this.#rig.banks, to)]
    const controller = own(this.#rig.controllers, entered?.controllerId ?? '')
    if (controller?.onBank === 'restarts') {
      const isHere = (id: string) => own(this.#rig.switches, id)?.bankId === to
      const keep = (positions: { readonly [id: string]: number }) =>
        Object.fromEntries(Object.entries(positions).filter(([id]) => !isHere(id)))
      this.#known = { ...this.#known, next: keep(this.#known.next), done: keep(this.#known.done) }
    }
    this.#known = learn(this.#known, songOf(this.#rig, to, this.#known.songId))
    return [
      ...(left ? bankPlan(this.#rig, left).leave : []),
      ...(entered ? bankPlan(this.#rig, entered).enter : []),
    ]
  }

  #tick({ controllerId, clock, exact }: Extract<Due, { kind: 'tick' }>): void {
    if (own(this.#known.running, CLOCK) !== clock) return
    for (const op of planSteps(this.#rig, controllerId, TICK, 0)) {
      const flight: Flight = { ops: [], entries: [] }
      if (op.kind === 'message') this.#send(op, this.#at, 0, null, flight)
      this.#launch(flight)
    }
    const next = exact + clockInterval(tempoNow(this.#known).bpm)
    this.#due.put({ kind: 'tick', at: Math.round(next), controllerId, clock, exact: next })
  }

  /** Puts a message on its wire behind what is there, and tells of it in `flight`; the µs at which it has gone out. */
  #send(op: Message, from: number, list: number, by: SwitchId | null, flight: Flight): number {
    const { bytes, start, end } = this.#wires.put(op, from, list)
    flight.ops.push(op)
    // Written out: spreading one object into another is ten times slower here, and this runs at every message.
    flight.entries.push({
      message: op.message,
      deviceId: op.deviceId,
      action: op.action,
      bytes,
      start,
      end,
      lane: op.lane,
      by,
      heardBy: op.heardBy,
      lostBy: NOBODY,
      nothingFor: NOBODY,
    })
    return end
  }

  /** What was sent in one go is one thing due, until each of it has arrived. */
  #launch(flight: Flight): void {
    const [first] = flight.entries
    for (const entry of flight.entries) this.#sent.push(entry)
    if (first) this.#due.put({ kind: 'arrive', at: first.end, ...flight, next: 0 })
  }

  /** All of it that has arrived by `to`, as far as nothing else comes between. */
  #land(due: Extract<Due, { kind: 'arrive' }>, to: number): void {
    const { ops, entries } = due
    let { next } = due
    for (; next < entries.length; next++) {
      const entry = entries[next]!
      const other = this.#due.first
      if (entry.end > to || (other && other.at < entry.end)) {
        this.#due.insert({ ...due, at: entry.end, next })
        return
      }
      if (entry.end > this.#at) this.#at = entry.end
      this.#wire.push(this.#devices.arrive(ops[next]!, entry))
    }
  }

  #closeContact(set: ContactDone): void {
    this.#devices.close(own(this.#rig.devices, set.deviceId) ?? null, set)
    this.#contacts.push(set)
  }

  /** A clock from outside begins, changes or ends; a controller that does not go by one takes no notice. */
  hearClock(controllerId: ControllerId | '', bpm: number | null): void {
    if (own(this.#rig.controllers, controllerId)?.followsClock !== true && bpm !== null) return
    this.#known = { ...this.#known, clockIn: bpm }
  }
}

/** Messages sent in one go. */
interface Flight {
  readonly ops: Message[]
  readonly entries: WireEntry[]
}

const NOBODY: WireEntry['lostBy'] = []
const NO_TIMING: Timing = {
  hasLong: false,
  hasDouble: false,
  longAfter: 0,
  doubleWithin: 0,
  firesOn: 'press',
}
const CLOCK = 'clock'
const TICK = [{ kind: 'send', deviceId: null, message: { kind: 'clock' } }] as const
/** So many banks one list goes through at most. */
const TRAVELS_MAX = 8
