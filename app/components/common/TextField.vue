<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { ref, useId, watch } from 'vue'
import { useTakeOnLeave } from '~/composables/useTakeOnLeave'

/** A line of text that is taken when the player leaves it or presses Enter; Escape puts the old one back. */
const {
  label,
  value,
  max,
  required = false,
} = defineProps<{ label: string; value: string; max: number; required?: boolean }>()
const emit = defineEmits<{ take: [text: string] }>()

const draft = ref(value)
const id = useId()
watch(
  () => value,
  (next) => {
    draft.value = next
  },
)

function take(): void {
  const text = draft.value.trim()
  if (text === '' && required) draft.value = value
  else if (text !== value) emit('take', text)
}
const leave = useTakeOnLeave(take)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="draft"
      :maxlength="max"
      fluid
      @blur="leave"
      @keydown.enter="take"
      @keydown.escape="draft = value"
    />
  </div>
</template>
