<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Practice } from '#core/rig'
import { meanMs, practiceChart } from '~/charts/practiceChart'
import { dateText } from '#shared/words/times'
import { shareText, tookText } from '~/text/practice'

/** Day by day: how many calls were missed, and how long the foot took. */
const { days } = defineProps<{ days: readonly Practice[] }>()

const HEIGHT = 96
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const drawn = computed(() => practiceChart(days, Math.max(120, width.value - 96), HEIGHT))
const line = computed(() =>
  drawn.value.dots.flatMap(({ x, timeY }) => (timeY === null ? [] : [`${x},${timeY}`])).join(' '),
)
const first = computed(() => drawn.value.dots[0])
const last = computed(() => drawn.value.dots.at(-1))
</script>

<template>
  <figure ref="box">
    <div class="drawn" aria-hidden="true">
      <div class="axis left mono">
        <span>100 %</span>
        <span>missed</span>
        <span>0</span>
      </div>
      <svg :width="Math.max(120, width - 96)" :height="HEIGHT" focusable="false">
        <line x1="0" :y1="HEIGHT - 0.5" x2="100%" :y2="HEIGHT - 0.5" class="rule" />
        <rect
          v-for="dot in drawn.dots"
          :key="dot.on"
          :x="dot.x - drawn.bar / 2"
          :y="dot.missY"
          :width="drawn.bar"
          :height="HEIGHT - dot.missY"
          class="miss"
        />
        <polyline :points="line" class="time" />
        <template v-for="dot in drawn.dots" :key="`t${dot.on}`">
          <circle v-if="dot.timeY !== null" :cx="dot.x" :cy="dot.timeY" r="3" class="dot" />
        </template>
      </svg>
      <div class="axis mono">
        <span>{{ tookText(drawn.longestMs) }}</span>
        <span>to find</span>
        <span>0</span>
      </div>
    </div>
    <figcaption v-if="first && last" class="mono ends" aria-hidden="true">
      <span>{{ dateText(first.on) }}</span>
      <span v-if="last.on !== first.on">{{ dateText(last.on) }}</span>
    </figcaption>
    <table class="unseen">
      <caption>
        Practice by day
      </caption>
      <thead>
        <tr>
          <th>Day</th>
          <th>Calls</th>
          <th>Missed</th>
          <th>Mean time</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in days" :key="one.id">
          <td>{{ dateText(one.on) }}</td>
          <td>{{ one.calls }}</td>
          <td>{{ one.misses }}, {{ shareText(one.misses, one.calls) }}</td>
          <td>{{ tookText(meanMs(one)) }}</td>
        </tr>
      </tbody>
    </table>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

.drawn {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) 44px;
  gap: 4px;
}

.axis {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  font-size: 11px;
  line-height: 1;
  color: var(--ink-soft);
}

.left {
  text-align: right;
}

.rule {
  stroke: var(--line);
}

.miss {
  fill: var(--line);
  stroke: var(--ink-soft);
}

.time {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.dot {
  fill: var(--ground);
  stroke: var(--ink);
  stroke-width: 1.5;
}

.ends {
  display: flex;
  justify-content: space-between;
  padding: 2px 48px 0;
  font-size: 11px;
  color: var(--ink-soft);
}
</style>
