<script setup lang="ts">
import { computed } from 'vue'
import { controlsOf } from '#core/chart'
import { LOOP_CHARTS, LOOP_KINDS, loopKindOf, type LoopKind } from '#core/looper'
import {
  contactsOf,
  editRow,
  inOrder,
  LOOP_GESTURES,
  LOOP_STATES,
  type Device,
  type LoopChart,
  type LoopGesture,
  type LoopInput,
  type LoopMove,
  type LoopState,
  type Rig,
} from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import NumberField from '~/components/common/NumberField.vue'
import { useRigStore } from '~/stores/rig'
import { LOOP_GESTURE_TEXT, LOOP_KIND_TEXT, LOOP_STATE_TEXT, LOOP_TEMPO_TEXT } from '~/text/tempo'

/** How one looper works: its kind, what works its inputs, how long a hold is, and every move of its chart. */
const { rig, device } = defineProps<{ rig: Rig; device: Device | null }>()
const emit = defineEmits<{ choose: [id: Device['id']] }>()

const rigs = useRigStore()
const chart = computed(() => device?.looper ?? null)
const put = (looper: LoopChart | null): unknown =>
  device && rigs.edit(editRow(rig, 'setLooper', 'devices', device.id, { looper }))
const edit = (fields: Partial<LoopChart>): unknown => chart.value && put({ ...chart.value, ...fields })
const found = computed(() =>
  rigs.found.filter(
    ({ code, facts }) =>
      (code === 'loopClear' || code === 'loopStop' || code === 'loopTempo') &&
      'device' in facts &&
      facts.device === device?.name,
  ),
)

const kinds = computed(() => [
  ...(chart.value && loopKindOf(chart.value) === null
    ? [{ value: 'own' as LoopKind | 'own', text: 'its own way' }]
    : []),
  ...LOOP_KINDS.map((value) => ({ value: value as LoopKind | 'own', text: LOOP_KIND_TEXT[value] })),
])

/** What worked the inputs before works the same places of the new kind. */
function setKind(kind: LoopKind | 'own'): void {
  if (kind === 'own') return
  const next = LOOP_CHARTS[kind]
  put({
    ...next,
    inputs: next.inputs.map((input, n) => ({ ...input, by: chart.value?.inputs[n]?.by ?? null })),
  })
}

const key = (by: LoopInput['by']): string =>
  by === null ? 'none' : by.kind === 'contact' ? `contact/${by.contactId}` : `control/${by.controlId}`
const ways = computed(() => {
  if (!device) return []
  const all: { value: string; text: string; by: LoopInput['by'] }[] = [
    { value: 'none', text: 'not said', by: null },
  ]
  for (const contact of contactsOf(rig, device))
    if (contact.output !== null) {
      const by = { kind: 'contact' as const, contactId: contact.id }
      all.push({ value: key(by), text: `contact ${contact.name}`, by })
    }
  for (const control of controlsOf(rig, device.id)) {
    // A switch of a looper is a controller number; a parameter is none.
    if (control.address.kind !== 'cc') continue
    const by = { kind: 'control' as const, controlId: control.id }
    all.push({ value: key(by), text: control.name, by })
  }
  // What works it now stays in the list, though nothing reaches it.
  for (const { by } of chart.value?.inputs ?? [])
    if (!all.some(({ value }) => value === key(by)))
      all.push({
        value: key(by),
        text: by?.kind === 'contact' ? `contact ${by.contactId}, not reached` : 'gone',
        by,
      })
  return all
})

function bind(id: string, value: string): void {
  const by = ways.value.find((one) => one.value === value)?.by ?? null
  if (chart.value) edit({ inputs: chart.value.inputs.map((one) => (one.id === id ? { ...one, by } : one)) })
}

