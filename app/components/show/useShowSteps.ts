import { computed, watch, type Ref } from 'vue'
import {
  partKey,
  placeKey,
  switchesHere,
  type Footswitch,
  type Rig,
  type Show,
  type ShowMove,
} from '#core/rig'
import { showSwitch, stepsToPart, type FootMove, type PartWay } from '#core/show'
import { useFloorStore } from '~/stores/floor'

/** Steps through a show on the floor, as its foot does: on the switch of each sound, or on the one that goes on. */
export function useShowSteps(
  rig: Ref<Rig>,
  show: Ref<Show | null>,
  ways: Ref<readonly PartWay[]>,
  chosen: Ref<string | null>,
) {
  const floor = useFloorStore()
  const isOnward = computed(() => show.value?.stepsOn === 'nextPart')
  const showAt = computed(() => floor.state?.known.showAt ?? null)
  const keyAt = computed(() => showAt.value && `${showAt.value.nth}/${showAt.value.partId}`)
  // What goes on part by part shows where the controller's list is.
  watch(keyAt, (key) => {
    if (isOnward.value && key !== null) chosen.value = key
  })
  const at = computed(() => {
    const key = isOnward.value ? keyAt.value : chosen.value
    return ways.value.findIndex((way) => partKey(way.played) === key)
  })
  const nthAt = computed(() =>
    isOnward.value
      ? (showAt.value?.nth ?? -1)
      : chosen.value === null
        ? -1
        : Number(chosen.value.split('/')[0]),
  )

  /** The foot goes to a switch where it is not under it yet, and steps on it as often as asked. */
  function stepOnSwitch(
    { bankId, layer, jack, number }: Pick<Footswitch, 'bankId' | 'layer' | 'jack' | 'number'>,
    switchId: string | null,
    how: FootMove['how'],
    times = 1,
  ): void {
    const key = placeKey({ jack, number })
    const here = floor.bank ? switchesHere(rig.value, floor.bank.id, floor.layer).get(key)?.id : null
    if (switchId === null || here !== switchId) {
      floor.goToBank(bankId)
      floor.goToLayer(layer)
    }
    floor.stepOnPlace(key, how, times)
  }
  function stepOnWay({ route }: PartWay): void {
    const last = route?.moves.at(-1)
    if (last)
      stepOnSwitch(
        { ...last.from, jack: last.jack, number: last.number },
        isOnward.value ? (last.footswitch?.id ?? null) : null,
        last.how,
        route!.lastPresses,
      )
  }

  function play(way: PartWay): void {
    chosen.value = partKey(way.played)
    if (isOnward.value && ways.value[at.value + 1] !== way)
      floor.perform(...stepsToPart(rig.value, showAt.value, way.played))
    else stepOnWay(way)
  }

  /** Null where no switch does it. */
  const switchFor = (to: ShowMove) => showSwitch(rig.value, to)
  function press(to: ShowMove): void {
    const found = switchFor(to)
    if (!found) return
    const { footswitch, how } = found
    stepOnSwitch(footswitch, footswitch.id, how === 'release' ? 'press' : how)
  }

  const next = computed(() => ways.value[at.value + 1] ?? null)
  const before = computed(() => (at.value > 0 ? ways.value[at.value - 1]! : null))
  const nextSong = computed(() => ways.value.find(({ played }) => played.nth > nthAt.value) ?? null)
  const can = computed(() => ({
    next: next.value !== null && (!isOnward.value || next.value.route !== null),
    before: before.value !== null && (!isOnward.value || switchFor('previousPart') !== null),
    nextSong: nextSong.value !== null && (!isOnward.value || switchFor('nextSong') !== null),
  }))
  const step = (way: PartWay | null, to: ShowMove): void => {
    if (isOnward.value && to !== 'nextPart') press(to)
    else if (way) play(way)
  }
  return {
    isOnward,
    can,
    play,
    toNext: () => step(next.value, 'nextPart'),
    toBefore: () => step(before.value, 'previousPart'),
    toNextSong: () => step(nextSong.value, 'nextSong'),
  }
}
