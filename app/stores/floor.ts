import { defineStore } from 'pinia'
import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import type { ChannelMessage } from '#core/midi'
import {
  byIndex,
  type Action,
  type BankId,
  type DeviceId,
  type Footswitch,
  type Layer,
  type PedalId,
  type RunStep,
  type SoundId,
  type SwitchId,
} from '#core/rig'
import {
  advance,
  FloorMinute,
  FloorTrail,
  nextDue,
  reconcile,
  runInput,
  startFloor,
  step,
  type Feet,
  type FloorInput,
  type FloorState,
  type Gesture,
  type StepResult,
  type WireEntry,
} from '#core/simulate'
import { switchName } from '#core/sound'
import type { Known } from '#core/switching'
import { usePlatform } from '~/platform/platform'
import { FloorClock } from './floorClock'
import { useFoot, type Wanted } from './foot'
import { useMidiStore } from './midi'
import { Recorder, stepOf } from './recorder'
import { useRigStore } from './rig'
import { underFoot } from './underFoot'

/** One thing done with the foot, and all that came of it so far. */
export interface Stomp {
  readonly at: Date
  /** Null for messages sent by hand, and for a pedal. */
  readonly switchId: SwitchId | null
  /** The pedal that was swept; its moves are one thing until it has stood still for a while. */
  readonly pedalId?: PedalId
  readonly wire: readonly WireEntry[]
  /** Contacts that were closed or opened. */
  readonly contacts: StepResult['contacts']
}

/** What a foot did, with what the controller knew just before. */
type GestureHearer = (gesture: Gesture, before: Known) => void

/** Ticks of the clock and long sweeps: the last so many messages are shown. */
const SHOWN_MAX = 200
/** A pedal that has stood still for so long, in ms, begins something new when it moves. */
const SWEEP_ENDS = 1500
/** A thing due sooner than this waits for it: the page is drawn no oftener, in ms. */
const FRAME = 16

/** A run being played on the floor. */
interface Playing {
  readonly steps: readonly RunStep[]
  readonly length: number
  /** When it began, on the floor's clock. */
  readonly base: number
  readonly next: number
  readonly name: string
}

