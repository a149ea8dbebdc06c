<script setup lang="ts">
import { fixedText } from '#core/base'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { loopLength } from '#core/looper'
import { inOrder, LOOP_STATES, type DeviceId, type LoopState, type Rig } from '#core/rig'
import {
  deviceState,
  LOOP_FEET,
  loopSwitches,
  type LoopFootKind,
  type LoopOutcome,
  type LoopSwitch,
} from '#core/simulate'
import { loopStrip } from '~/charts/loopChart'
import { useFloorStore } from '~/stores/floor'
import { LOOP_FOOT_TEXT, LOOP_STATE_TEXT } from '~/text/tempo'
import { secondsText } from '#shared/words/times'
import LoopPlan from './LoopPlan.vue'
import LoopStateChart from './LoopStateChart.vue'

/** A looper: its states, what it is doing, what each switch under the foot makes of it, and the plan of its switches. */
const { rig, chosen } = defineProps<{ rig: Rig; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: DeviceId] }>()

const floor = useFloorStore()
const loopers = computed(() => inOrder(rig.devices).filter(({ looper }) => looper !== null))
const device = computed(() => loopers.value.find(({ id }) => id === chosen) ?? loopers.value[0] ?? null)
const loop = computed(() =>
  device.value && floor.state ? deviceState(floor.state, device.value.id).loop : null,
)
const state = computed((): LoopState => loop.value?.state ?? 'empty')

/** So much of what was is shown, in µs. */
const SPAN = 20_000_000
const at = ref(floor.now())
useIntervalFn(() => {
  at.value = floor.now()
}, 200)
const strip = computed(() =>
  loop.value
    ? loopStrip(loop.value.past, state.value, loop.value.since, Math.max(at.value, loop.value.since), SPAN)
    : [],
)
const nowText = computed(() => {
  if (!loop.value) return 'empty: nothing recorded yet'
  const length = loopLength(loop.value)
  const layers = loop.value.takes.filter(({ fate }) => fate === 'kept').length
  return [
    LOOP_STATE_TEXT[state.value],
    length === null ? '' : `a loop of ${secondsText(Math.round(length / 1000))}`,
    layers > 1 ? `${layers} layers` : '',
  ]
    .filter(Boolean)
    .join(', ')
})
/** What was recorded and is gone again: the press of a hold is felt too. */
const gone = computed(() => {
  const last = loop.value?.takes.at(-1)
  return last && last.fate !== 'kept' && last.to !== null && last.kind === 'dub'
    ? `On the way it overdubbed ${secondsText(Math.round((last.to - last.from) / 1000))}: the press of a hold is felt by the looper too.`
    : ''
})

const here = computed(() =>
  device.value && floor.bank ? loopSwitches(rig, device.value.id, floor.bank.id, floor.layer) : [],
)
const STATES = LOOP_STATES
/** A row for each thing a foot does that does anything. */
const rows = computed(() =>
  here.value.flatMap((one: LoopSwitch) =>
    LOOP_FEET.filter((foot) => STATES.some((from) => says(one, foot, from) !== '')).map((foot) => ({
      one,
      foot,
      name: floor.nameOf(one.footswitch) || `switch ${one.footswitch.number}`,
      cells: STATES.map((from) => says(one, foot, from)),
    })),
  ),
)

function says({ does }: LoopSwitch, foot: LoopFootKind, from: LoopState): string {
  const { to, recorded, loses }: LoopOutcome = does[foot][from]
  const also = recorded > 0 ? ` (${secondsText(Math.round(recorded / 1000))} recorded on the way)` : ''
  if (to === from) return loses ? `a layer less${also}` : recorded > 0 ? `as before${also}` : ''
  return `${LOOP_STATE_TEXT[to]}${loses && to !== 'empty' ? ', a layer less' : ''}${also}`
}
</script>

<template>
  <div class="tab-pane">
    <p v-if="!device" class="soft">
      No looper yet. Add one in Rig, or say at the right which device is one: what its switches do in each
      state, what a hold does, and which of your switches stop it.
    </p>
    <template v-else>
      <div v-if="loopers.length > 1" class="pick" role="group" aria-label="Loopers">
        <button
          v-for="one in loopers"
          :key="one.id"
          type="button"
          class="word"
          :aria-pressed="one.id === device.id"
          @click="emit('choose', one.id)"
        >
          {{ one.name }}
        </button>
      </div>
      <div class="two">
        <div>
          <h2>{{ device.name }}</h2>
          <p role="status" class="now">{{ nowText }}</p>
          <LoopStateChart :chart="device.looper!" :now="state" />
        </div>
        <div>
          <h3>The last 20 seconds</h3>
          <div
            class="strip"
            role="img"
            :aria-label="
              strip.map((one) => `${LOOP_STATE_TEXT[one.state]} ${fixedText(one.seconds, 1)} s`).join(', ') ||
              'nothing yet'
            "
          >
            <span
              v-for="(one, n) in strip"
              :key="n"
              :class="['stretch', one.state]"
              :style="{ left: `${one.left}%`, width: `${one.width}%` }"
              ><i v-if="one.width > 15">{{ LOOP_STATE_TEXT[one.state] }}</i></span
            >
          </div>
          <p v-if="gone" class="warn">{{ gone }}</p>
          <LoopPlan :rig="rig" :device="device" />
        </div>
      </div>
      <h3>What the foot does in this bank</h3>
      <p v-if="here.length === 0" class="soft">
        No switch of this bank works it. Plan some above, or go to a bank that does.
      </p>
      <div v-else class="scroll" tabindex="0" role="group" aria-label="What each step does to the looper">
        <table>
          <thead>
            <tr>
              <th>Switch</th>
              <th v-for="one in STATES" :key="one">{{ LOOP_STATE_TEXT[one] }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="`${row.one.footswitch.id}/${row.foot}`">
              <th><b class="tape">{{ row.name }}</b> {{ LOOP_FOOT_TEXT[row.foot] }}</th>
              <td v-for="(cell, n) in row.cells" :key="n" :class="{ soft: cell === '' }">
                {{ cell || '–' }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(220px, 1fr);
  gap: 6px 20px;
}

.two > div {
  display: grid;
  align-content: start;
  gap: 6px;
  min-width: 0;
}

.now::first-letter {
  text-transform: uppercase;
}

.pick {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
}

.pick [aria-pressed='true'] {
  color: var(--ink);
  text-decoration: underline;
}

.strip {
  position: relative;
  height: 30px;
  overflow: hidden;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
}

.stretch {
  position: absolute;
  inset-block: 0;
  overflow: hidden;
  border-right: 1px solid var(--sheet);
  font-size: 11px;
  line-height: 17px;
  white-space: nowrap;
}

.stretch i {
  padding-left: 4px;
  font-style: normal;
}

.stretch.recording {
  background: var(--ink);
  color: var(--sheet);
}

.stretch.playing {
  box-shadow: inset 0 -10px var(--ink-soft);
}

.stretch.overdubbing {
  background: var(--ink-soft);
  color: var(--sheet);
}

.stretch.stopped {
  border-bottom: 3px double var(--ink-soft);
}

.tape {
  padding: 0 5px;
  background: var(--tape);
  color: var(--tape-ink);
}

.scroll {
  overflow: auto;
}

.warn {
  font-size: 13px;
  color: var(--warning);
}

@container (max-width: 640px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
