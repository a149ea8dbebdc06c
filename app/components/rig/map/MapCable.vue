<script setup lang="ts">
import { computed } from 'vue'
import type { CableRoute } from '#core/map'
import type { Finding } from '#core/check'
import type { Link } from '#core/rig'
import { cableLabel, roundedPath, toneOf } from '~/charts/rigMap'

const { link, route, isChosen, found } = defineProps<{
  link: Link
  route: CableRoute
  isChosen: boolean
  found: readonly Finding[]
}>()
const emit = defineEmits<{ choose: [] }>()

const path = computed(() => roundedPath(route.points, 12))
const label = computed(() => cableLabel(link))
/** A hint is no fault: it is told beside the map. */
const isFaulty = computed(() => found.some(({ severity }) => severity !== 'hint'))
const tone = computed(() => toneOf(link))
const half = computed(() => label.value.length * 3 + 4)
/** On the line where there is room for both, else beside it. */
const isBeside = computed(() => route.label.isLevel && route.label.length < half.value * 2 + 14)
const at = computed(() => ({ x: route.label.x, y: route.label.y - (isBeside.value ? 10 : 0) }))
</script>

<template>
  <g class="cable" :class="[tone, { chosen: isChosen }]" @click="emit('choose')">
    <path class="hit" :d="path" />
    <path class="line" :d="path" />
    <g :transform="`translate(${at.x} ${at.y})`">
      <rect v-if="!isBeside" class="plate" :x="-half" y="-7" :width="half * 2" height="14" rx="2" />
      <text y="3.5">{{ label }}</text>
      <g v-if="isFaulty" :transform="`translate(${half + 9} 0)`" class="fault">
        <circle r="8" />
        <text y="4">!</text>
      </g>
    </g>
  </g>
</template>

<style scoped>
.cable {
  cursor: pointer;
  pointer-events: all;
}

path {
  fill: none;
  stroke-linejoin: round;
}

.hit {
  stroke: transparent;
  stroke-width: 12;
}

.line {
  stroke: var(--tone);
  stroke-width: 3;
}

.midi {
  --tone: var(--program);
}

.usb {
  --tone: var(--exclusive);
}

.air {
  --tone: var(--exclusive);
}

.switching {
  --tone: var(--control);
}

.expression {
  --tone: var(--clock);
}

.power {
  --tone: var(--ink-faint);
}

.usb .line {
  stroke-dasharray: 14 4;
}

.air .line {
  stroke-dasharray: 2 7;
}

.switching .line {
  stroke-dasharray: 9 5;
}

.expression .line {
  stroke-dasharray: 3 5;
}

.audio {
  --tone: var(--good);
}

.audio .line {
  stroke-width: 4;
  stroke-linecap: round;
  stroke-dasharray: 1 6;
}

.power .line {
  stroke-width: 1.5;
}

.chosen .line,
.cable:hover .line {
  stroke: var(--ink);
}

.plate {
  fill: var(--ground);
}

text {
  font: 600 10px var(--mono);
  text-anchor: middle;
  fill: var(--tone);
}

.chosen text {
  fill: var(--ink);
}

.fault circle {
  fill: var(--error);
}

.fault text {
  font-size: 12px;
  font-weight: 700;
  fill: var(--sheet);
}
</style>
