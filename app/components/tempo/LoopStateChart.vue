<script setup lang="ts">
import { computed } from 'vue'
import { LOOP_STATES, type LoopChart, type LoopState } from '#core/rig'
import { LOOP_BOX, LOOP_SPOTS, loopArrows } from '~/charts/loopChart'
import { LOOP_GESTURE_TEXT, LOOP_STATE_TEXT } from '~/text/tempo'

/** A looper's states, with the ways between them; the one it is in filled. */
const { chart, now } = defineProps<{ chart: LoopChart; now: LoopState }>()

const arrows = computed(() => loopArrows(chart))
const nameOf = (input: string): string => chart.inputs.find(({ id }) => id === input)?.name ?? input
const words = computed(() =>
  chart.moves
    .map(
      (one) =>
        `${LOOP_STATE_TEXT[one.in]}, ${nameOf(one.input)} ${LOOP_GESTURE_TEXT[one.gesture]}: ${one.also ? `${one.also}, then ` : ''}${LOOP_STATE_TEXT[one.to]}`,
    )
    .join('. '),
)
/** What leads back to where it was is said, not drawn. */
const stays = computed(() =>
  chart.moves
    .filter((one) => one.in === one.to)
    .map(
      (one) =>
        `While ${LOOP_STATE_TEXT[one.in]}, "${nameOf(one.input)}" ${LOOP_GESTURE_TEXT[one.gesture]}: ${one.also ?? 'nothing new'}.`,
    ),
)
/** A press is drawn as a full line, two presses as dashes, a hold as dots; a full line stands for all where there are several. */
const kind = (moves: readonly { gesture: string }[]): string =>
  moves.some(({ gesture }) => gesture === 'press')
    ? 'press'
    : moves.some(({ gesture }) => gesture === 'double')
      ? 'double'
      : 'hold'
</script>

<template>
  <figure class="chart">
    <svg viewBox="0 0 560 235" role="img" :aria-label="`It is ${LOOP_STATE_TEXT[now]}. ${words}`">
      <defs>
        <marker
          id="loop-tip"
          viewBox="0 0 8 8"
          refX="7"
          refY="4"
          markerWidth="7"
          markerHeight="7"
          orient="auto"
        >
          <path d="M0,0 L8,4 L0,8 z" class="tip" />
        </marker>
      </defs>
      <path
        v-for="arrow in arrows"
        :key="`${arrow.from}-${arrow.to}`"
        :d="arrow.path"
        :class="['arrow', kind(arrow.moves)]"
        marker-end="url(#loop-tip)"
      />
      <g v-for="state in LOOP_STATES" :key="state" :class="['state', { now: state === now }]">
        <rect
          :x="LOOP_SPOTS[state][0] - LOOP_BOX.width / 2"
          :y="LOOP_SPOTS[state][1] - LOOP_BOX.height / 2"
          :width="LOOP_BOX.width"
          :height="LOOP_BOX.height"
          rx="3"
        />
        <text :x="LOOP_SPOTS[state][0]" :y="LOOP_SPOTS[state][1] + 6" text-anchor="middle">
          {{ LOOP_STATE_TEXT[state] }}
        </text>
      </g>
    </svg>
    <ul v-if="stays.length > 0" class="stays" aria-hidden="true">
      <li v-for="(one, n) in stays" :key="n">{{ one }}</li>
    </ul>
    <figcaption class="soft" aria-hidden="true">
      <span class="key press"></span> press <span class="key double"></span> two presses
      <span class="key hold"></span> held
    </figcaption>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
  max-width: 560px;
}

svg {
  display: block;
  width: 100%;
}

.state rect {
  fill: var(--sheet);
  stroke: var(--ink);
}

.state text {
  font: 600 19px var(--text);
  fill: var(--ink);
}

.state.now rect {
  fill: var(--ink);
}

.state.now text {
  fill: var(--sheet);
}

.arrow {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}

.arrow.double {
  stroke-dasharray: 7 4;
}

.arrow.hold {
  stroke-dasharray: 2 3;
}

.tip {
  fill: var(--ink);
}

.stays {
  font-size: 12px;
  color: var(--ink-soft);
}

figcaption {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 12px;
}

.key {
  width: 26px;
  margin-left: 8px;
  border-top: 2px solid var(--ink);
}

.key.double {
  border-top-style: dashed;
}

.key.hold {
  border-top-style: dotted;
}
</style>
