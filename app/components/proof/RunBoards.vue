<script setup lang="ts">
import { computed } from 'vue'
import type { MoveTold } from '#core/check'
import type { Rig } from '#core/rig'
import { pointOf, showController } from '#core/show'

/** A run as small boards, one a step: the switch that is stepped on is filled, its name on tape below. */
const { rig, moves } = defineProps<{ rig: Rig; moves: readonly MoveTold[] }>()

const SIDE = 13
const GAP = 4
const board = computed(() => showController(rig))
const squares = computed(() => {
  const one = board.value
  if (!one) return []
  return Array.from({ length: one.rows * one.columns }, (_, n) => {
    const { x, y } = pointOf({ ...one, columnMm: 1, rowMm: 1 }, { jack: '', number: n + 1 })
    return { number: n + 1, x: x * (SIDE + GAP), y: (one.rows - 1 - y) * (SIDE + GAP) }
  })
})
const width = computed(() => (board.value?.columns ?? 1) * (SIDE + GAP) - GAP)
const height = computed(() => (board.value?.rows ?? 1) * (SIDE + GAP) - GAP)
const HOW: Record<MoveTold['kind'], string> = {
  press: 'Press',
  double: 'Press twice',
  down: 'Hold',
  up: 'Let go of',
  bank: 'Turn the bank',
}
const isOn = (move: MoveTold, number: number) => move.jack === '' && move.number === number
</script>

<template>
  <ol aria-label="The run, step by step">
    <li v-for="(move, n) in moves" :key="n">
      <span class="nth">{{ n + 1 }}</span>
      <svg
        v-if="squares.length > 0 && squares.length <= 24"
        :viewBox="`-1 -1 ${width + 2} ${height + 2}`"
        :width="width + 2"
        :height="height + 2"
        aria-hidden="true"
      >
        <rect
          v-for="one in squares"
          :key="one.number"
          :x="one.x"
          :y="one.y"
          :width="SIDE"
          :height="SIDE"
          rx="2"
          :class="{ on: isOn(move, one.number), held: move.kind === 'down' && isOn(move, one.number) }"
        />
      </svg>
      <div class="said">
        <p class="how">
          {{ HOW[move.kind] }} {{ move.jack ? `${move.jack} ${move.number}` : (move.number ?? '') }}
          <span v-if="move.bank" class="soft">in {{ move.bank }}</span>
        </p>
        <p v-if="move.name" class="tape">{{ move.name }}</p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
ol {
  display: grid;
  gap: 0;
}

li {
  display: grid;
  grid-template-columns: 18px auto minmax(0, 1fr);
  align-items: center;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.nth {
  color: var(--ink-soft);
  font: 600 12px var(--mono);
}

rect {
  fill: var(--sheet);
  stroke: var(--ink-soft);
  stroke-width: 1;
}

rect.on {
  fill: var(--ink);
  stroke: var(--ink);
}

rect.held {
  stroke-width: 2.5;
  fill: var(--ink-soft);
}

.how {
  font-size: 13px;
}

.tape {
  display: inline-block;
  max-width: 100%;
  overflow: hidden;
  padding: 0 6px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 600 12px/18px var(--text);
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
