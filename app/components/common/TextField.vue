<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { ref, useId, watch } from 'vue'

/** A line of text that is taken when the player leaves it or presses Enter; Escape puts the old one back. */
const { label, value, max, hint } = defineProps<{
  label: string
  value: string
  max: number
  hint?: string
}>()
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
  if (draft.value.trim() !== value) emit('take', draft.value.trim())
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <InputText
      :id="id"
      v-model="draft"
      :maxlength="max"
      :aria-describedby="hint ? `${id}-hint` : undefined"
      @blur="take"
      @keydown.enter="take"
      @keydown.escape="draft = value"
    />
    <p v-if="hint" :id="`${id}-hint`" class="hint">{{ hint }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 3px;
}

label {
  font-weight: 600;
  font-size: 12px;
  color: var(--ink-soft);
}

.hint {
  font-size: 12px;
  color: var(--ink-faint);
}
</style>
