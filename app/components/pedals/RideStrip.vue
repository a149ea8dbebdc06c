<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { isMeant, type Ridden, type Stretch } from '#core/pedal'
import { ridePath } from '~/charts/rideChart'
import { count } from '#shared/words/counts'
import { secondsText } from '#shared/words/times'

/** A ride as a strip of time, with where it is off marked: hatched where that was meant, crossed where it was not. */
const { name, ride, rests, offs, canTurn } = defineProps<{
  name: string
  ride: Ridden
  rests: readonly Stretch[]
  offs: readonly (Stretch & { readonly isWrong: boolean })[]
  /** Rests can be clicked to say whether they were meant. */
  canTurn: boolean
}>()
const emit = defineEmits<{ turn: [from: number, to: number] }>()

const strip = useTemplateRef('strip')
const { width } = useElementSize(strip)
const HEIGHT = 52
const at = (ms: number) => ((width.value || 600) * ms) / Math.max(1, ride.length)
const path = computed(() => ridePath(ride, width.value || 600, HEIGHT))
const wrong = computed(() => offs.filter(({ isWrong }) => isWrong).length)
/** Rests long enough to be hit with a finger or told one by one. */
const turnable = computed(() => rests.filter(({ from, to }) => to - from >= 100))
</script>

<template>
  <figure>
    <figcaption>
      <b>{{ name }}</b>
      <span class="mono soft">{{ secondsText(ride.length) }}</span>
      <span
        >{{ count(offs.length, 'time') }} off, {{ wrong === 0 ? 'none wrongly' : `${wrong} wrongly` }}</span
      >
    </figcaption>
    <div ref="strip" class="strip">
      <svg :height="HEIGHT" width="100%" aria-hidden="true">
        <defs>
          <pattern
            :id="`hatch-${name.replace(/\W/g, '')}`"
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line y2="5" class="hatch" />
          </pattern>
        </defs>
        <g v-for="(one, n) in ride.meant" :key="`meant-${n}`">
          <rect class="meant" :x="at(one.from)" :width="at(one.to - one.from)" :y="HEIGHT - 4" height="4" />
        </g>
        <g v-for="(one, n) in offs" :key="n">
          <rect
            :x="at(one.from)"
            :width="Math.max(1.5, at(one.to - one.from))"
            y="0"
            :height="HEIGHT - 5"
            :fill="`url(#hatch-${name.replace(/\W/g, '')})`"
          />
          <text v-if="one.isWrong" class="cross" :x="at(one.from)" y="12">×</text>
          <text v-else-if="at(one.to - one.from) > 26" class="off" :x="at(one.from) + 4" y="12">off</text>
        </g>
        <path :d="path" />
      </svg>
      <template v-if="canTurn">
        <button
          v-for="(one, n) in turnable"
          :key="`turn-${n}`"
          type="button"
          class="rest"
          :style="{ left: `${at(one.from)}px`, width: `${Math.max(14, at(one.to - one.from))}px` }"
          :aria-pressed="isMeant(ride, one)"
          :aria-label="`Rest of ${secondsText(Math.round(one.to - one.from))} at ${secondsText(Math.round(one.from))}: meant to be off`"
          @click="emit('turn', one.from, one.to)"
        ></button>
      </template>
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

figcaption {
  display: flex;
  gap: 12px;
  padding-bottom: 2px;
  font-size: 12px;
}

.strip {
  position: relative;
  border-bottom: 1px solid var(--line-strong);
}

svg {
  display: block;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.hatch {
  stroke: var(--line-strong);
  stroke-width: 2;
}

.meant {
  fill: var(--clock);
}

.cross {
  font: 700 14px var(--mono);
  fill: var(--error);
}

.off {
  font: 500 11px var(--mono);
  fill: var(--ink-soft);
}

.rest {
  position: absolute;
  bottom: 0;
  height: 26px;
  padding: 0;
  border: 1px dashed var(--line-strong);
  background: none;
}

.rest[aria-pressed='true'] {
  border-style: solid;
  border-color: var(--clock);
}
</style>
