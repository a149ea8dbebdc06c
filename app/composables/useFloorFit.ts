import { useWindowSize } from '@vueuse/core'
import { computed } from 'vue'
import { toePlace } from '#core/pedal'
import { inOrder, placeKey } from '#core/rig'
import { jackPlaces } from '#core/simulate'
import { floorForm, raisedForm, underHeight } from '~/composables/floorFit'
import { floorRows } from '~/composables/floorRows'
import { useDock } from '~/composables/useDock'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'

/** More than two feet have no use for more pedals at once; the others are in Pedals. */
const PEDALS_MAX = 12

/** What lies on the floor under the view, and in which form there is room for it. */
export function useFloorFit() {
  const floor = useFloorStore()
  const rigs = useRigStore()
  const { width, height } = useWindowSize()
  const { isTall } = useDock()
  const rows = computed(() => (floor.controller ? floorRows(floor.controller) : []))
  const pedals = computed(() => (rigs.rig ? inOrder(rigs.rig.pedals).slice(0, PEDALS_MAX) : []))
  /** What is on jacks, but for the toe switches of pedals: those stand beside their pedal. */
  const jacks = computed(() => {
    const { rig } = rigs
    if (!rig || !floor.controller) return []
    const toes = new Set(
      pedals.value.flatMap((pedal) => {
        const toe = toePlace(rig, pedal)
        return toe?.at === 'controller' ? [placeKey(toe)] : []
      }),
    )
    return jackPlaces(rig, floor.controller).filter((one) => !toes.has(placeKey(one)))
  })
  const rowCount = computed(() => rows.value.length + (jacks.value.length > 0 ? 1 : 0))
  const size = computed(() => ({ width: width.value, height: height.value }))
  const lowered = computed(() => floorForm(size.value, rowCount.value, pedals.value.length))
  /** The window is too low for a floor beside a view: the page scrolls, and the floor is a line, or comes last. */
  const isShort = computed(() => lowered.value === 'line')
  const form = computed(() =>
    isTall.value ? raisedForm(size.value, rowCount.value, pedals.value.length) : lowered.value,
  )
  const under = computed(() => underHeight(form.value, pedals.value.length))
  return { rows, jacks, pedals, form, isShort, under }
}
