<script setup lang="ts">
import Button from 'primevue/button'
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue'
import {
  boxOfController,
  knownIn,
  panelView,
  pressPanel,
  startPanel,
  type Controller,
  type KeyInLine,
  type Panel,
  type PanelBox,
  type Press,
  type Rig,
  type Stroke,
} from '#core'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import { usePlatform } from '~/platform/platform'
import { fullPlaceText, rowPlaceText, strokeText } from '#shared/keyInText'

/** The controller's front panel, simulated: worked by hand, or by a line of the sheet. */
const { rig, controller, line, before, end } = defineProps<{
  rig: Rig
  controller: Controller
  line: KeyInLine | null
  /** Lines that come before it: what it copies may be of them. */
  before: readonly KeyInLine[]
  end: readonly Stroke[]
}>()

const { clock } = usePlatform()

const box = computed((): PanelBox => boxOfController(rig, controller))
const keying = computed(() => box.value.shape.keying)

/** What is known to be in the controller; where nobody knows it is taken for empty. */
const stored = computed(() => knownIn(rig, controller))
const panel = shallowRef<Panel>(startPanel())
const restart = () => {
  stopPlaying()
  panel.value = startPanel(stored.value)
}
watch([keying, stored], restart, { immediate: true })

const view = computed(() => panelView(box.value, panel.value))
const last = ref('')

function press(one: Press): void {
  panel.value = pressPanel(box.value, panel.value, one)
  last.value = strokeText(controller, keying.value, { ...one, times: 1 })
}

/** How long a key is held: by the pointer itself, or as chosen here. */
const HOLDS = [
  { value: 0, text: 'short' },
  { value: 1, text: '1 s' },
  { value: 2, text: '2 s' },
  { value: 3, text: '3 s' },
] as const
const hold = ref<0 | 1 | 2 | 3>(0)
let downAt = 0
let downKey = ''
const down = (key: string) => {
  downAt = clock.now().getTime()
  downKey = key
}

/** One fast step for every so many ms it is held. */
const RUN_MS = 150

function keyUp(key: string): void {
  const held =
    hold.value > 0 ? hold.value * 1000 : downKey === key && downAt > 0 ? clock.now().getTime() - downAt : 0
  downAt = 0
  const fast = fastOf(key)
  if (fast !== null && held >= fast && !isCommand(key, held))
    return press({ key, holdMs: held, runs: Math.max(1, Math.floor((held - fast) / RUN_MS)) })
  press(held >= 400 ? { key, holdMs: held } : { key })
}

/** After how long a key runs fast; null for one that does not. */
function fastOf(key: string): number | null {
  for (const { set } of keying.value.fields)
    if (set.how === 'steps' && set.fast && (set.up === key || set.down === key)) return set.fast.afterMs
  return null
}

const isCommand = (key: string, held: number): boolean =>
  [...keying.value.save.keys, ...keying.value.clear, ...keying.value.cancel].some(
    (one) => one.key === key && one.holdMs > 0 && held >= one.holdMs,
  )

const switches = computed(() =>
  box.value.places.map((place, n) => ({
    key: `s/${place.jack}/${place.number}`,
    text: place.jack === '' ? String(place.number) : `jack ${n + 1 - controller.rows * controller.columns}`,
  })),
)
const takesDigits = computed(() =>
  [
    ...keying.value.fields.map(({ set }) => set.how),
    ...ways.value.map((move) => (move.do === 'choose' ? move.set.how : '')),
  ].includes('digits'),
)
const ways = computed(() => [
  ...keying.value.toSwitch,
  ...keying.value.toKept,
  ...(keying.value.copy?.choose ?? []),
])
const points = computed(() => ways.value.some((move) => move.do === 'choose' && move.set.how === 'pick'))
const stepsOn = computed(() => ways.value.some((move) => move.do === 'choose' && move.set.how === 'itself'))
const banks = computed(() => Array.from({ length: controller.bankCount }, (_, n) => n))

const pick = (at: string) => press({ key: 'pick', at })
const typed = ref('')
function typeLetters(): void {
  for (const letter of typed.value) press({ key: 'type', at: letter })
  typed.value = ''
}
const isTyping = computed(() => keying.value.fields.some(({ set }) => set.how === 'type'))

/** The line being played, press by press. */
const waiting = shallowRef<Press[]>([])
let stop: (() => void) | null = null
function stopPlaying(): void {
  stop?.()
  stop = null
  waiting.value = []
}
onUnmounted(stopPlaying)
const PLAY_MS = 140

const flat = (strokes: readonly Stroke[]): Press[] =>
  strokes.flatMap(({ times, ...one }) => Array.from({ length: times }, () => one))

function playLine(): void {
  if (!line) return
  restart()
  // As the sheet expects it: all lines before are done, and the controller is in the bank of the last.
  const done = new Map(stored.value)
  for (const { key, wanted } of before) done.set(key, wanted)
  panel.value = { ...startPanel(done), chosen: line.from }
  waiting.value = [...line.steps.flatMap(({ strokes }) => flat(strokes)), ...flat(end)]
  next()
}

function next(): void {
  const [one, ...rest] = waiting.value
  if (!one) return
  press(one)
  waiting.value = rest
  stop = rest.length > 0 ? clock.after(PLAY_MS, next) : null
}

function atOnce(): void {
  const all = waiting.value
  stopPlaying()
  for (const one of all) press(one)
}

const verdict = computed(() => {
  if (!line || waiting.value.length > 0 || panel.value.presses === 0) return ''
  const held = panel.value.stored.get(line.key)
  return held && JSON.stringify(held) === JSON.stringify(line.wanted)
    ? 'It holds what the plan says.'
    : 'It does not hold what the plan says.'
})
</script>

