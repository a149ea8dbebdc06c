<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { own } from '#core/base'
import { crossFade, STEPS } from '#core/pedal'
import type { CurvePoint, Pedal, PedalRole, Rig } from '#core/rig'
import { namePlaces, namesRoom, PAD, pathOf, pedalScales, shortened, targetLines } from '~/charts/pedalChart'
import { useFoot } from '~/composables/useFoot'
import CurvePoints from './CurvePoints.vue'

/** The travel across, each target its own line with its name at its end, and a foot to move under it. */
const { rig, pedal, role, chosen } = defineProps<{
  rig: Rig
  pedal: Pedal
  role: PedalRole
  /** The target whose own points can be dragged. */
  chosen: number | null
}>()
const emit = defineEmits<{ choose: [target: number]; points: [points: CurvePoint[]] }>()

const drawing = useTemplateRef('drawing')
const { width, height } = useElementSize(drawing)
const scales = computed(() => pedalScales(width.value || 680, height.value || 280))

/** Points under the finger, until it lets go. */
const dragged = ref<CurvePoint[] | null>(null)
const target = computed(() => (chosen === null ? null : (role.targets[chosen] ?? null)))
const shownRole = computed((): PedalRole => {
  const one = target.value
  if (!dragged.value || !one) return role
  return {
    ...role,
    targets: role.targets.with(chosen!, { ...one, curve: { kind: 'points', points: dragged.value } }),
  }
})
const control = computed(() => own(rig.controls, target.value?.controlId ?? '') ?? null)
function takePoints(points: readonly CurvePoint[]): void {
  dragged.value = null
  emit('points', [...points])
}
const lines = computed(() => targetLines(rig, shownRole.value))
const fade = computed(() => crossFade(rig, shownRole.value))
/** Where many end, a name is one line, and where not even those find room only the chosen one has one. */
const nameHeight = computed(() => {
  const room = (height.value || 280) - PAD.bottom - PAD.top
  const many = lines.value.length + (fade.value ? 1 : 0)
  return many * 30 <= room ? 30 : many * 14 <= room ? 14 : 0
})
const names = computed(() =>
  namePlaces(
    // What two come to together has its name among them, the last.
    [...lines.value.map(({ shares }) => shares), ...(fade.value ? [fade.value.sum] : [])].map((shares) =>
      scales.value.y(Math.min(1.12, shares.at(-1)!)),
    ),
    nameHeight.value || 14,
    PAD.top + 8,
    (height.value || 280) - PAD.bottom,
  ),
)

const letters = computed(() => namesRoom(width.value || 680).letters)

const { now, moveTo, onKey, onWheel } = useFoot(() => pedal.id)
const foot = useTemplateRef('foot')
const atFoot = computed(() => scales.value.x(now.value.position))

function footTo({ clientX }: PointerEvent): void {
  const left = drawing.value?.getBoundingClientRect().left ?? 0
  moveTo(scales.value.x.invert(clientX - left))
}

function grabFoot(event: PointerEvent): void {
  if (event.button !== 0) return
  foot.value?.setPointerCapture(event.pointerId)
  footTo(event)
}

const percentOf = (step: number) => Math.round((step / STEPS) * 100)
</script>

