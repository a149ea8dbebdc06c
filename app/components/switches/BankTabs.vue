<script setup lang="ts">
import { Plus } from '@lucide/vue'
import { nextTick, useTemplateRef, watch } from 'vue'
import type { Bank } from '#core'

const { banks, currentId, first, canAdd } = defineProps<{
  banks: readonly Bank[]
  currentId: string | null
  /** What the controller shows for its first bank. */
  first: number
  canAdd: boolean
}>()
const emit = defineEmits<{ go: [bank: Bank]; add: [] }>()

const strip = useTemplateRef('strip')
watch(
  () => currentId,
  async () => {
    await nextTick()
    strip.value
      ?.querySelector('[aria-selected="true"]')
      ?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  },
)

function onKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  const next = by && banks.at((banks.findIndex(({ id }) => id === currentId) + by) % banks.length)
  if (!next) return
  event.preventDefault()
  emit('go', next)
  void nextTick(() => strip.value?.querySelector<HTMLElement>('[aria-selected="true"]')?.focus())
}
</script>

<template>
  <div class="bar">
    <div ref="strip" class="strip" role="tablist" aria-label="Banks">
      <button
        v-for="bank in banks"
        :key="bank.id"
        type="button"
        role="tab"
        :aria-selected="bank.id === currentId"
        :tabindex="bank.id === currentId ? 0 : -1"
        @keydown="onKey"
        @click="emit('go', bank)"
      >
        <span class="mono number">{{ bank.index + first }}</span> {{ bank.name }}
      </button>
    </div>
    <button v-if="canAdd" type="button" class="add" @click="emit('add')">
      <Plus :size="14" aria-hidden="true" /> Bank
    </button>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: end;
  border-bottom: 1px solid var(--line);
}

.strip {
  display: flex;
  min-width: 0;
  overflow-x: auto;
  scrollbar-width: thin;
}

button {
  flex: none;
  border: 0;
  border-bottom: 2px solid transparent;
  padding: 5px 11px;
  background: none;
}

button:hover {
  background: var(--hover);
}

button:focus-visible {
  outline-offset: -2px;
}

[aria-selected='true'] {
  border-bottom-color: var(--ink);
  font-weight: 700;
}

.number {
  color: var(--ink-faint);
}

.add {
  display: flex;
  align-items: center;
  gap: 4px;
  color: var(--link);
  font-weight: 600;
}
</style>
