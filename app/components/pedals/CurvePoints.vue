<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { addPoint, movePoint, removePoint, STEPS } from '#core/pedal'
import type { Control, CurvePoint, Target } from '#core/rig'
import { shareAt, type PedalScales } from '~/charts/pedalChart'

/** The own points of a curve, to be dragged, or moved by keys. */
const { target, control, scales, points, drawing } = defineProps<{
  target: Target
  control: Control
  scales: PedalScales
  /** Those under the finger; null while nothing is dragged. */
  points: readonly CurvePoint[] | null
  /** What the scales are of. */
  drawing: HTMLElement | null
}>()
const emit = defineEmits<{
  /** While a point is dragged, and once it is let go or moved by a key. */
  lead: [points: CurvePoint[]]
  points: [points: readonly CurvePoint[]]
}>()

const kept = computed(() => (target.curve.kind === 'points' ? target.curve.points : []))
const current = computed(() => points ?? kept.value)
/** With where they stand in the drawing. */
const shown = computed(() => {
  const drawn: Target = { ...target, curve: { kind: 'points', points: [...current.value] } }
  return current.value.map((point, n) => {
    const percent = target.from + point.at * (target.to - target.from)
    const position = (percent / 100) * STEPS
    return { ...point, n, x: scales.x(position), y: scales.y(shareAt(drawn, control, Math.round(position))) }
  })
})

/** Across and up between 0 and 1 for a place in the drawing, along the target's own range. */
function pointAt(event: MouseEvent): CurvePoint {
  const box = drawing!.getBoundingClientRect()
  const percent = (scales.x.invert(event.clientX - box.left) / STEPS) * 100
  const linear: Target = { ...target, curve: { kind: 'linear' } }
  const at = (end: number) => shareAt(linear, control, Math.round((end / 100) * STEPS))
  const [low, high] = [at(target.from), at(target.to)]
  const up = scales.y.invert(event.clientY - box.top)
  return {
    at: (percent - target.from) / (target.to - target.from),
    to: high === low ? 0 : (up - low) / (high - low),
  }
}

function dragPoint(event: PointerEvent, n: number): void {
  if (event.buttons === 1) emit('lead', movePoint(current.value, n, pointAt(event)))
}

function grabPoint(event: PointerEvent, n: number): void {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragPoint(event, n)
}

function letGo(): void {
  if (points) emit('points', points)
}

function keyPoint(event: KeyboardEvent, n: number): void {
  const by = event.shiftKey ? 0.1 : 0.01
  const { at, to } = kept.value[n]!
  const moves: Readonly<Record<string, CurvePoint>> = {
    ArrowUp: { at, to: to + by },
    ArrowDown: { at, to: to - by },
    ArrowLeft: { at: at - by, to },
    ArrowRight: { at: at + by, to },
  }
  const isGone = event.key === 'Delete' || event.key === 'Backspace'
  const move = moves[event.key]
  if (move) emit('points', movePoint(kept.value, n, move))
  else if (isGone) emit('points', removePoint(kept.value, n))
  else return
  event.preventDefault()
  event.stopPropagation()
}

useEventListener(
  () => drawing,
  'dblclick',
  (event: MouseEvent) => {
    if (kept.value.length > 0) emit('points', addPoint(kept.value, pointAt(event)))
  },
)
</script>

<template>
  <g
    v-for="point in shown"
    :key="point.n"
    class="point"
    tabindex="0"
    role="slider"
    :aria-label="`Point ${point.n + 1} of the curve, at ${Math.round(point.at * 100)} % of the travel`"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuenow="Math.round(point.to * 100)"
    @pointerdown.stop="grabPoint($event, point.n)"
    @pointermove="dragPoint($event, point.n)"
    @pointerup="letGo"
    @pointercancel="letGo"
    @keydown="keyPoint($event, point.n)"
  >
    <rect class="grip" :x="point.x - 14" :y="point.y - 14" width="28" height="28" />
    <rect class="mark" :x="point.x - 5" :y="point.y - 5" width="10" height="10" />
  </g>
</template>

<style scoped>
.point {
  cursor: grab;
  touch-action: none;
}

.grip {
  fill: transparent;
}

.mark {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
}

.point:focus-visible {
  outline: none;
}

.point:focus-visible .mark {
  stroke: var(--focus);
  stroke-width: 3.5;
}
</style>
