<script setup lang="ts">
import Button from 'primevue/button'
import { useEventListener } from '@vueuse/core'
import { onMounted, useTemplateRef } from 'vue'

/** Before something is written over: what goes, and the ways to do it. */
const { text, ways } = defineProps<{
  text: string
  ways: readonly { readonly key: string; readonly text: string }[]
}>()
const emit = defineEmits<{ go: [key: string]; cancel: [] }>()

const bar = useTemplateRef('bar')
useEventListener(bar, 'keydown', (event) => event.key === 'Escape' && emit('cancel'))
onMounted(() => bar.value?.querySelector('button')?.focus())
</script>

<template>
  <div ref="bar" class="bar" role="alertdialog" :aria-label="text">
    <p>{{ text }}</p>
    <Button v-for="way in ways" :key="way.key" :label="way.text" size="small" @click="emit('go', way.key)" />
    <Button label="Leave it" severity="secondary" variant="outlined" size="small" @click="emit('cancel')" />
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  margin-top: 8px;
  padding: 7px 10px;
  border: 1px solid var(--line-strong);
  border-left: 4px solid var(--warning);
  background: var(--sheet);
}

p {
  flex: 1 1 240px;
}
</style>
