import type { Ref, ShallowRef } from 'vue'
import { own } from '#core/base'
import { placeKey, type Controller, type Footswitch, type PedalId, type Rig, type SwitchId } from '#core/rig'
import { PEDAL_AT_FIRST, type FloorInput, type FloorState, type PedalNow } from '#core/simulate'
import type { Platform } from '~/platform/platform'

/** Something done to the floor, whenever it is. */
export type Wanted = FloorInput extends infer One
  ? One extends { at: number }
    ? Omit<One, 'at'>
    : never
  : never

/** What a foot stands on, and how what it does gets to the floor. */
interface Ground {
  readonly rig: () => Rig | null
  readonly state: Readonly<ShallowRef<FloorState | null>>
  readonly places: Readonly<Ref<ReadonlyMap<string, Footswitch>>>
  readonly controller: Readonly<Ref<Controller | null>>
  /** Feet that are down: where, and on which switch. */
  readonly held: ShallowRef<ReadonlyMap<string, SwitchId>>
  readonly clock: Platform['clock']
  /** Lets the time that went by pass. */
  readonly pass: () => void
  readonly act: (wanted: Wanted) => void
}

/** What a foot can do: on switches by their places, on pedals and their toe switches. */
export function useFoot({ rig, state, places, controller, held, clock, pass, act }: Ground) {
  /** The foot comes down on a place; nothing happens while one is there already, or where nothing is. */
  function pressPlace(place: string): void {
    // A bank that the clock has come to meanwhile has its own switches.
    pass()
    const footswitch = places.value.get(place)
    if (!footswitch || held.value.has(place)) return
    held.value = new Map([...held.value, [place, footswitch.id]])
    act({ kind: 'press', switchId: footswitch.id })
  }

  /** The foot goes off: the switch it came down on hears that, whatever is there by now. */
  function releasePlace(place: string): void {
    const switchId = held.value.get(place)
    if (switchId === undefined) return
    held.value = new Map([...held.value].filter(([one]) => one !== place))
    act({ kind: 'release', switchId })
  }

  const press = (number: number): void => pressPlace(placeKey({ jack: '', number }))
  const release = (number: number): void => releasePlace(placeKey({ jack: '', number }))

  /** The foot does one thing on a place, by itself: a plain step so often, a long one, or two quick ones. */
  function stepOnPlace(place: string, how: 'press' | 'long' | 'double', times = 1): void {
    const downMs = how === 'long' ? (controller.value?.longMs ?? 500) + 60 : 80
    const feet = how === 'double' ? 2 : times
    const down = (left: number): void => {
      pressPlace(place)
      clock.after(downMs, () => {
        releasePlace(place)
        // Positions are gone through one by one; two quick steps are one double one.
        if (left > 1) clock.after(how === 'double' ? 60 : 400, () => down(left - 1))
      })
    }
    down(feet)
  }

  /** Where a pedal stands and what it last did. */
  const pedalAt = (pedalId: PedalId): PedalNow => own(state.value?.pedals, pedalId) ?? PEDAL_AT_FIRST

  /** The foot leads a pedal to a step, 0-127; what is beyond is taken as the end. */
  function movePedal(pedalId: PedalId, to: number): void {
    const position = Math.round(Math.min(127, Math.max(0, to)))
    if (!own(rig()?.pedals, pedalId)) return
    if (own(state.value?.pedals, pedalId)?.position === position) return
    act({ kind: 'pedal', pedalId, position })
  }

  /** Toe switches as they stand: stepped on, or staying down. */
  let toes: ReadonlyMap<PedalId, boolean> = new Map()
  const isToeDown = (pedalId: PedalId): boolean => toes.get(pedalId) === true

  /** A foot on a pedal's toe switch: one that stays turns over at every step, one that springs back is down while the foot is. */
  function stepOnToe(pedalId: PedalId, isDown: boolean): void {
    const off = own(rig()?.pedals, pedalId)?.off
    if (off?.kind !== 'switch') return
    if (off.toe === 'latching' && !isDown) return
    const stands = off.toe === 'latching' ? pedalAt(pedalId).watch.since === null : isDown
    toes = new Map([...toes, [pedalId, stands]])
    act({ kind: 'toe', pedalId, isDown: stands })
  }

  /** Lets go of everything: the window lost the keyboard, or the bank changed under the foot. */
  function releaseAll(): void {
    for (const place of held.value.keys()) releasePlace(place)
  }

  return {
    press,
    release,
    pressPlace,
    releasePlace,
    stepOnPlace,
    releaseAll,
    pedalAt,
    movePedal,
    isToeDown,
    stepOnToe,
  }
}