/** The simulated floor: what stepping on the rig's switches does, right now. */
export const useFloorStore = defineStore('floor', () => {
  const { clock, workers } = usePlatform()
  const rigs = useRigStore()
  const midi = useMidiStore()

  const state = shallowRef<FloorState | null>(null)
  const last = shallowRef<Stomp | null>(null)
  /** What the controller last made of a foot. */
  const gesture = shallowRef<Gesture | null>(null)
  /** Feet that are down: where, and on which switch. */
  const held = shallowRef<ReadonlyMap<string, SwitchId>>(new Map())
  // A step comes before whatever is being worked out.
  watch(held, (now) => workers.foot(now.size > 0), { flush: 'sync' })

  /** The last minute, and what happened last to whatever a lamp can speak of. Changed in place: `version` tells. */
  let minute = new FloorMinute()
  let trail = new FloorTrail()
  const version = ref(0)
  let stop: (() => void) | null = null
  const hearers = new Set<GestureHearer>()
  /** When a pedal was last moved, in ms on the page's clock. */
  let sweptAt = 0
  /** The speed to go on at. */
  let speed = 1

  let time = new FloorClock(clock.microseconds(), 0)
  const rate = ref(1)
  const recorder = shallowRef<Recorder | null>(null)
  const playing = shallowRef<Playing | null>(null)

  watch(
    () => rigs.rigId,
    () => {
      state.value = null
      last.value = null
      gesture.value = null
      held.value = new Map()
      recorder.value = null
      playing.value = null
      minute = new FloorMinute()
      trail = new FloorTrail()
      time = new FloorClock(clock.microseconds(), 0)
      rate.value = 1
      midi.forget()
    },
  )
  watch(
    () => rigs.rig,
    (rig) => {
      if (!rig) state.value = null
      else if (state.value) state.value = reconcile(rig, state.value)
      else {
        const begun = startFloor(rig, now())
        state.value = { ...begun.state }
        take(begun)
        wake()
      }
    },
    { immediate: true },
  )

  const under = underFoot(
    () => rigs.rig,
    state,
    () => trail,
  )
  const { bank, controller, places } = under

  /** The floor's time now, in µs. */
  function now(): number {
    return time.at(clock.microseconds())
  }

  /** When the next thing is due, of the floor or of a run being played, on the floor's clock; null when nothing is. */
  function nextAt(): number | null {
    const due = state.value ? nextDue(state.value) : null
    const run = playing.value
    const coming = run ? run.base + (run.steps[run.next]?.at ?? run.length) : null
    return due === null ? coming : coming === null ? due : Math.min(due, coming)
  }

  /** Comes back when the next thing is due. */
  function wake(): void {
    stop?.()
    stop = null
    const due = nextAt()
    const page = due === null ? null : time.pageTimeOf(due)
    if (page === null) return
    const wait = Math.max(FRAME, (page - clock.microseconds()) / 1000)
    stop = clock.after(Math.min(wait, 60_000), pass)
  }
  onScopeDispose(() => stop?.())

  /** Lets the time that went by pass on the floor. */
  function pass(): void {
    if (!rigs.rig || !state.value) return
    passTo(now())
    wake()
  }

  function passTo(to: number): void {
    if (!rigs.rig || !state.value) return
    for (let run = playing.value; run; run = playing.value) {
      const one = run.steps[run.next]
      if (run.base + (one?.at ?? run.length) > to) break
      if (!one) {
        take(advance(rigs.rig, state.value, run.base + run.length))
        playing.value = null
        break
      }
      playing.value = { ...run, next: run.next + 1 }
      take(advance(rigs.rig, state.value, run.base + one.at))
      const { input, feet } = runInput(rigs.rig, state.value, held.value as Feet, one, run.base)
      held.value = feet
      if (input) make(input)
    }
    take(advance(rigs.rig, state.value, to))
  }

  function take(result: StepResult): void {
    const { state: after, wire, contacts, gestures } = result
    const before = state.value?.known ?? after.known
    if (rigs.rig) {
      trail.note(rigs.rig, state.value ?? after, result)
      minute.note(rigs.rig, result)
    }
    state.value = after
    gesture.value = gestures.at(-1) ?? gesture.value
    for (const one of gestures) for (const hear of hearers) hear(one, before)
    if (result.sent.length > 0) midi.take(result.sent, pageTime)
    if (wire.length + contacts.length + gestures.length + result.waits.length + result.powered.length > 0)
      version.value++
    if (wire.length + contacts.length === 0) return
    const begun = last.value ?? { at: clock.now(), switchId: null, wire: [], contacts: [] }
    last.value = {
      ...begun,
      wire: [...begun.wire, ...wire].slice(-SHOWN_MAX),
      contacts: [...begun.contacts, ...contacts].slice(-SHOWN_MAX),
    }
  }

  /** Hears of everything a foot does from now on, until what is given back is called. */
  function onGesture(hear: GestureHearer): () => void {
    hearers.add(hear)
    return () => hearers.delete(hear)
  }

  /** When the floor comes to a moment, in ms on the page's clock. */
  function pageTime(floor: number): number | null {
    const page = time.pageTimeAtThisSpeed(floor)
    return page === null ? null : page / 1000
  }

  /** Does one thing at its moment, with all that was due before. */
  function make(input: FloorInput): void {
    if (!rigs.rig || !state.value) return
    // What was due before belongs to what was done before.
    take(advance(rigs.rig, state.value, input.at))
    const result = step(rigs.rig, state.value, input)
    const isFoot = input.kind === 'press' || input.kind === 'release'
    const isSomething = !isFoot || result.gestures.length > 0 || result.state.due.length > 0
    if (
      isSomething &&
      input.kind !== 'bank' &&
      input.kind !== 'layer' &&
      (input.kind !== 'release' || result.gestures.length > 0)
    ) {
      const switchId = 'switchId' in input ? input.switchId : null
      const isNew =
        input.kind === 'pedal'
          ? input.pedalId !== last.value?.pedalId || clock.now().getTime() - sweptAt > SWEEP_ENDS
          : input.kind !== 'release' || switchId !== last.value?.switchId
      if (input.kind === 'pedal') sweptAt = clock.now().getTime()
      if (isNew)
        last.value = {
          at: clock.now(),
          switchId,
          wire: [],
          contacts: [],
          ...(input.kind === 'pedal' && { pedalId: input.pedalId }),
        }
    }
    take(result)
  }

  /** Something the player does: a run being played ends where it is. */
  function act(wanted: Wanted): void {
    if (!rigs.rig || !state.value) return
    const at = Math.max(now(), state.value.at)
    if (playing.value) {
      passTo(at)
      playing.value = null
    }
    const input = { ...wanted, at } as FloorInput
    recorder.value?.note(stepOf(rigs.rig, state.value, input))
    make(input)
    wake()
  }

  const foot = useFoot({ rig: () => rigs.rig, state, places, controller, held, clock, pass, act })

  /** Sends messages to one device, as from the controller. */
  const send = (deviceId: DeviceId, messages: readonly ChannelMessage[]): void =>
    act({ kind: 'send', deviceId, messages })

  /** Does what a switch with these actions would. */
  const perform = (...actions: readonly Action[]): void => act({ kind: 'act', actions })
  /** A clock from outside begins, changes or ends. */
  const clockIn = (bpm: number | null): void => act({ kind: 'clockIn', bpm })

  /** Sends a sound, as a switch that recalls it would. */
  const sendSound = (soundId: SoundId): void => perform({ kind: 'recallSound', soundId })

  /** Sends only what is not so yet of a sound. */
  const goTo = (soundId: SoundId): void => act({ kind: 'need', soundId })
  /** Sends again all that was sent last; or only what is not so. */
  const resync = (): void => perform({ kind: 'resync' })
  const putRight = (): void => act({ kind: 'putRight' })

  const power = (deviceId: DeviceId, isOn: boolean): void => act({ kind: 'power', deviceId, isOn })

  /** Everything off and on again: the floor begins anew, its minute goes on. */
  function powerAll(): void {
    if (!rigs.rig || !state.value) return
    pass()
    playing.value = null
    recorder.value = null
    begin()
    wake()
  }

  /** The floor's moment at which all was switched on. */
  function begin(): number {
    const at = Math.max(now(), state.value?.at ?? 0)
    held.value = new Map()
    last.value = null
    midi.forget()
    make({ kind: 'powerAll', at })
    return at
  }

  /** What a footswitch is called on the controller. */
  const nameOf = (footswitch: Footswitch): string =>
    rigs.rig && controller.value ? switchName(rigs.rig, footswitch, controller.value) : footswitch.label

  function goToBank(bankId: BankId): void {
    foot.releaseAll()
    act({ kind: 'bank', bankId })
  }

  const goToLayer = (to: Layer): void => act({ kind: 'layer', layer: to })

  /** The next (1) or previous (-1) bank, round at the ends. */
  function turnBank(by: 1 | -1): void {
    const banks = byIndex(rigs.rig?.banks ?? {})
    if (banks.length === 0) return
    const at = banks.findIndex(({ id }) => id === bank.value?.id)
    goToBank(banks.at((at + by) % banks.length)!.id)
  }

  /** How fast the floor's time goes; 0 stands still. */
  function setRate(to: number): void {
    pass()
    time.setRate(to, clock.microseconds())
    if (to > 0) speed = to
    rate.value = to
    wake()
  }

  /** Stands still, or goes on at the speed it had. */
  function togglePause(): void {
    setRate(rate.value === 0 ? speed : 0)
  }
  /** To the next thing due and no further; the floor stands still there. */
  function stepOn(): void {
    if (rate.value !== 0) setRate(0)
    const due = nextAt()
    if (due === null) return
    time.skipTo(due, clock.microseconds())
    passTo(due)
    version.value++
  }

  /** Switches everything on anew and notes from there on what the foot does. */
  function record(): void {
    if (!rigs.rig || !state.value) return
    pass()
    playing.value = null
    recorder.value = new Recorder(begin())
    wake()
  }

  /** Ends the recording; null when nothing was done. */
  function endRecording(): { readonly steps: readonly RunStep[]; readonly length: number } | null {
    pass()
    const done = recorder.value?.end(now()) ?? null
    recorder.value = null
    return done
  }

  /** Switches everything on anew and plays a run on the floor, at the speed it has. */
  function play(name: string, steps: readonly RunStep[], length: number): void {
    if (!rigs.rig || !state.value) return
    pass()
    recorder.value = null
    playing.value = null
    playing.value = { name, steps, length, base: begin(), next: 0 }
    wake()
  }

  return {
    state,
    last,
    gesture,
    held,
    ...under,
    ...foot,
    version,
    minute: () => minute,
    now,
    rate,
    nextAt,
    onGesture,
    recorder,
    playing,
    pass,
    send,
    perform,
    clockIn,
    sendSound,
    goTo,
    resync,
    putRight,
    power,
    powerAll,
    nameOf,
    goToBank,
    goToLayer,
    turnBank,
    setRate,
    togglePause,
    stepOn,
    record,
    endRecording,
    play,
  }
})
