<script setup lang="ts">
import { computed } from 'vue'
import { formatDisplay, inOrder, type Finding, type Rig, type TableName } from '#core'
import FindingMark from '~/components/common/FindingMark.vue'
import type { Selection } from '~/composables/useSelection'
import { count } from '~/text/counts'

const { rig, found, selection } = defineProps<{
  rig: Rig
  found: readonly Finding[]
  selection: Selection | null
}>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const rows = computed(() => [
  ...inOrder(rig.controllers).map((one) => ({
    id: one.id,
    table: 'controllers' as const,
    name: one.name,
    channel: 'controller',
    facts: `${one.rows} x ${one.columns} switches, ${count(one.bankCount, 'bank')}`,
    choice: { kind: 'controller', controllerId: one.id } as Selection,
  })),
  ...inOrder(rig.devices).map((one) => ({
    id: one.id,
    table: 'devices' as const,
    name: one.name,
    channel: typeof one.channel === 'number' ? `ch ${one.channel}` : one.channel,
    facts: `presets ${formatDisplay(one.numbering, 0)} to ${formatDisplay(one.numbering, one.numbering.count - 1)}`,
    choice: { kind: 'device', deviceId: one.id } as Selection,
  })),
])
const foundAbout = (table: TableName, id: string) =>
  found.filter(({ about }) => about.table === table && about.id === id)
const isChosen = (choice: Selection) =>
  (choice.kind === 'device' && selection?.kind === 'device' && choice.deviceId === selection.deviceId) ||
  (choice.kind === 'controller' &&
    selection?.kind === 'controller' &&
    choice.controllerId === selection.controllerId)
</script>

<template>
  <ul class="list" aria-label="On the floor">
    <li v-for="row in rows" :key="row.id">
      <button
        type="button"
        :class="{ chosen: isChosen(row.choice) }"
        :aria-pressed="isChosen(row.choice)"
        @click="emit('choose', row.choice)"
      >
        <span class="name">{{ row.name }}</span>
        <span class="chip">{{ row.channel }}</span>
        <span class="mono facts">{{ row.facts }}</span>
        <FindingMark :found="foundAbout(row.table, row.id)" />
      </button>
    </li>
  </ul>
</template>

<style scoped>
.list {
  min-height: 0;
  overflow: auto;
  display: grid;
  gap: 6px;
  padding: 2px;
}

button {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 100px 200px 60px;
  align-items: center;
  gap: 12px;
  width: 100%;
  padding: 9px 14px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
  text-align: left;
}

button:hover {
  border-color: var(--line-strong);
}

.chosen {
  border-color: var(--ink);
  box-shadow: 0 0 0 1px var(--ink);
}

.name {
  overflow-wrap: anywhere;
  font: 700 15px/1.3 var(--display);
}

.chip {
  justify-self: start;
}

.facts {
  font-size: 12px;
  color: var(--ink-soft);
}
</style>
