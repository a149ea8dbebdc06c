<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { ref, useId, watch } from 'vue'
import type { Reading } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { READING_TEXT } from '~/text/charts'
import { blankReading, formatNames, parseNames } from './readingForm'

/** How a device reads the values of a control. */
const { reading, highest } = defineProps<{ reading: Reading; highest: number }>()
const emit = defineEmits<{ change: [reading: Reading] }>()

const id = useId()
const KINDS = (Object.keys(READING_TEXT) as Reading['kind'][]).map((value) => ({
  value,
  text: READING_TEXT[value],
}))
const change = (fields: object) => emit('change', { ...reading, ...fields } as Reading)

const names = ref('')
const fault = ref('')
watch(
  () => reading,
  (now) => (names.value = now.kind === 'named' ? formatNames(now.names) : ''),
  { immediate: true },
)
function takeNames(): void {
  const read = parseNames(names.value, highest)
  fault.value = read ? '' : `Write one value a line, "0 Scene 1", each number once and at most ${highest}.`
  if (read) change({ names: read })
}

function turnsAt(isOnly: boolean): void {
  if (reading.kind !== 'toggle') return
  const { at: _, ...plain } = reading
  emit('change', isOnly ? { ...plain, at: 'value' } : plain)
}

/** Ends may have fractions. */
function takeEnd(field: 'low' | 'high', event: Event): void {
  const input = event.target as HTMLInputElement
  const number = Number(input.value.replace(',', '.'))
  if (input.value.trim() !== '' && Number.isFinite(number)) change({ [field]: number })
  else if (reading.kind === 'range') input.value = String(reading[field])
}
</script>

<template>
  <div class="reading">
    <ChoiceField
      label="Reads values as"
      :value="reading.kind"
      :choices="KINDS"
      @choose="emit('change', blankReading($event, highest))"
    />
    <div v-if="reading.kind === 'range'" class="fields">
      <div v-for="end in ['low', 'high'] as const" :key="end" class="field">
        <label :for="`${id}-${end}`">{{ end === 'low' ? 'Lowest' : 'Highest' }}</label>
        <InputText
          :id="`${id}-${end}`"
          :model-value="String(reading[end])"
          size="small"
          fluid
          @change="takeEnd(end, $event)"
        />
      </div>
      <TextField label="Unit" :value="reading.unit" :max="20" @take="change({ unit: $event })" />
      <ChoiceField
        label="Scale"
        :value="reading.scale"
        :choices="[
          { value: 'linear', text: 'Linear' },
          { value: 'logarithmic', text: 'Logarithmic' },
        ]"
        @choose="change({ scale: $event })"
      />
      <NumberField
        label="Sent for the lowest"
        :value="reading.from"
        :min="0"
        :max="highest - 1"
        @take="change({ from: $event })"
      />
      <NumberField
        label="Sent for the highest"
        :value="reading.to"
        :min="1"
        :max="highest"
        @take="change({ to: $event })"
      />
    </div>
    <ChoiceField
      v-else-if="reading.kind === 'switch'"
      label="Which values"
      :value="reading.isStrict"
      :choices="[
        { value: false, text: 'Off below the middle, on from it' },
        { value: true, text: `Only 0 and ${highest}` },
      ]"
      @choose="change({ isStrict: $event })"
    />
    <div v-else-if="reading.kind === 'named'" class="field">
      <label :for="`${id}-names`">One value a line</label>
      <textarea :id="`${id}-names`" v-model="names" rows="4" class="mono" @change="takeNames" />
    </div>
    <template v-else-if="reading.kind === 'toggle'">
      <NumberField
        label="Value sent"
        :value="reading.value"
        :min="0"
        :max="highest"
        @take="change({ value: $event })"
      />
      <ChoiceField
        label="It changes over"
        :value="reading.at === 'value'"
        :choices="[
          { value: false, text: 'At each message' },
          { value: true, text: `At ${reading.value} only` },
        ]"
        @choose="turnsAt($event)"
      />
    </template>
    <NumberField
      v-else-if="reading.kind === 'trigger'"
      label="Value sent"
      :value="reading.value"
      :min="0"
      :max="highest"
      @take="change({ value: $event })"
    />
    <div v-else class="fields">
      <NumberField label="Up is" :value="reading.up" :min="0" :max="highest" @take="change({ up: $event })" />
      <NumberField
        label="Down is"
        :value="reading.down"
        :min="0"
        :max="highest"
        @take="change({ down: $event })"
      />
    </div>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
.reading {
  display: grid;
  gap: 8px;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
