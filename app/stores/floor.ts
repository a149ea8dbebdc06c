import { defineStore } from 'pinia'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import {
  own,
  advance,
  byIndex,
  floorAtPowerOn,
  inOrder,
  nextDue,
  placeKey,
  reconcile,
  step,
  switchesHere,
  switchName,
  type BankId,
  type ChannelMessage,
  type DeviceId,
  type FloorInput,
  type FloorState,
  type Footswitch,
  type Gesture,
  type Layer,
  type SoundId,
  type StepResult,
  type SwitchId,
  type WireEntry,
} from '#core'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from './rig'

/** One thing done with the foot, and all that came of it so far. */
export interface Stomp {
  readonly at: Date
  /** Null for messages sent by hand. */
  readonly switchId: SwitchId | null
  readonly wire: readonly WireEntry[]
  /** Contacts that were closed or opened. */
  readonly contacts: StepResult['contacts']
}

/** Ticks of the clock and long sweeps: the last so many messages are shown. */
const SHOWN_MAX = 200
/** A thing due sooner than this waits for it: the page is drawn no oftener, in ms. */
const FRAME = 16

/** The simulated floor: what stepping on the rig's switches does, right now. */
export const useFloorStore = defineStore('floor', () => {
  const { clock } = usePlatform()
  const rigs = useRigStore()

  const state = shallowRef<FloorState | null>(null)
  const last = shallowRef<Stomp | null>(null)
  /** What the controller last made of a foot. */
  const gesture = shallowRef<Gesture | null>(null)
  /** Feet that are down: where, and on which switch. */
  const held = shallowRef<ReadonlyMap<string, SwitchId>>(new Map())

  watch(
    () => rigs.rigId,
    () => {
      state.value = null
      last.value = null
      gesture.value = null
      held.value = new Map()
    },
  )
  watch(
    () => rigs.rig,
    (rig) => {
      if (!rig) state.value = null
      else
        state.value = state.value
          ? reconcile(rig, state.value)
          : { ...floorAtPowerOn(rig), at: clock.microseconds() }
    },
    { immediate: true },
  )

  const bank = computed(() => own(rigs.rig?.banks, state.value?.known.bankId ?? '') ?? null)
  const layer = computed(() => state.value?.known.layer ?? 'base')
  /** The controller under the foot: the bank's, or the first while there is no bank. */
  const controller = computed(() => {
    if (!rigs.rig) return null
    return (
      own(rigs.rig.controllers, bank.value?.controllerId ?? '') ?? inOrder(rigs.rig.controllers)[0] ?? null
    )
  })
  /** What is under the foot now, by place: in this bank and layer, or in every bank. */
  const places = computed((): ReadonlyMap<string, Footswitch> =>
    rigs.rig && bank.value ? switchesHere(rigs.rig, bank.value.id, layer.value) : new Map(),
  )
  /** The controller's own among them, by number. */
  const switches = computed(
    () =>
      new Map([...places.value.values()].filter(({ jack }) => jack === '').map((one) => [one.number, one])),
  )

  let timer: ReturnType<typeof setTimeout> | null = null

  /** Comes back when the next thing is due. */
  function wake(): void {
    if (timer !== null) clearTimeout(timer)
    timer = null
    const due = state.value && nextDue(state.value)
    if (due === null || due === undefined) return
    const wait = Math.max(FRAME, (due - clock.microseconds()) / 1000)
    timer = setTimeout(pass, Math.min(wait, 60_000))
  }
  onScopeDispose(() => timer !== null && clearTimeout(timer))

  /** Lets the time that went by pass on the floor. */
  function pass(): void {
    if (!rigs.rig || !state.value) return
    take(advance(rigs.rig, state.value, clock.microseconds()))
    wake()
  }

  function take({ state: after, wire, contacts, gestures }: StepResult): void {
    state.value = after
    gesture.value = gestures.at(-1) ?? gesture.value
    if (wire.length + contacts.length === 0) return
    const before = last.value ?? { at: clock.now(), switchId: null, wire: [], contacts: [] }
    last.value = {
      ...before,
      wire: [...before.wire, ...wire].slice(-SHOWN_MAX),
      contacts: [...before.contacts, ...contacts],
    }
  }

  function act(input: FloorInput): void {
    if (!rigs.rig || !state.value) return
    // What was due before belongs to what was done before.
    take(advance(rigs.rig, state.value, input.at))
    const result = step(rigs.rig, state.value, input)
    const isSomething =
      input.kind === 'send' ||
      input.kind === 'sound' ||
      result.gestures.length > 0 ||
      result.state.due.length > 0
    if (
      isSomething &&
      input.kind !== 'bank' &&
      input.kind !== 'layer' &&
      (input.kind !== 'release' || result.gestures.length > 0)
    ) {
      const switchId = 'switchId' in input ? input.switchId : null
      const isNew = input.kind !== 'release' || switchId !== last.value?.switchId
      if (isNew) last.value = { at: clock.now(), switchId, wire: [], contacts: [] }
    }
    take(result)
    wake()
  }

  /** The foot comes down on a place; nothing happens while one is there already, or where nothing is. */
  function pressPlace(place: string): void {
    const footswitch = places.value.get(place)
    if (!footswitch || held.value.has(place)) return
    held.value = new Map([...held.value, [place, footswitch.id]])
    act({ kind: 'press', switchId: footswitch.id, at: clock.microseconds() })
  }

  /** The foot goes off: the switch it came down on hears that, whatever is there by now. */
  function releasePlace(place: string): void {
    const switchId = held.value.get(place)
    if (switchId === undefined) return
    held.value = new Map([...held.value].filter(([one]) => one !== place))
    act({ kind: 'release', switchId, at: clock.microseconds() })
  }

  const press = (number: number): void => pressPlace(placeKey({ jack: '', number }))
  const release = (number: number): void => releasePlace(placeKey({ jack: '', number }))

  /** Sends messages to one device, as from the controller. */
  const send = (deviceId: DeviceId, messages: readonly ChannelMessage[]): void =>
    act({ kind: 'send', deviceId, messages, at: clock.microseconds() })

  /** Sends a sound, as a switch that recalls it would. */
  const sendSound = (soundId: SoundId): void => act({ kind: 'sound', soundId, at: clock.microseconds() })

  /** What a footswitch is called on the controller. */
  const nameOf = (footswitch: Footswitch): string =>
    rigs.rig && controller.value ? switchName(rigs.rig, footswitch, controller.value) : footswitch.label

  /** Lets go of everything: the window lost the keyboard, or the bank changed under the foot. */
  function releaseAll(): void {
    for (const place of held.value.keys()) releasePlace(place)
  }

  function goToBank(bankId: BankId): void {
    releaseAll()
    act({ kind: 'bank', bankId, at: clock.microseconds() })
  }

  const goToLayer = (to: Layer): void => act({ kind: 'layer', layer: to, at: clock.microseconds() })

  /** The next (1) or previous (-1) bank, round at the ends. */
  function turnBank(by: 1 | -1): void {
    const banks = byIndex(rigs.rig?.banks ?? {})
    if (banks.length === 0) return
    const at = banks.findIndex(({ id }) => id === bank.value?.id)
    goToBank(banks.at((at + by) % banks.length)!.id)
  }

  return {
    state,
    last,
    gesture,
    held,
    bank,
    layer,
    controller,
    places,
    switches,
    pass,
    press,
    release,
    pressPlace,
    releasePlace,
    send,
    sendSound,
    nameOf,
    releaseAll,
    goToBank,
    goToLayer,
    turnBank,
  }
})