<template>
  <div class="chart">
    <div ref="drawing" class="drawing">
      <svg width="100%" height="100%" role="group" aria-label="What the sweep does to each control">
        <g class="grid" aria-hidden="true">
          <template v-for="share in [0, 0.25, 0.5, 0.75, 1]" :key="share">
            <line :x1="scales.x(0)" :x2="scales.x(STEPS)" :y1="scales.y(share)" :y2="scales.y(share)" />
            <line
              :x1="scales.x(share * STEPS)"
              :x2="scales.x(share * STEPS)"
              :y1="scales.y(0)"
              :y2="scales.y(1)"
            />
            <text v-if="share % 0.5 === 0" :x="scales.x(0) - 8" :y="scales.y(share) + 4" text-anchor="end">
              {{ share * 100 }} %
            </text>
          </template>
          <text :x="scales.x(0)" :y="scales.y(0) + 16">heel</text>
          <text :x="scales.x(STEPS)" :y="scales.y(0) + 16" text-anchor="end">toe</text>
        </g>
        <template v-if="fade">
          <path class="sum" :d="pathOf(fade.sum, scales)" />
          <text v-if="nameHeight > 0" class="together" :x="scales.x(STEPS) + 10" :y="names.at(-1)! + 4">
            both together
          </text>
        </template>
        <g v-for="(line, n) in lines" :key="line.n">
          <path
            class="line"
            :class="{ chosen: line.n === chosen }"
            :d="pathOf(line.shares, scales)"
            :stroke="line.tone.colour"
            :stroke-dasharray="line.tone.dash"
          />
          <text
            v-if="nameHeight > 0 || line.n === chosen"
            class="name"
            :x="scales.x(STEPS) + 10"
            :y="nameHeight === 0 ? scales.y(line.shares.at(-1)!) : names[n]! + (nameHeight === 30 ? -3 : 4)"
            :fill="line.tone.colour"
          >
            <tspan v-if="nameHeight === 30">{{ shortened(line.device, letters) }}</tspan>
            <tspan :x="scales.x(STEPS) + 10" :dy="nameHeight === 30 ? 14 : 0">
              {{ shortened(line.name, letters) }}
            </tspan>
          </text>
        </g>
        <line class="now" :x1="atFoot" :x2="atFoot" :y1="scales.y(1)" :y2="scales.y(0)" />
        <circle
          v-for="line in lines"
          :key="`at-${line.n}`"
          class="at"
          :cx="atFoot"
          :cy="scales.y(line.shares[now.position]!)"
          r="4.5"
        />
        <CurvePoints
          v-if="target && control"
          :target="target"
          :control="control"
          :scales="scales"
          :points="dragged"
          :drawing="drawing"
          @lead="dragged = $event"
          @points="takePoints"
        />
      </svg>
    </div>
    <div
      ref="foot"
      class="floor"
      role="slider"
      tabindex="0"
      :aria-label="`Foot on ${pedal.name}`"
      aria-valuemin="0"
      aria-valuemax="127"
      :aria-valuenow="now.position"
      :aria-valuetext="`${percentOf(now.position)} %`"
      @pointerdown="grabFoot"
      @pointermove="$event.buttons === 1 && footTo($event)"
      @keydown="onKey"
      @wheel="onWheel"
    >
      <span class="sole" aria-hidden="true" :style="{ left: `${atFoot}px` }"></span>
      <span class="mono percent" aria-hidden="true" :style="{ left: `${atFoot}px` }"
        >{{ percentOf(now.position) }} %</span
      >
    </div>
    <p v-if="fade" class="fade">
      <span class="key" aria-hidden="true"></span> Both together:
      {{
        Math.abs(fade.worst.sum - 1) < 0.05
          ? 'even all the way.'
          : `${Math.round(fade.worst.sum * 100)} % at ${percentOf(fade.worst.position)} % of the travel, where it is ${fade.worst.sum < 1 ? 'thinnest' : 'fullest'}.`
      }}
    </p>
    <div class="lines" role="group" aria-label="Targets of this role">
      <button
        v-for="line in lines"
        :key="line.n"
        type="button"
        class="target"
        :aria-pressed="line.n === chosen"
        @click="emit('choose', line.n)"
      >
        <svg width="26" height="8" aria-hidden="true">
          <path
            d="M0 4H26"
            :stroke="line.tone.colour"
            :stroke-dasharray="line.tone.dash"
            stroke-width="2.5"
          />
        </svg>
        {{ line.device }} {{ line.name }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.chart {
  display: grid;
  grid-template-rows: minmax(180px, 1fr) 34px auto auto;
  min-height: 250px;
}

.drawing {
  position: relative;
  min-height: 0;
}

svg {
  display: block;
  overflow: visible;
}

.grid line {
  stroke: var(--line);
}

.grid text {
  font: 500 11px var(--mono);
  fill: var(--ink-soft);
}

.line {
  fill: none;
  stroke-width: 2;
}

.line.chosen {
  stroke-width: 3.2;
}

.name {
  font: 600 12px var(--text);
}

.together {
  font: 500 11px var(--mono);
  fill: var(--ink-soft);
}

.sum {
  fill: none;
  stroke: var(--ink-faint);
  stroke-width: 1;
  stroke-dasharray: 1 3;
}

.now {
  stroke: var(--ink);
  stroke-width: 1.5;
}

.at {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
}

.floor:focus-visible {
  outline: none;
}

.floor:focus-visible .sole {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.floor {
  position: relative;
  border-radius: var(--corner);
  cursor: ew-resize;
  touch-action: none;
}

.sole {
  position: absolute;
  top: 0;
  width: 24px;
  height: 32px;
  margin-left: -12px;
  border-radius: 11px 11px 8px 8px;
  background: var(--ink);
}

.percent {
  position: absolute;
  top: 8px;
  margin-left: 18px;
  font-size: 12px;
  white-space: nowrap;
}

.fade {
  padding-top: 2px;
  font-size: 12px;
  color: var(--ink-soft);
}

.key {
  display: inline-block;
  width: 24px;
  margin-right: 4px;
  border-top: 1.5px dotted var(--ink-faint);
  vertical-align: middle;
}

.lines {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  max-height: 88px;
  overflow: auto;
  padding: 5px 0;
}

.target {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 1px 8px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
  font-size: 13px;
}

.target[aria-pressed='true'] {
  border-color: var(--ink);
  font-weight: 600;
}
</style>
