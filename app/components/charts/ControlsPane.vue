<script setup lang="ts">
import { CircleHelp } from '@lucide/vue'
import { computed } from 'vue'
import { controlsOf } from '#core/chart'
import type { Finding } from '#core/check'
import { highestValue, type Device, type Rig } from '#core/rig'
import FindingMark from '~/components/common/FindingMark.vue'
import { addressText, readingText } from '~/text/charts'
import VirtualRows from './VirtualRows.vue'

/** A device's chart, line by line. */
const { rig, device, found, chosenId } = defineProps<{
  rig: Rig
  device: Device
  found: readonly Finding[]
  chosenId: string | null
}>()
const emit = defineEmits<{ choose: [controlId: string] }>()

const rows = computed(() => controlsOf(rig, device.id))
const about = computed(() => {
  const all = new Map<string, Finding[]>()
  for (const one of found)
    if (one.about.table === 'controls') all.set(one.about.id, [...(all.get(one.about.id) ?? []), one])
  return all
})
</script>

<template>
  <p v-if="rows.length === 0" class="empty">
    Nothing in this chart yet. Paste the table from the manual, or add a control.
  </p>
  <template v-else>
    <div class="line head" aria-hidden="true">
      <span>Sent as</span><span>Control</span><span>How it reads values</span><span />
    </div>
    <VirtualRows
      :rows="rows"
      :height="31"
      :label="`Controls of ${device.name}`"
      :scroll-to="rows.findIndex(({ id }) => id === chosenId)"
    >
      <template #default="{ row }">
        <button
          type="button"
          class="line"
          :class="{ chosen: row.id === chosenId }"
          :aria-pressed="row.id === chosenId"
          @click="emit('choose', row.id)"
        >
          <span class="mono address">{{ addressText(row.address) }}</span>
          <span class="name"> <b>{{ row.name }}</b> <span class="soft">{{ row.section }}</span> </span>
          <span class="reads">{{ readingText(row.reading, highestValue(row.address)) }}</span>
          <span class="marks">
            <span v-if="row.map === 'preset'" class="chip">per preset</span>
            <span v-if="row.source === 'heard'" class="doubt">
              <CircleHelp :size="14" aria-hidden="true" />doubtful
            </span>
            <FindingMark :found="about.get(row.id) ?? []" />
          </span>
        </button>
      </template>
    </VirtualRows>
  </template>
</template>

<style scoped>
.empty {
  padding: 18px 0;
  max-width: 420px;
}

.line {
  display: grid;
  grid-template-columns: 168px minmax(0, 1fr) minmax(0, 1.2fr) auto;
  align-items: center;
  gap: 10px;
  width: 100%;
  height: 30px;
  padding: 0 8px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  font-size: 13px;
}

.head {
  height: 24px;
  font-size: 12px;
  font-weight: 600;
  color: var(--ink-soft);
}

button.line:hover {
  background: var(--hover);
}

button.line:focus-visible {
  outline-offset: -2px;
}

.chosen {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--ink);
}

.address {
  color: var(--control);
  font-weight: 600;
}

.name,
.reads {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.reads,
.marks {
  display: flex;
  align-items: center;
  gap: 6px;
}

.doubt {
  display: inline-flex;
  align-items: center;
  gap: 3px;
  font-size: 12px;
  color: var(--warning);
}
</style>
