<script setup lang="ts">
import Button from 'primevue/button'
import { useElementSize } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, useTemplateRef } from 'vue'
import {
  editRow,
  GUIDE,
  GUIDE_MS,
  guidedFoot,
  pluggedKey,
  pluggedPedal,
  readSweeps,
  SIMULATED_PEDALS,
  simulatedPedal,
  STEPS,
  type CalibrationRead,
  type Pedal,
  type Rig,
  type SimulatedKind,
  type SimulatedPedal,
} from '#core'
import { ridePath } from '~/charts/rideChart'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useRealPedal } from '~/composables/useRealPedal'
import { usePlatform } from '~/platform/platform'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { count } from '~/text/counts'
import { SIMULATED_TEXT, VERDICT_TEXT, whyText } from '~/text/pedals'
import { isoDate } from '~/text/times'

/** A pedal swept from heel to toe twice: what its jack reads, what that says of it, and what to keep. */
const { rig, pedal } = defineProps<{ rig: Rig; pedal: Pedal }>()

const { clock } = usePlatform()
const rigs = useRigStore()
const midi = useMidiStore()

type Source = SimulatedKind | 'real'
const source = ref<Source>('good')
const sources = [
  ...SIMULATED_PEDALS.map((value) => ({
    value: value as Source,
    text: `Simulated: ${SIMULATED_TEXT[value]}`,
  })),
  { value: 'real' as Source, text: 'A real pedal, on a MIDI input' },
]
const plugged = computed(
  () => pluggedPedal(rig, pedal)?.name ?? (pedal.place.kind === 'builtIn' ? 'The pedal built in' : null),
)

/** Who moves the foot: the app as it asks, or the player. */
const state = ref<'idle' | 'guided' | 'byHand'>('idle')
const readings = shallowRef<{ at: number; value: number }[]>([])
const reading = ref(0)
const foot = ref(0)
const elapsed = ref(0)
const result = shallowRef<CalibrationRead | null>(null)
/** It stopped short the time before. */
let wasShort = false
let seed = 1
let begun = 0
let simulated: SimulatedPedal | null = null
let stop: (() => void) | null = null
let heardNumber: number | null = null

const now = () => clock.microseconds() / 1000

function start(by: 'guided' | 'byHand'): void {
  result.value = null
  readings.value = []
  foot.value = 0
  elapsed.value = 0
  heardNumber = null
  begun = now()
  simulated = source.value === 'real' ? null : simulatedPedal(source.value, seed++)
  state.value = by
  if (source.value === 'real') void midi.open()
  tick()
}

function take(at: number): void {
  if (!simulated) return
  reading.value = simulated.read(foot.value, at)
  readings.value.push({ at, value: reading.value })
}

function tick(): void {
  stop?.()
  const to = now() - begun
  // The jack is read every 10 ms, however often the page is drawn.
  for (let at = (readings.value.at(-1)?.at ?? -10) + 10; simulated && at <= to; at += 10) {
    if (state.value === 'guided') foot.value = guidedFoot(at)
    take(at)
  }
  elapsed.value = to
  readings.value = [...readings.value]
  if (state.value === 'guided' && to >= GUIDE_MS) done()
  else stop = clock.after(30, tick)
}

/** The rest of the way at once. */
function skip(): void {
  for (let at = (readings.value.at(-1)?.at ?? -10) + 10; at <= GUIDE_MS; at += 10) {
    foot.value = guidedFoot(at)
    take(at)
  }
  done()
}

function done(): void {
  stop?.()
  stop = null
  const last = readings.value.at(-1)
  // A real pedal is silent while it stands: it stood there until now.
  const stood = last && !simulated ? [{ at: now() - begun, value: last.value }] : []
  readings.value = [...readings.value, ...stood]
  result.value = readSweeps(readings.value, wasShort)
  wasShort = result.value.why === 'short'
  state.value = 'idle'
}

function cancel(): void {
  stop?.()
  stop = null
  state.value = 'idle'
}
onBeforeUnmount(cancel)

useRealPedal(
  () => state.value !== 'idle' && source.value === 'real',
  ({ at, controller, value }) => {
    // The first number that moves is the pedal's.
    heardNumber ??= controller
    if (controller !== heardNumber) return
    reading.value = value
    readings.value.push({ at: Math.max(0, at - begun), value })
  },
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

/** What was measured, term by term. */
const facts = computed((): (readonly [string, string])[] => {
  const read = result.value
  if (!read) return []
  return [
    ['Heel and toe read', `${read.heel} and ${read.toe}`],
    ['Never reached', `${read.deadHeel.toFixed(0)} % at the heel, ${read.deadToe.toFixed(0)} % at the toe`],
    ['Noise', count(read.noise, 'step')],
    ...(read.spot ? [['Lost between', `${read.spot.from} and ${read.spot.to}`] as const] : []),
    ['To be taken as heel and toe', `${read.from} and ${read.to}`],
  ]
})

function keep(): void {
  const read = result.value
  const key = pluggedKey(rig, pedal)
  if (!read || key === null) return
  const { verdict, heel, toe, noise, from, to } = read
  const limit = (step: number) => Math.min(STEPS, Math.max(0, step))
  rigs.edit(
    editRow(rig, 'calibratePedal', 'pedals', pedal.id, {
      calibration: {
        on: isoDate(clock.now()),
        pedal: key,
        verdict,
        heel,
        toe,
        noise: limit(noise),
        from: limit(from),
        to: limit(to),
      },
    }),
  )
}

const isKept = computed(() => {
  const [kept, read] = [pedal.calibration, result.value]
  return (
    kept !== null &&
    read !== null &&
    kept.heel === read.heel &&
    kept.toe === read.toe &&
    kept.verdict === read.verdict &&
    kept.pedal === pluggedKey(rig, pedal)
  )
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
    <section v-if="result" class="verdict" :class="result.verdict" aria-label="What the sweep says">
      <h2>{{ VERDICT_TEXT[result.verdict] }}</h2>
      <p>{{ whyText(result) }}</p>
      <dl>
        <div v-for="[term, text] in facts" :key="term">
          <dt>{{ term }}</dt>
          <dd class="mono">{{ text }}</dd>
        </div>
      </dl>
      <p>
        <Button v-if="!isKept" label="Keep this" size="small" :disabled="plugged === null" @click="keep" />
        <span v-else class="kept" role="status">Kept.</span>
        <span class="soft small">
          {{ plugged ? ` For ${plugged}. Set the same range on the controller, if it asks for one.` : '' }}
        </span>
      </p>
    </section>
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

.verdict {
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border-left: 3px solid var(--warning);
  background: var(--sheet);
}

.verdict.pass {
  border-color: var(--good);
}

.verdict.suspect {
  border-color: var(--error);
}

dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 0;
  font-size: 13px;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
}

.small {
  font-size: 12px;
}

.kept {
  font-weight: 600;
  color: var(--good);
}
</style>
