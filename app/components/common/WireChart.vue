<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { cutText, letterCount } from '#core/base'
import { wireLanes, type LaneInput } from '~/charts/wireLanes'

const { inputs, laneHeight = 20 } = defineProps<{ inputs: readonly LaneInput[]; laneHeight?: number }>()

const NAMES = 88
const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)
const drawing = computed(() => wireLanes(inputs, width.value - NAMES - 30))
</script>

<template>
  <div ref="frame" class="frame">
    <svg :width="width" :height="drawing.lanes.length * laneHeight" aria-hidden="true">
      <g
        v-for="(lane, row) in drawing.lanes"
        :key="lane.name"
        :transform="`translate(0 ${row * laneHeight})`"
      >
        <text class="name" x="0" :y="laneHeight / 2">
          {{ letterCount(lane.name) > 14 ? `${cutText(lane.name, 13)}…` : lane.name }}
        </text>
        <line class="rule" :x1="NAMES" :x2="width" :y1="laneHeight - 0.5" :y2="laneHeight - 0.5" />
        <g v-for="bar in lane.bars" :key="bar.start" :transform="`translate(${NAMES + bar.x} 1)`">
          <rect :class="`bar-${bar.tone}`" :width="bar.width" :height="laneHeight - 3" rx="1.5" />
          <text v-if="bar.hasText" class="text" x="4" :y="laneHeight / 2 - 1">{{ bar.text }}</text>
        </g>
        <text
          v-if="lane.aside"
          class="aside"
          :x="NAMES + lane.aside.x"
          :y="laneHeight / 2"
          :text-anchor="lane.aside.isBefore ? 'end' : 'start'"
        >
          {{ lane.aside.text }}
        </text>
      </g>
    </svg>
    <svg class="axis" :width="width" height="18" aria-hidden="true">
      <text
        v-for="(tick, n) in drawing.ticks"
        :key="tick.x"
        :x="NAMES + tick.x"
        y="10"
        :text-anchor="n === 0 ? 'start' : 'middle'"
      >
        {{ tick.text }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  /* The drawing is as wide as there is room, never the other way round: it would hold a turned tablet wide. */
  contain: inline-size;
  min-width: 0;
}

svg {
  display: block;
}

/* The times stay in view however many lanes there are. */
.axis {
  position: sticky;
  bottom: 0;
  background: var(--chart-ground, var(--sheet));
}

text {
  font: 500 11px var(--mono);
  fill: var(--chart-soft, var(--ink-soft));
  dominant-baseline: central;
}

.name {
  font-family: var(--text);
  font-size: 12px;
}

.rule {
  stroke: var(--chart-line, var(--line));
}

.bar-program {
  fill: var(--chart-program, var(--program));
}

.bar-control {
  fill: var(--chart-control, var(--control));
}

.bar-clock {
  fill: var(--chart-clock, var(--clock));
}

.bar-exclusive {
  fill: var(--chart-exclusive, var(--exclusive));
}

.text {
  fill: var(--chart-bar-ink, var(--sheet));
  font-weight: 600;
}
</style>
