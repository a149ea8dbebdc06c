<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { own } from '#core/base'
import { highestValue, shownText, valueFor, type ControlId, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** A value of a control in the device's own unit; what cannot be read stays, with what may be typed. */
const { rig, controlId, label, value } = defineProps<{
  rig: Rig
  controlId: ControlId
  label: string
  value: number
}>()
const emit = defineEmits<{ take: [value: number] }>()

const id = useId()
const control = computed(() => own(rig.controls, controlId))
const highest = computed(() => (control.value ? highestValue(control.value.address) : 127))
const shown = computed(() =>
  control.value
    ? shownText(control.value.reading, Math.min(value, highest.value), highest.value)
    : String(value),
)
const choices = computed(() => {
  const reading = control.value?.reading
  if (reading?.kind === 'named') return reading.names.map((one) => ({ value: one.value, text: one.name }))
  if (reading?.kind === 'switch')
    return [
      { value: highest.value, text: 'on' },
      { value: 0, text: 'off' },
    ]
  return null
})
const draft = ref(shown.value)
const fault = ref('')
watch(shown, (now) => {
  draft.value = now
  fault.value = ''
})

function take(): void {
  if (!control.value || draft.value.trim() === shown.value) return
  const read = valueFor(control.value.reading, draft.value, highest.value)
  if (read.ok) {
    fault.value = ''
    if (read.value === value) draft.value = shown.value
    else emit('take', read.value)
  } else
    fault.value =
      read.refusal.code === 'outside'
        ? `From ${read.refusal.low} to ${read.refusal.high} ${read.refusal.unit}`.trimEnd()
        : `Type ${read.refusal.allowed}`
}
</script>

<template>
  <ChoiceField
    v-if="choices"
    :label="label"
    :value="value"
    :choices="choices"
    @choose="emit('take', $event)"
  />
  <div v-else class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="draft"
      :invalid="fault !== ''"
      :aria-describedby="`${id}-sent`"
      fluid
      @blur="take"
      @keydown.enter="take"
      @keydown.escape="draft = shown"
    />
    <p :id="`${id}-sent`" :class="fault ? 'fault' : 'soft mono'">{{ fault || `sent as ${value}` }}</p>
  </div>
</template>

<style scoped>
p {
  font-size: 12px;
}

.fault {
  color: var(--error);
}
</style>
