<script setup lang="ts">
import { Plus } from '@lucide/vue'
import { computed } from 'vue'
import type { Bank } from '#core'
import TabRow from '~/components/common/TabRow.vue'

const { banks, currentId, first, canAdd } = defineProps<{
  banks: readonly Bank[]
  currentId: string | null
  /** What the controller shows for its first bank. */
  first: number
  canAdd: boolean
}>()
const emit = defineEmits<{ go: [bank: Bank]; add: [] }>()

const tabs = computed(() =>
  banks.map((bank) => ({ key: bank.id as string, text: bank.name, number: bank.index + first, bank })),
)

function go(id: string): void {
  const bank = banks.find((one) => one.id === id)
  if (bank) emit('go', bank)
}
</script>

<template>
  <div class="bar">
    <TabRow class="row" label="Banks" :tabs="tabs" :current="currentId ?? ''" @go="go">
      <template #default="{ tab }">
        <span class="mono number">{{ tab.number }}</span> {{ tab.text }}
      </template>
    </TabRow>
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

.row {
  border-bottom: 0;
}

.number {
  color: var(--ink-faint);
}

.add {
  flex: none;
  display: flex;
  align-items: center;
  gap: 4px;
  padding: 5px 11px;
  border: 0;
  background: none;
  color: var(--link);
  font-weight: 600;
}

.add:hover {
  background: var(--hover);
}
</style>
