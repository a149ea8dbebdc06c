<script setup lang="ts">
import { numberText } from '#core/base'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { readNumber, type NumberLimits } from '#core/rig'
import { numberRefusalText } from '~/text/numbers'
import { useTakeOnLeave } from '~/composables/useTakeOnLeave'

/**
 * A number, whole unless said otherwise, taken when the player leaves the field or presses Enter; Escape puts the old one
 * back. What is no number within the limits stays as typed, with what may be typed, and the old value is kept.
 */
const {
  label,
  value,
  min,
  max,
  suffix = '',
  decimals = 0,
} = defineProps<{
  label: string
  value: number
  min: number
  max: number
  suffix?: string
  decimals?: number
}>()
const emit = defineEmits<{ take: [value: number] }>()

const id = useId()
const limits = computed((): NumberLimits => ({ min, max, decimals, unit: suffix.trim() }))
const shown = computed(() => numberText(value, decimals) + suffix)
const draft = ref(shown.value)
const fault = ref('')

function putBack(): void {
  draft.value = shown.value
  fault.value = ''
}
watch(shown, putBack)

function take(): void {
  if (draft.value === shown.value || draft.value.trim() === '') return putBack()
  const read = readNumber(draft.value, limits.value)
  if (!read.ok) {
    fault.value = numberRefusalText(read.refusal, limits.value, value)
    return
  }
  // Where the rig refuses it, what is shown is still what is so.
  putBack()
  if (read.value !== value) emit('take', read.value)
}

function step(by: 1 | -1): void {
  const next = Number((value + by).toFixed(decimals))
  putBack()
  if (next >= min && next <= max) emit('take', next)
}
const leave = useTakeOnLeave(take)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="draft"
      role="spinbutton"
      :inputmode="min < 0 ? 'text' : decimals > 0 ? 'decimal' : 'numeric'"
      autocomplete="off"
      :aria-valuenow="value"
      :aria-valuemin="min"
      :aria-valuemax="max"
      :aria-valuetext="shown"
      :aria-invalid="fault !== ''"
      :aria-describedby="fault ? `${id}-fault` : undefined"
      :invalid="fault !== ''"
      maxlength="40"
      fluid
      @blur="leave"
      @keydown.enter="take"
      @keydown.escape="putBack"
      @keydown.up.prevent="step(1)"
      @keydown.down.prevent="step(-1)"
    />
    <p v-if="fault" :id="`${id}-fault`" class="fault" role="alert">{{ fault }}</p>
  </div>
</template>
