<script setup lang="ts" generic="Value extends string | number | boolean">
import Select from 'primevue/select'
import { useId } from 'vue'

/** One of a short list. */
const { label, value, choices } = defineProps<{
  label: string
  value: Value
  choices: readonly { readonly value: Value; readonly text: string }[]
}>()
const emit = defineEmits<{ choose: [value: Value] }>()

const id = useId()
</script>

<template>
  <div class="field">
    <label :id="`${id}-label`" :for="id">{{ label }}</label>
    <Select
      :input-id="id"
      :aria-labelledby="`${id}-label`"
      :model-value="value"
      :options="[...choices]"
      option-label="text"
      option-value="value"
      fluid
      @update:model-value="emit('choose', $event)"
    />
  </div>
</template>