const moveAt = (state: LoopState, input: string, gesture: LoopGesture): string => {
  const one = chart.value?.moves.find(
    (move) => move.in === state && move.input === input && move.gesture === gesture,
  )
  return one ? `${one.to}/${one.also ?? ''}` : 'none'
}
const TARGETS = [
  { value: 'none', text: 'nothing' },
  ...LOOP_STATES.map((to) => ({ value: `${to}/`, text: LOOP_STATE_TEXT[to] })),
  ...(['playing', 'overdubbing', 'stopped'] as const).flatMap((to) =>
    (['undo', 'redo'] as const).map((also) => ({
      value: `${to}/${also}`,
      text: `${also}, then ${LOOP_STATE_TEXT[to]}`,
    })),
  ),
]

function setMove(state: LoopState, input: string, gesture: LoopGesture, value: string): void {
  if (!chart.value) return
  const others = chart.value.moves.filter(
    (move) => !(move.in === state && move.input === input && move.gesture === gesture),
  )
  const [to = '', also = ''] = value.split('/')
  const made: LoopMove[] =
    value === 'none'
      ? []
      : [
          {
            in: state,
            input,
            gesture,
            to: to as LoopState,
            also: also === '' ? null : (also as 'undo' | 'redo'),
          },
        ]
  edit({ moves: [...others, ...made] })
}

const others = computed(() =>
  inOrder(rig.devices).filter(({ looper, kind }) => looper === null && kind !== 'supply'),
)

function makeLooper(id: string): void {
  const one = others.value.find((each) => each.id === id)
  if (one && rigs.edit(editRow(rig, 'setLooper', 'devices', id, { looper: LOOP_CHARTS.oneSwitch })))
    emit('choose', one.id)
}
</script>

<template>
  <div class="loop">
    <template v-if="device && chart">
      <h2>{{ device.name }}</h2>
      <ChoiceField
        label="How it works"
        :value="loopKindOf(chart) ?? 'own'"
        :choices="kinds"
        @choose="setKind"
      />
      <ChoiceField
        v-for="input in chart.inputs"
        :key="input.id"
        :label="`${input.name}: worked by`"
        :value="key(input.by)"
        :choices="ways"
        @choose="bind(input.id, $event)"
      />
      <ChoiceField
        label="A press counts"
        :value="chart.acts"
        :choices="[
          { value: 'down', text: 'when the foot comes down' },
          { value: 'up', text: 'when it comes off' },
        ]"
        @choose="edit({ acts: $event as 'down' | 'up' })"
      />
      <NumberField
        label="A hold counts after"
        :value="chart.holdMs"
        :min="200"
        :max="10000"
        suffix=" ms"
        @take="edit({ holdMs: $event })"
      />
      <NumberField
        label="Two presses count within"
        :value="chart.doubleMs"
        :min="100"
        :max="1000"
        suffix=" ms"
        @take="edit({ doubleMs: $event })"
      />
      <ChoiceField
        label="Its loop"
        :value="chart.tempo"
        :choices="Object.entries(LOOP_TEMPO_TEXT).map(([value, text]) => ({ value, text }))"
        @choose="edit({ tempo: $event as LoopChart['tempo'] })"
      />
      <FoldSection title="Every move of its chart">
        <div v-for="input in chart.inputs" :key="input.id" class="moves">
          <template v-for="gesture in LOOP_GESTURES" :key="gesture">
            <h3>{{ input.name }}, {{ LOOP_GESTURE_TEXT[gesture] }}</h3>
            <ChoiceField
              v-for="state in LOOP_STATES"
              :key="state"
              :label="`while ${LOOP_STATE_TEXT[state]}`"
              :value="moveAt(state, input.id, gesture)"
              :choices="TARGETS"
              @choose="setMove(state, input.id, gesture, $event)"
            />
          </template>
        </div>
      </FoldSection>
      <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
      <button type="button" class="word" @click="put(null)">It is no looper</button>
    </template>
    <ChoiceField
      v-if="others.length > 0"
      label="Another device that loops"
      value="none"
      :choices="[
        { value: 'none', text: 'choose' },
        ...others.map(({ id, name }) => ({ value: id as string, text: name })),
      ]"
      @choose="makeLooper"
    />
  </div>
</template>

<style scoped>
.loop {
  display: grid;
  gap: 10px;
}

.loop > .word {
  justify-self: start;
}

.moves {
  display: grid;
  gap: 6px;
}
</style>
