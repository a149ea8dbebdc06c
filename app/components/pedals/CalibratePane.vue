<script setup lang="ts">
import Button from 'primevue/button'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { GUIDE, GUIDE_MS, pluggedPedal, SIMULATED_PEDALS, STEPS } from '#core/pedal'
import type { Pedal, Rig } from '#core/rig'
import { ridePath } from '~/charts/rideChart'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useMidiStore } from '~/stores/midi'
import { SIMULATED_TEXT } from '~/text/pedals'
import CalibrationVerdict from './CalibrationVerdict.vue'
import { useSweepReader, type SweepSource } from './useSweepReader'

/** A pedal swept from heel to toe twice: what its jack reads, what that says of it, and what to keep. */
const { rig, pedal } = defineProps<{ rig: Rig; pedal: Pedal }>()

const midi = useMidiStore()

const source = ref<SweepSource>('good')
const sources = [
  ...SIMULATED_PEDALS.map((value) => ({
    value: value as SweepSource,
    text: `Simulated: ${SIMULATED_TEXT[value]}`,
  })),
  { value: 'real' as SweepSource, text: 'A real pedal, on a MIDI input' },
]
const plugged = computed(
  () => pluggedPedal(rig, pedal)?.name ?? (pedal.place.kind === 'builtIn' ? 'The pedal built in' : null),
)

const { state, readings, reading, foot, elapsed, result, start, skip, done, cancel } = useSweepReader(
  () => source.value,
)

const part = computed(() => GUIDE.find(({ to }) => elapsed.value < to) ?? GUIDE.at(-1)!)
const ASKED = {
  heel: 'Rest the foot at the heel.',
  up: 'Sweep to the toe, evenly.',
  toe: 'Rest at the toe.',
  down: 'Sweep back to the heel.',
} as const

const bar = useTemplateRef('bar')
function footTo(event: PointerEvent): void {
  const box = bar.value?.getBoundingClientRect()
  if (box && state.value === 'byHand')
    foot.value = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width))
}
function grab(event: PointerEvent): void {
  bar.value?.setPointerCapture(event.pointerId)
  footTo(event)
}
function onKey(event: KeyboardEvent): void {
  const by = { ArrowRight: 0.02, ArrowUp: 0.02, ArrowLeft: -0.02, ArrowDown: -0.02 }[event.key]
  if (by === undefined || state.value !== 'byHand') return
  event.preventDefault()
  foot.value = Math.min(1, Math.max(0, foot.value + by))
}

const reached = computed(() => {
  const values = readings.value.map(({ value }) => value)
  return values.length === 0 ? null : { low: Math.min(...values), high: Math.max(...values) }
})
const trace = useTemplateRef('trace')
const { width } = useElementSize(trace)
const path = computed(() => {
  const length = Math.max(GUIDE_MS, readings.value.at(-1)?.at ?? 0)
  const moves = readings.value.filter((_, n) => n % 3 === 0).map(({ at, value }) => ({ at, position: value }))
  return ridePath({ moves, length }, width.value || 600, 74)
})
</script>

<template>
  <div class="tab-pane">
    <p class="soft">
      Sweep all the way, heel to toe and back, twice; rest at each end. Both ends of the bar must be reached.
    </p>
    <div class="start">
      <ChoiceField label="Which pedal is read" :value="source" :choices="sources" @choose="source = $event" />
      <template v-if="state === 'idle'">
        <Button v-if="source !== 'real'" label="Sweep it for me" @click="start('guided')" />
        <Button
          :label="source === 'real' ? 'Begin' : 'By hand'"
          :severity="source === 'real' ? undefined : 'secondary'"
          @click="start('byHand')"
        />
      </template>
      <template v-else>
        <Button v-if="state === 'guided'" label="To the end" @click="skip" />
        <Button v-else label="Done" @click="done" />
        <Button label="Stop" severity="secondary" @click="cancel" />
      </template>
    </div>
    <p v-if="plugged === null" class="warn">Nothing is plugged in here: what is read cannot be kept.</p>
    <p v-if="source === 'real' && midi.state !== 'open' && state !== 'idle'" class="warn">
      No MIDI input is open. Let the browser use MIDI, then move the pedal; another browser or https may be
      needed.
    </p>
    <div
      ref="bar"
      class="bar"
      role="slider"
      tabindex="0"
      aria-label="Travel of the pedal"
      aria-valuemin="0"
      aria-valuemax="127"
      :aria-valuenow="reading"
      @pointerdown="grab"
      @pointermove="$event.buttons === 1 && footTo($event)"
      @keydown="onKey"
    >
      <span class="fill" :style="{ width: `${(reading / STEPS) * 100}%` }"></span>
      <span
        v-if="reached"
        class="reached"
        :style="{ left: `${(reached.low / STEPS) * 100}%`, right: `${100 - (reached.high / STEPS) * 100}%` }"
      ></span>
      <span class="mono end">0</span>
      <span class="mono end right">127</span>
      <span class="mono value">{{ reading }}</span>
    </div>
    <p v-show="state !== 'idle'" role="status" class="asked">
      {{
        state === 'guided'
          ? ASKED[part.kind]
          : state === 'byHand'
            ? source === 'real'
              ? 'Move the pedal: heel, toe, heel, toe, heel.'
              : 'Drag along the bar: heel, toe, heel, toe, heel. Then press Done.'
            : ''
      }}
    </p>
    <svg
      v-show="readings.length > 0"
      ref="trace"
      class="trace"
      height="74"
      width="100%"
      role="img"
      aria-label="What was read, over time"
    >
      <path :d="path" />
    </svg>
    <CalibrationVerdict v-if="result" :rig="rig" :pedal="pedal" :read="result" />
  </div>
</template>

<style scoped>
.start {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
}

.start > :first-child {
  width: 290px;
}

.warn {
  color: var(--warning);
}

.bar {
  position: relative;
  height: 44px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  touch-action: none;
  cursor: ew-resize;
}

.fill {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--hover);
  border-right: 2px solid var(--ink);
}

.reached {
  position: absolute;
  bottom: 0;
  height: 5px;
  background: var(--ink);
}

.end,
.value {
  position: absolute;
  top: 4px;
  left: 6px;
  font-size: 12px;
  color: var(--ink-soft);
}

.right {
  left: auto;
  right: 6px;
}

.value {
  left: 50%;
  top: 9px;
  font-size: 17px;
  font-weight: 600;
  color: var(--ink);
}

.asked {
  min-height: 1.4em;
  font-weight: 600;
}

.trace path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
