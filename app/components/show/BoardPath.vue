<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { switchesHere, type BankId, type Controller, type Layer, type Rig } from '#core/rig'
import type { PartWay } from '#core/show'
import { switchName } from '#core/sound'
import { boardPath } from '~/charts/boardPath'

/** A bank from above, and the foot's way on it through some parts: the thicker, the less time there is. */
const { rig, controller, bankId, layer, ways } = defineProps<{
  rig: Rig
  controller: Controller
  bankId: BankId
  layer: Layer
  ways: readonly PartWay[]
}>()

const drawn = computed(() => boardPath(controller, bankId, layer, ways))
const names = computed(() => {
  const here = switchesHere(rig, bankId, layer)
  return new Map(
    drawn.value.tiles.map(({ number }) => {
      const one = here.get(`/${number}`)
      return [number, one ? switchName(rig, one, controller) : '']
    }),
  )
})
const played = computed(
  () =>
    new Set(
      ways.flatMap(({ route }) => {
        const last = route?.moves.at(-1)
        return last && last.from.bankId === bankId && last.from.layer === layer && last.jack === ''
          ? [last.number]
          : []
      }),
    ),
)
const title = computed(() => {
  const steps = drawn.value.legs.length
  const name = own(rig.banks, bankId)?.name ?? ''
  return `${name || 'The bank'} from above: ${steps} ${steps === 1 ? 'way' : 'ways'} of the foot on it`
})
</script>

<template>
  <figure class="board">
    <svg :viewBox="`0 0 ${drawn.width} ${drawn.height}`" role="img" :aria-label="title">
      <g
        v-for="tile in drawn.tiles"
        :key="tile.number"
        class="tile"
        :class="{ played: played.has(tile.number) }"
      >
        <rect :x="tile.x" :y="tile.y" :width="drawn.side" :height="drawn.side" rx="3" />
        <text :x="tile.x + 5" :y="tile.y + 13" class="number">{{ tile.number }}</text>
        <foreignObject :x="tile.x + 2" :y="tile.y + drawn.side - 29" :width="drawn.side - 4" height="28">
          <span class="name">{{ names.get(tile.number) }}</span>
        </foreignObject>
      </g>
      <g v-for="(leg, n) in drawn.legs" :key="n" :class="{ late: leg.isLate }">
        <path :d="leg.path" :stroke-width="leg.width" class="leg" />
        <circle :cx="leg.to.x" :cy="leg.to.y" r="4" />
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.board {
  margin: 0;
}

svg {
  display: block;
  width: 100%;
  max-height: 240px;
}

.tile rect {
  fill: var(--sheet);
  stroke: var(--line-strong);
}

.tile.played rect {
  fill: var(--tape);
  stroke: var(--tape-edge);
}

.number {
  fill: var(--ink-soft);
  font: 500 11px var(--mono);
}

.played .number {
  fill: var(--tape-ink);
}

.name {
  display: -webkit-box;
  height: 28px;
  align-content: end;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  color: var(--ink);
  font: 600 10.5px/1.15 var(--text);
  overflow-wrap: anywhere;
}

.played .name {
  color: var(--tape-ink);
}

.leg {
  fill: none;
  stroke: var(--program);
  stroke-linecap: round;
  stroke-opacity: 0.75;
}

circle {
  fill: var(--program);
}

.late .leg {
  stroke: var(--error);
  stroke-dasharray: 6 4;
}

.late circle {
  fill: var(--error);
}
</style>