<template>
  <section class="panel" aria-label="Front panel">
    <header>
      <h2>{{ controller.name }}</h2>
      <p class="soft mono">{{ panel.presses }} pressed</p>
    </header>
    <output class="display mono" :aria-label="view.field ? `Display, ${view.field}` : 'Display'">{{
      view.display || ' '
    }}</output>
    <p class="soft state" role="status">
      {{
        view.doing === 'play'
          ? 'Not editing.'
          : view.doing === 'open'
            ? `Editing${view.field ? `: ${view.field}` : ''}.`
            : 'On the way.'
      }}
      {{ last && `Last: ${last}.` }}
    </p>
    <div v-if="line" class="play">
      <Button
        :label="
          waiting.length > 0
            ? `Playing, ${waiting.length} to go`
            : `Play ${fullPlaceText(controller, line.place)}`
        "
        size="small"
        :disabled="waiting.length > 0"
        @click="playLine"
      />
      <Button v-if="waiting.length > 0" label="At once" size="small" severity="secondary" @click="atOnce" />
      <Button v-else label="Begin anew" size="small" severity="secondary" @click="restart" />
      <p v-if="verdict" role="status" :class="{ wrong: verdict.includes('not') }">{{ verdict }}</p>
    </div>
    <Button v-else class="begin" label="Begin anew" size="small" severity="secondary" @click="restart" />
    <ChoiceRow label="Keys are pressed" :value="hold" :choices="HOLDS" @choose="hold = $event" />
    <div class="keys" role="group" aria-label="Keys">
      <button
        v-for="one in keying.keys"
        :key="one.id"
        type="button"
        :class="{ dial: one.isDial }"
        @pointerdown="down(one.id)"
        @click="keyUp(one.id)"
      >
        {{ one.name }}
      </button>
    </div>
    <div v-if="takesDigits" class="keys digits" role="group" aria-label="Digits">
      <button v-for="n in 10" :key="n" type="button" @click="press({ key: `d${n - 1}` })">{{ n - 1 }}</button>
    </div>
    <div v-if="stepsOn" class="keys" role="group" aria-label="Footswitches">
      <button
        v-for="one in switches"
        :key="one.key"
        type="button"
        class="foot"
        :aria-label="`Footswitch ${one.text}`"
        @pointerdown="down(one.key)"
        @click="keyUp(one.key)"
      >
        {{ one.text }}
      </button>
    </div>
    <div v-if="points" class="picks">
      <label
        >Bank
        <select
          :value="panel.chosen.bank"
          @change="pick(`bank:${($event.target as HTMLSelectElement).value}`)"
        >
          <option v-for="n in banks" :key="n" :value="n">{{ n + controller.firstBank }}</option>
        </select>
      </label>
      <div class="keys" role="group" aria-label="Switches">
        <button v-for="(one, n) in switches" :key="one.key" type="button" @click="pick(`place:${n}`)">
          {{ one.text }}
        </button>
      </div>
      <div v-if="view.picks.length > 0" class="keys" role="group" :aria-label="`Choices for ${view.field}`">
        <button v-for="one in view.picks" :key="one.at" type="button" @click="pick(one.at)">
          {{ one.text }}
        </button>
      </div>
      <form v-if="isTyping" class="typing" @submit.prevent="typeLetters">
        <label>Letters <input v-model="typed" maxlength="60" /></label>
        <Button type="submit" label="Type" size="small" severity="secondary" />
      </form>
    </div>
    <ol v-if="view.rows.length > 0" class="rows" aria-label="What is open">
      <li v-for="row in view.rows" :key="row.at" :class="{ here: row.isHere }">
        <span class="soft">{{ rowPlaceText(row.at) }}</span>
        <button
          v-if="keying.reach.how === 'direct'"
          type="button"
          class="word mono"
          @click="pick(`field:${row.at}:0`)"
        >
          {{ row.text || 'empty' }}
        </button>
        <span v-else class="mono">{{ row.text || 'empty' }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  gap: 10px;
}

header,
.play {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 12px;
}

header h2 {
  flex: 1;
}

.display {
  display: block;
  min-height: 46px;
  padding: 8px 14px;
  border-radius: var(--corner);
  background: var(--dock);
  color: var(--tape);
  font-size: 24px;
  line-height: 1.25;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}

.state {
  min-height: 20px;
  font-size: 12.5px;
}

.begin {
  justify-self: start;
}

.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}

.keys button {
  min-height: 30px;
  min-width: 34px;
  padding: 2px 10px;
  border: 1px solid var(--line-strong);
  border-bottom-width: 3px;
  border-radius: var(--corner);
  background: var(--ground);
}

.keys button:active {
  border-bottom-width: 1px;
  transform: translateY(2px);
}

.keys .dial {
  border-radius: 16px;
}

.keys .foot {
  background: var(--tape);
  color: var(--tape-ink);
  border-color: var(--tape-edge);
}

.picks,
.rows {
  display: grid;
  gap: 6px;
}

.typing {
  display: flex;
  gap: 8px;
  align-items: center;
}

.rows {
  gap: 0;
  font-size: 12.5px;
}

.rows li {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 8px;
  padding: 2px 6px;
  border-left: 3px solid transparent;
}

.rows .word {
  min-height: 24px;
  text-align: left;
}

.here {
  border-left-color: var(--ink);
  background: var(--ground);
}

.wrong {
  color: var(--error);
  font-weight: 600;
}
</style>
