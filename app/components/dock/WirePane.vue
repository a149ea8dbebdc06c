<script setup lang="ts">
import { computed } from 'vue'
import { laneName } from '~/charts/pressSending'
import WireChart from '~/components/common/WireChart.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '~/text/counts'
import { bytesText, messageText, messageTone, millisecondsText } from '~/text/messages'
import { timeText } from '~/text/times'

const floor = useFloorStore()
const rigs = useRigStore()

const wire = computed(() => floor.last?.wire ?? [])
const inputs = computed(() =>
  wire.value.map(({ deviceId, start, end, message }) => ({
    lane: rigs.rig ? laneName(rigs.rig, deviceId) : '',
    start,
    end,
    text: messageText(message),
    tone: messageTone(message),
  })),
)
const bytes = computed(() => wire.value.map((entry) => bytesText(entry.bytes)).join(' '))
const summary = computed(() => {
  const total = wire.value.reduce((sum, entry) => sum + entry.bytes.length, 0)
  const time = (wire.value.at(-1)?.end ?? 0) - (wire.value[0]?.start ?? 0)
  return `${count(wire.value.length, 'message')}, ${count(total, 'byte')}, ${millisecondsText(time)}`
})
</script>

<template>
  <div class="pane">
    <div class="head">
      <h2>On the wire</h2>
      <span v-if="wire.length > 0" class="mono soft">{{ summary }}</span>
      <span v-if="floor.last" class="mono soft">{{ timeText(floor.last.at) }}</span>
    </div>
    <p v-if="!floor.last" class="soft">Step on a switch: press its number key, or click it.</p>
    <p v-else-if="wire.length === 0" class="soft">This step sends no message.</p>
    <template v-else>
      <div class="chart" role="group" aria-label="Messages in lanes" tabindex="0">
        <WireChart :inputs="inputs" :lane-height="19" />
      </div>
      <p class="bytes mono" role="status" aria-label="Bytes sent">{{ bytes }}</p>
    </template>
  </div>
</template>

<style scoped>
.pane {
  display: grid;
  grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
  gap: 4px;
}

.head {
  display: flex;
  justify-content: space-between;
  gap: 14px;
}

h2 {
  font: 600 13px/1.5 var(--text);
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}

.chart {
  overflow: auto;
}

.head > * {
  white-space: nowrap;
}

.bytes {
  max-height: 34px;
  overflow: auto;
  font-size: 12px;
}
</style>
