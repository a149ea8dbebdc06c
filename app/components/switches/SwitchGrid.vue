<script setup lang="ts">
import { computed } from 'vue'
import type { Controller, Finding, Footswitch, Rig } from '#core'
import { floorRows } from '~/components/dock/floorRows'
import SwitchTile from './SwitchTile.vue'

/** A bank's footswitches as they lie on the floor, the far row on top. */
const { rig, controller, switches, chosen, found } = defineProps<{
  rig: Rig
  controller: Controller
  switches: ReadonlyMap<number, Footswitch>
  chosen: number | null
  found: readonly Finding[]
}>()
const emit = defineEmits<{ choose: [number: number] }>()

const rows = computed(() => floorRows(controller))
const rowName = (row: number) => {
  if (rows.value.length === 1) return ''
  if (row === 0) return 'far row'
  return row === rows.value.length - 1 ? 'near row' : `row ${rows.value.length - row}`
}
const foundAt = (number: number) =>
  found.filter(({ about }) => about.table === 'switches' && about.id === switches.get(number)?.id)
</script>

<template>
  <div class="grid">
    <section v-for="(row, at) in rows" :key="row[0]" class="row" :aria-label="rowName(at) || 'switches'">
      <p v-if="rowName(at)" class="name">{{ rowName(at) }}</p>
      <div class="tiles" :style="{ gridTemplateColumns: `repeat(${row.length}, minmax(0, 1fr))` }">
        <SwitchTile
          v-for="number in row"
          :key="number"
          :rig="rig"
          :controller="controller"
          :number="number"
          :footswitch="switches.get(number) ?? null"
          :chosen="number === chosen"
          :found="foundAt(number)"
          @choose="emit('choose', number)"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.grid {
  flex: 1;
  display: grid;
  grid-auto-rows: minmax(150px, 258px);
  gap: 8px;
  min-height: 0;
  overflow: auto;
  padding: 10px 2px 2px;
}

.row {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.name {
  display: flex;
  align-items: center;
  gap: 10px;
  padding-bottom: 5px;
  font-size: 12px;
  color: var(--ink-faint);
}

.name::after {
  content: '';
  flex: 1;
  border-top: 1px dashed var(--line);
}

.tiles {
  flex: 1;
  display: grid;
  gap: 10px;
  min-height: 0;
}
</style>
