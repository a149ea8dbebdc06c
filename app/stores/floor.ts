import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import {
  own,
  byIndex,
  floorAtPowerOn,
  inOrder,
  reconcile,
  step,
  switchName,
  type BankId,
  type ChannelMessage,
  type DeviceId,
  type FloorInput,
  type FloorState,
  type Footswitch,
  type SoundId,
  type StepResult,
  type SwitchId,
  type WireEntry,
} from '#core'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from './rig'

/** One thing done with the foot that sent something. */
export interface Stomp {
  readonly at: Date
  /** Null for messages sent by hand. */
  readonly switchId: SwitchId | null
  readonly wire: readonly WireEntry[]
  /** Contacts that were closed or opened. */
  readonly contacts: StepResult['contacts']
}

/** The simulated floor: what stepping on the rig's switches does, right now. */
export const useFloorStore = defineStore('floor', () => {
  const { clock } = usePlatform()
  const rigs = useRigStore()

  const state = shallowRef<FloorState | null>(null)
  const last = shallowRef<Stomp | null>(null)
  /** Switches held down at this moment. */
  const held = shallowRef<ReadonlySet<SwitchId>>(new Set())

  watch(
    () => rigs.rigId,
    () => {
      state.value = null
      last.value = null
    },
  )
  watch(
    () => rigs.rig,
    (rig) => {
      if (!rig) state.value = null
      else state.value = state.value ? reconcile(rig, state.value) : floorAtPowerOn(rig)
    },
    { immediate: true },
  )

  const bank = computed(() => own(rigs.rig?.banks, state.value?.bankId ?? '') ?? null)
  /** The controller under the foot: the bank's, or the first while there is no bank. */
  const controller = computed(() => {
    if (!rigs.rig) return null
    return (
      own(rigs.rig.controllers, bank.value?.controllerId ?? '') ?? inOrder(rigs.rig.controllers)[0] ?? null
    )
  })
  /** The current bank's programmed footswitches by number. */
  const switches = computed(
    () =>
      new Map(
        Object.values(rigs.rig?.switches ?? {})
          .filter(({ bankId }) => bankId === bank.value?.id)
          .map((one) => [one.number, one]),
      ),
  )

  function act(input: FloorInput): void {
    if (!rigs.rig || !state.value) return
    const result = step(rigs.rig, state.value, input)
    state.value = result.state
    if (input.kind === 'bank' || result.wire.length + result.contacts.length === 0) return
    const switchId = 'switchId' in input ? input.switchId : null
    last.value = { at: clock.now(), switchId, wire: result.wire, contacts: result.contacts }
  }

  /** The foot goes down on a footswitch of the current bank; nothing happens while it is down already. */
  function press(number: number): void {
    const footswitch = switches.value.get(number)
    if (!footswitch || held.value.has(footswitch.id)) return
    held.value = new Set([...held.value, footswitch.id])
    act({ kind: 'press', switchId: footswitch.id, at: clock.microseconds() })
  }

  function release(number: number): void {
    const footswitch = switches.value.get(number)
    if (!footswitch || !held.value.has(footswitch.id)) return
    held.value = new Set([...held.value].filter((id) => id !== footswitch.id))
    act({ kind: 'release', switchId: footswitch.id, at: clock.microseconds() })
  }

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
    for (const switchId of held.value) act({ kind: 'release', switchId, at: clock.microseconds() })
    held.value = new Set()
  }

  function goToBank(bankId: BankId): void {
    releaseAll()
    act({ kind: 'bank', bankId, at: clock.microseconds() })
  }

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
    held,
    bank,
    controller,
    switches,
    press,
    release,
    send,
    sendSound,
    nameOf,
    releaseAll,
    goToBank,
    turnBank,
  }
})
