<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { DELAYS_TO_MS, type DelayTried } from '#core/pedal'
import { delayPaths } from '~/charts/rideChart'
import { count } from '#shared/words/counts'

/** What every delay costs: wrong offs falling, waiting rising, and the one with the fewest wrong offs. */
const { tried, proposed, set } = defineProps<{
  tried: readonly DelayTried[]
  proposed: DelayTried
  /** The delay it has now, in ms. */
  set: number
}>()
const emit = defineEmits<{ use: [delayMs: number] }>()

const graph = useTemplateRef('graph')
const { width } = useElementSize(graph)
const GRAPH = 84
const lines = computed(() => delayPaths(tried, width.value || 500, GRAPH))
</script>

<template>
  <div class="trade">
    <svg
      ref="graph"
      :height="GRAPH + 18"
      width="100%"
      role="img"
      :aria-label="`Wrong offs and waiting for every delay up to 2 s; ${proposed.delayMs} ms has the fewest wrong offs`"
    >
      <line
        class="proposed"
        :x1="lines.x(proposed.delayMs)"
        :x2="lines.x(proposed.delayMs)"
        y1="0"
        :y2="GRAPH"
      />
      <line
        class="set"
        :x1="lines.x(Math.min(DELAYS_TO_MS, set))"
        :x2="lines.x(Math.min(DELAYS_TO_MS, set))"
        y1="0"
        :y2="GRAPH"
      />
      <path class="wrong" :d="lines.wrong" />
      <path class="waiting" :d="lines.waiting" />
      <text x="0" :y="GRAPH + 14">0</text>
      <text :x="lines.x(proposed.delayMs)" :y="GRAPH + 14" text-anchor="middle">
        {{ proposed.delayMs }} ms
      </text>
      <text :x="lines.x(DELAYS_TO_MS)" :y="GRAPH + 14" text-anchor="end">2 s</text>
    </svg>
    <div class="said">
      <p class="small">
        <span class="key wrongly" aria-hidden="true"></span> wrong offs and rests missed, at most
        {{ lines.mostWrong }}
      </p>
      <p class="small"><span class="key waits" aria-hidden="true"></span> still on where it is not wanted</p>
      <p>
        <b>{{ proposed.delayMs }} ms</b>
        {{
          proposed.wrong === 0
            ? 'is the shortest delay with no wrong off'
            : `has the fewest wrong offs, ${proposed.wrong}`
        }}{{ proposed.missed > 0 ? `, and misses ${count(proposed.missed, 'rest')}` : '' }}.
        <button
          v-if="proposed.delayMs !== set"
          type="button"
          class="word"
          @click="emit('use', proposed.delayMs)"
        >
          Use it
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.trade {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) 250px;
  gap: 18px;
}

.said {
  display: grid;
  align-content: start;
  gap: 4px;
}

.small {
  font-size: 12px;
}

svg {
  overflow: visible;
}

svg path {
  fill: none;
  stroke-width: 2;
}

.wrong {
  stroke: var(--control);
}

.waiting {
  stroke: var(--program);
  stroke-dasharray: 5 4;
}

.proposed {
  stroke: var(--line-strong);
}

.set {
  stroke: var(--ink);
  stroke-width: 1.5;
}

svg text {
  font: 500 11px var(--mono);
  fill: var(--ink-soft);
}

.key {
  display: inline-block;
  width: 22px;
  margin-right: 4px;
  border-top: 2px solid var(--control);
  vertical-align: middle;
}

.waits {
  border-top: 2px dashed var(--program);
}

@media (max-width: 620px) {
  .trade {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
