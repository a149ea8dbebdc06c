<script setup lang="ts">
import { ChevronLeft, ChevronRight, Minus, Plus } from '@lucide/vue'
import { useElementSize, useEventListener, useRafFn } from '@vueuse/core'
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { cutText, letterCount } from '#core/base'
import { KEPT } from '#core/simulate'
import { minuteLanes, momentText, type Stretch } from '~/charts/minuteLanes'
import IconButton from '~/components/common/IconButton.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'

/** The last minute on one true time axis: zoomed, and scrolled back. */
const floor = useFloorStore()
const rigs = useRigStore()

const NAMES = 116
const LANE = 17
const SHORTEST = 2_000
const LONGEST = KEPT

const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)
const span = ref(400_000)
/** The end of what is shown, on the floor's clock; null while it follows what happens. */
const end = ref<number | null>(null)
const last = ref(0)
const now = ref(floor.now())

const { pause, resume } = useRafFn(() => (now.value = floor.now()), { immediate: false })
watch(
  () => [floor.version, floor.rate, floor.nextAt()] as const,
  () => {
    now.value = floor.now()
    last.value = floor.minute().newest
    // The line of now moves while something is due; at rest nothing is drawn.
    if (floor.nextAt() !== null && floor.rate > 0) resume()
    else pause()
  },
  { immediate: true },
)

const shown = computed((): Stretch => {
  const to = end.value ?? (floor.nextAt() === null ? last.value : now.value) + span.value * 0.06
  // A floor younger than the stretch begins at its left.
  return { from: Math.max(0, to - span.value), to: Math.max(to, span.value) }
})
const chart = computed(() => Math.max(0, width.value - NAMES - 8))
const drawing = shallowRef(minuteLanes({} as never, floor.minute(), { from: 0, to: 0 }, 0))
watch(
  () => [floor.version, shown.value, chart.value, rigs.rig] as const,
  ([, stretch, wide, rig]) => {
    if (rig) drawing.value = minuteLanes(rig, floor.minute(), stretch, wide)
  },
  { immediate: true },
)
const nowX = computed(() => {
  const { from, to } = shown.value
  return now.value < from || now.value > to ? null : ((now.value - from) / (to - from)) * chart.value
})
const height = computed(() => drawing.value.lanes.length * LANE + 18)
const summary = computed(
  () =>
    `${momentText(shown.value.from, span.value)} to ${momentText(shown.value.to, span.value)}, ${count(
      drawing.value.lanes.length,
      'lane',
    )}`,
)

function zoom(by: number, at = 1): void {
  const { from, to } = shown.value
  const pivot = from + (to - from) * at
  const next = Math.min(LONGEST, Math.max(SHORTEST, span.value * by))
  if (end.value !== null || at < 0.9) end.value = pivot + next * (1 - at)
  span.value = next
}
function move(by: number): void {
  const to = shown.value.to + span.value * by
  const newest = Math.max(floor.now(), last.value) + span.value * 0.06
  end.value = to >= newest ? null : Math.max(newest - KEPT, to)
}
const follow = () => (end.value = null)

