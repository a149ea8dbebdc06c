import { computed } from 'vue'
import { STEPS } from '#core/pedal'
import type { PedalId } from '#core/rig'
import { useFloorStore } from '~/stores/floor'

/** How far keys and the wheel move a pedal, in steps. */
const BY_KEY: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 16,
  PageDown: -16,
}
const WITH_SHIFT = 8
const BY_WHEEL = 4

/** A foot on a pedal: where it stands on the floor, and what keys and wheel do to it. */
export function useFoot(pedalId: () => PedalId) {
  const floor = useFloorStore()
  const now = computed(() => floor.pedalAt(pedalId()))
  const moveTo = (position: number): void => floor.movePedal(pedalId(), position)
  return {
    now,
    moveTo,
    onKey: (event: KeyboardEvent): void => {
      const by = BY_KEY[event.key]
      const to = event.key === 'Home' ? 0 : event.key === 'End' ? STEPS : null
      if (by === undefined && to === null) return
      event.preventDefault()
      event.stopPropagation()
      moveTo(to ?? now.value.position + by! * (event.shiftKey ? WITH_SHIFT : 1))
    },
    onWheel: (event: WheelEvent): void => {
      event.preventDefault()
      moveTo(now.value.position - Math.sign(event.deltaY || event.deltaX) * BY_WHEEL)
    },
  }
}
