<script setup lang="ts">
import { useId } from 'vue'

/** Yes or no, with a line on what it means where that helps. */
const {
  label,
  value,
  note,
  disabled = false,
} = defineProps<{
  label: string
  value: boolean
  note?: string
  disabled?: boolean
}>()
const emit = defineEmits<{ take: [value: boolean] }>()

const id = useId()
</script>

<template>
  <div class="check">
    <input
      :id="id"
      type="checkbox"
      :checked="value"
      :disabled="disabled"
      :aria-describedby="note ? `${id}-note` : undefined"
      @change="emit('take', ($event.target as HTMLInputElement).checked)"
    />
    <label :for="id">{{ label }}</label>
    <span v-if="note" :id="`${id}-note`" class="note">{{ note }}</span>
  </div>
</template>

<style scoped>
.check {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  align-items: start;
  gap: 0 7px;
  /* Room for a finger. */
  min-height: 25px;
}

input {
  width: 16px;
  height: 16px;
  margin: 2px 0;
  accent-color: var(--chosen);
}

.note {
  grid-column: 2;
  font-size: 12px;
  color: var(--ink-soft);
}
</style>
