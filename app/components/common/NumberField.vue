<script setup lang="ts">
import InputNumber from 'primevue/inputnumber'
import { useId } from 'vue'

/** A number, whole unless said otherwise, taken when the player leaves the field or presses Enter; kept within its limits. */
const {
  label,
  value,
  min,
  max,
  suffix,
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
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputNumber
      :input-id="id"
      :model-value="value"
      :min="min"
      :max="max"
      :suffix="suffix"
      :max-fraction-digits="decimals"
      :use-grouping="false"
      :allow-empty="false"
      fluid
      @update:model-value="typeof $event === 'number' && $event !== value && emit('take', $event)"
    />
  </div>
</template>