function onWheel(event: WheelEvent): void {
  event.preventDefault()
  const box = frame.value!.getBoundingClientRect()
  if (event.ctrlKey || !event.shiftKey)
    zoom(
      event.deltaY > 0 ? 1.25 : 0.8,
      Math.min(1, Math.max(0, (event.clientX - box.left - NAMES) / chart.value)),
    )
  else move(event.deltaY > 0 ? 0.15 : -0.15)
}
let dragFrom: { x: number; to: number } | null = null
function onDown(event: PointerEvent): void {
  dragFrom = { x: event.clientX, to: shown.value.to }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function onDrag(event: PointerEvent): void {
  if (!dragFrom) return
  const by = ((dragFrom.x - event.clientX) / chart.value) * span.value
  if (Math.abs(by) > 0) {
    end.value = dragFrom.to
    move(by / span.value)
  }
}
const KEYS: Record<string, () => void> = {
  ArrowLeft: () => move(-0.25),
  ArrowRight: () => move(0.25),
  ArrowUp: () => zoom(0.5),
  ArrowDown: () => zoom(2),
  '+': () => zoom(0.5),
  '-': () => zoom(2),
  End: follow,
}
useEventListener(frame, 'wheel', onWheel, { passive: false })
useEventListener(frame, 'keydown', onKey)
useEventListener(frame, 'pointerdown', onDown)
useEventListener(frame, 'pointermove', onDrag)
useEventListener(frame, ['pointerup', 'pointercancel'], () => (dragFrom = null))
function onKey(event: KeyboardEvent): void {
  const run = KEYS[event.key]
  if (!run) return
  event.preventDefault()
  run()
}
</script>

<template>
  <div class="minute">
    <div class="tools">
      <IconButton :icon="Minus" name="Show more time" @click="zoom(2)" />
      <IconButton :icon="Plus" name="Show less time" @click="zoom(0.5)" />
      <IconButton :icon="ChevronLeft" name="Back" @click="move(-0.5)" />
      <IconButton :icon="ChevronRight" name="On" @click="move(0.5)" />
      <button type="button" class="follow" :disabled="end === null" @click="follow">Newest</button>
      <span class="mono soft">{{ summary }}</span>
    </div>
    <div
      ref="frame"
      class="frame"
      role="group"
      tabindex="0"
      :aria-label="`Last minute: ${summary}. Arrow keys move and zoom`"
    >
      <p v-if="drawing.lanes.length === 0" class="soft">
        Nothing happened here. Step on a switch, or go to the newest.
      </p>
      <svg v-else :width="width" :height="height" aria-hidden="true">
        <g v-for="(lane, row) in drawing.lanes" :key="lane.key" :transform="`translate(0 ${row * LANE})`">
          <text class="name" x="0" :y="LANE - 5">
            {{ letterCount(lane.name) > 18 ? `${cutText(lane.name, 17)}…` : lane.name }}
          </text>
          <line class="rule" :x1="NAMES" :x2="width" :y1="LANE - 0.5" :y2="LANE - 0.5" />
          <g v-for="(mark, n) in lane.marks" :key="n" :transform="`translate(${NAMES + mark.x} 2)`">
            <rect :class="mark.tone" :width="mark.width" :height="LANE - 5" rx="1.5">
              <title>{{ mark.text }}</title>
            </rect>
            <path v-if="mark.tone === 'lost'" class="cross" :d="`M0 0l8 ${LANE - 5}M8 0l-8 ${LANE - 5}`" />
            <text v-if="mark.hasText" class="text" :class="`on-${mark.tone}`" x="4" :y="LANE - 8">
              {{ mark.text }}
            </text>
          </g>
        </g>
        <line
          v-if="nowX !== null"
          class="now"
          :x1="NAMES + nowX"
          :x2="NAMES + nowX"
          y1="0"
          :y2="height - 16"
        />
        <text
          v-for="tick in drawing.ticks"
          :key="tick.x"
          class="tick"
          :x="NAMES + tick.x"
          :y="height - 4"
          text-anchor="middle"
        >
          {{ tick.text }}
        </text>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.minute {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  gap: 2px;
  min-height: 0;
}

.tools {
  display: flex;
  align-items: center;
  gap: 2px;
}

.tools :deep(button) {
  color: var(--dock-ink);
}

.tools :deep(button:hover:enabled) {
  background: var(--dock-sheet);
}

.tools .soft {
  margin-left: 8px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.follow {
  min-height: 24px;
  padding: 0 7px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  font-size: 12px;
}

.follow:disabled {
  opacity: 0.5;
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}

.frame {
  contain: inline-size;
  min-height: 0;
  overflow: hidden auto;
  cursor: grab;
  touch-action: pan-y;
}

.frame:active {
  cursor: grabbing;
}

svg {
  display: block;
  user-select: none;
}

text {
  font: 500 11px var(--mono);
  fill: var(--dock-soft);
}

.name {
  font-family: var(--text);
  font-size: 12px;
}

.rule {
  stroke: var(--dock-line);
}

.program {
  fill: var(--dock-program);
}

.control {
  fill: var(--dock-control);
}

.clock {
  fill: var(--dock-clock);
}

.exclusive {
  fill: var(--dock-exclusive);
}

.deaf {
  fill: none;
  stroke: var(--dock-soft);
  stroke-dasharray: 3 3;
}

.lost {
  fill: var(--dock-fault);
}

.cross {
  stroke: var(--dock-bar-ink);
  stroke-width: 1.6;
}

.wait {
  fill: var(--dock-line);
}

.contact,
.foot,
.tap,
.power {
  fill: var(--tape);
}

.text {
  fill: var(--dock-bar-ink);
  font-weight: 600;
}

.text.on-deaf,
.text.on-wait {
  fill: var(--dock-ink);
}

.now {
  stroke: var(--tape);
}
</style>
