<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { quarterMs } from '#core/tempo'
import { beatRows, BEATS, isOnBeat, type BeatEcho } from '~/charts/beatAxis'
import { bpmText, DIVISION_TEXT, msText } from '~/text/tempo'

/** Beats, taps, clock and echoes on one axis of time. */
const { bpm, taps, hasClock, echoes } = defineProps<{
  bpm: number
  taps: readonly number[]
  hasClock: boolean
  echoes: readonly BeatEcho[]
}>()

const box = useTemplateRef('box')
const { width } = useElementSize(box)
const LABELS = 132
const drawn = computed(() => beatRows(bpm, taps, hasClock, echoes, Math.max(120, width.value - LABELS - 12)))
const words = computed(() =>
  [
    `Two bars at ${bpmText(bpm)} bpm, ${msText(quarterMs(bpm))} a beat.`,
    ...echoes.map(
      (one) =>
        `${one.name} repeats every ${msText(one.reachedMs)}, ${isOnBeat(bpm, one) ? `a ${DIVISION_TEXT[one.division]}` : 'off the beat'}.`,
    ),
  ].join(' '),
)
</script>

<template>
  <figure ref="box" class="axis" role="img" :aria-label="words">
    <div v-for="row in drawn.rows" :key="row.name" class="row" aria-hidden="true">
      <span class="name" :title="row.name">{{ row.name }}</span>
      <svg :width="Math.max(120, width - LABELS - 12)" height="22" focusable="false">
        <line x1="0" y1="18.5" :x2="width" y2="18.5" class="rule" />
        <line
          v-for="(tick, n) in row.ticks"
          :key="n"
          :x1="tick.x + 1"
          :x2="tick.x + 1"
          :y1="tick.size === 'large' ? 2 : 11"
          y2="18"
          :style="{ opacity: Math.max(0.25, tick.fade) }"
          :class="['tick', { thin: tick.size === 'small', clock: row.name.startsWith('Clock') }]"
        />
      </svg>
    </div>
    <figcaption aria-hidden="true" class="mono">
      <span v-for="n in BEATS" :key="n">{{ ((n - 1) % 4) + 1 }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.axis {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 4px 0;
}

.row {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  align-items: end;
  gap: 8px;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 12px;
  line-height: 22px;
  color: var(--ink-soft);
}

.rule {
  stroke: var(--line);
}

.tick {
  stroke: var(--ink);
  stroke-width: 2;
}

.tick.thin {
  stroke-width: 1;
}

.tick.clock {
  stroke: var(--clock);
}

figcaption {
  display: grid;
  grid-template-columns: repeat(8, 1fr);
  margin-left: 140px;
  padding-right: 4px;
  font-size: 11px;
  color: var(--ink-soft);
}
</style>
