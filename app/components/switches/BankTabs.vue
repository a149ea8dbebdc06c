<script setup lang="ts">
import { Plus } from '@lucide/vue'
import Select from 'primevue/select'
import { computed } from 'vue'
import type { Finding } from '#core/check'
import type { Bank } from '#core/rig'
import { lampPaint } from '~/text/lamps'
import TabRow from '~/components/common/TabRow.vue'

const { banks, currentId, first, home, found, canAdd } = defineProps<{
  banks: readonly Bank[]
  currentId: string | null
  /** What the controller shows for its first bank. */
  first: number
  home: string | null
  found: readonly Finding[]
  canAdd: boolean
}>()
const emit = defineEmits<{ go: [bank: Bank]; add: [] }>()

const tabs = computed(() =>
  banks.map((bank) => ({
    key: bank.id as string,
    text: bank.name,
    number: bank.index + first,
    bank,
    isHome: bank.id === home,
    found: found.filter(({ about }) => about.table === 'banks' && about.id === bank.id),
  })),
)

/** More tabs than these are better looked up than scrolled. */
const MANY = 6
const nameOf = ({ number, text }: { number: number; text: string }) => `${number} ${text}`.trim()

function go(id: string): void {
  const bank = banks.find((one) => one.id === id)
  if (bank) emit('go', bank)
}
</script>

<template>
  <div class="bar">
    <TabRow class="row" label="Banks" :tabs="tabs" :current="currentId ?? ''" @go="go">
      <template #default="{ tab }">
        <span
          v-if="tab.bank.colour"
          class="swatch"
          :style="{ background: lampPaint(tab.bank.colour) }"
          role="img"
          :aria-label="tab.bank.colour"
        ></span>
        <span class="mono number">{{ tab.bank.pageOf ? `↳ ${tab.number}` : tab.number }}</span> {{ tab.text
        }}<span v-if="tab.isHome" class="number"> home</span>
      </template>
    </TabRow>
    <Select
      v-if="banks.length > MANY"
      class="jump"
      size="small"
      aria-label="Go to a bank"
      placeholder="Go to"
      :model-value="null"
      :options="tabs"
      option-value="key"
      :option-label="nameOf"
      filter
      filter-placeholder="Name or number"
      auto-filter-focus
      reset-filter-on-hide
      :virtual-scroller-options="tabs.length > 60 ? { itemSize: 34 } : undefined"
      @update:model-value="go"
    />
    <button v-if="canAdd" type="button" class="add" @click="emit('add')">
      <Plus :size="14" aria-hidden="true" /> Bank
    </button>
    <div class="beside"><slot /></div>
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

@media (max-width: 620px) {
  .bar {
    flex-wrap: wrap;
  }

  .row {
    flex: 1 0 100%;
  }
}

.jump {
  flex: none;
  width: 86px;
  margin: 0 4px 4px;
}

.swatch {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 5px;
  border: 1px solid var(--line-strong);
}

.beside {
  flex: none;
  margin-left: auto;
  padding: 2px 0 4px 8px;
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
