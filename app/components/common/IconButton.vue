<script setup lang="ts">
import type { Component } from 'vue'

/** A small button that shows a sign only; its name is there for readers and on hover. */
const { icon, name, disabled = false } = defineProps<{ icon: Component; name: string; disabled?: boolean }>()
const emit = defineEmits<{ click: [] }>()
</script>

<template>
  <button
    v-tooltip.top="{ value: name, showDelay: 500 }"
    type="button"
    :aria-label="name"
    :disabled="disabled"
    @click="emit('click')"
  >
    <component :is="icon" :size="14" aria-hidden="true" />
  </button>
</template>

<style scoped>
button {
  flex: none;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  padding: 0;
  border: 0;
  border-radius: var(--corner);
  background: none;
  color: var(--ink-soft);
}

button:hover:enabled {
  background: var(--hover);
  color: var(--ink);
}

button:disabled {
  opacity: 0.35;
  cursor: default;
}
</style>
