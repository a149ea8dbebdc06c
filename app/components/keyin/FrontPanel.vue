<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import type { KeyInLine, Stroke } from '#core/keyin'
import type { Controller, Rig } from '#core/rig'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import { fullPlaceText, rowPlaceText } from '#shared/keyInText'
import { usePanel } from './usePanel'

/** The controller's front panel, simulated: worked by hand, or by a line of the sheet. */
const props = defineProps<{
  rig: Rig
  controller: Controller
  line: KeyInLine | null
  /** Lines that come before it: what it copies may be of them. */
  before: readonly KeyInLine[]
  end: readonly Stroke[]
}>()

const { box, keying, panel, view, last, waiting, isRight, press, down, up, play, atOnce, restart } = usePanel(
  () => props,
)

/** How long a key is held: by the pointer itself, or as chosen here. */
const HOLDS = [
  { value: 0, text: 'short' },
  { value: 1, text: '1 s' },
  { value: 2, text: '2 s' },
  { value: 3, text: '3 s' },
] as const
const hold = ref<0 | 1 | 2 | 3>(0)
const keyUp = (key: string) => up(key, hold.value)

const switches = computed(() => {
  const { rows, columns } = props.controller
  return box.value.places.map((place, n) => ({
    key: `s/${place.jack}/${place.number}`,
    text: place.jack === '' ? String(place.number) : `jack ${n + 1 - rows * columns}`,
  }))
})
/** Every way a value or a place is set on this box. */
const setters = computed(() => {
  const { fields, toSwitch, toKept, copy } = keying.value
  const chosen = [...toSwitch, ...toKept, ...(copy?.choose ?? [])]
  return new Set([
    ...fields.map(({ set }) => set.how),
    ...chosen.flatMap((move) => (move.do === 'choose' ? [move.set.how] : [])),
  ])
})
const banks = computed(() => Array.from({ length: props.controller.bankCount }, (_, n) => n))

const pick = (at: string) => press({ key: 'pick', at })
const typed = ref('')
function typeLetters(): void {
  for (const letter of typed.value) press({ key: 'type', at: letter })
  typed.value = ''
}
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
        @click="play"
      />
      <Button v-if="waiting.length > 0" label="At once" size="small" severity="secondary" @click="atOnce" />
      <Button v-else label="Begin anew" size="small" severity="secondary" @click="restart" />
      <p v-if="isRight !== null" role="status" :class="{ wrong: !isRight }">
        {{ isRight ? 'It holds what the plan says.' : 'It does not hold what the plan says.' }}
      </p>
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
    <div v-if="setters.has('digits')" class="keys digits" role="group" aria-label="Digits">
      <button v-for="n in 10" :key="n" type="button" @click="press({ key: `d${n - 1}` })">{{ n - 1 }}</button>
    </div>
    <div v-if="setters.has('itself')" class="keys" role="group" aria-label="Footswitches">
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
    <div v-if="setters.has('pick')" class="picks">
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
      <form v-if="setters.has('type')" class="typing" @submit.prevent="typeLetters">
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
