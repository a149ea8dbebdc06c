import { computed, type ShallowRef } from 'vue'
import { own } from '#core/base'
import { inOrder, switchesHere, type Footswitch, type Rig } from '#core/rig'
import type { FloorState, FloorTrail } from '#core/simulate'
import { lampsNow, type LampSeen } from './lampsNow'

/** What lies under the foot: where the controller is, its switches there, what their lamps say. */
export function underFoot(
  rig: () => Rig | null,
  state: Readonly<ShallowRef<FloorState | null>>,
  trail: () => FloorTrail,
) {
  const bank = computed(() => own(rig()?.banks, state.value?.known.bankId ?? '') ?? null)
  const layer = computed(() => state.value?.known.layer ?? 'base')
  /** The controller under the foot: the bank's, or the first while there is no bank. */
  const controller = computed(() => {
    const all = rig()?.controllers
    return all ? (own(all, bank.value?.controllerId ?? '') ?? inOrder(all)[0] ?? null) : null
  })
  /** What is under the foot now, by place: in this bank and layer, or in every bank. */
  const places = computed((): ReadonlyMap<string, Footswitch> => {
    const now = rig()
    return now && bank.value ? switchesHere(now, bank.value.id, layer.value) : new Map()
  })
  /** The controller's own among them, by number. */
  const switches = computed(
    () =>
      new Map([...places.value.values()].filter(({ jack }) => jack === '').map((one) => [one.number, one])),
  )
  /** What the lamps under the foot say, held against the devices; by place. */
  const lamps = computed((): ReadonlyMap<string, LampSeen> => {
    const now = rig()
    return now && state.value ? lampsNow(now, state.value, places.value, trail()) : new Map()
  })
  const lies = computed(() => [...lamps.value.values()].filter(({ truth }) => truth.verdict === 'lies'))
  return { bank, layer, controller, places, switches, lamps, lies }
}
