<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { laneName } from '~/charts/pressSending'
import WireChart from '~/components/common/WireChart.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { bytesText, messageText, messageTone, millisecondsText } from '#shared/words/messages'
import { timeText } from '#shared/words/times'

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
/** Lanes get lower before they have to be scrolled. */
const chart = useTemplateRef('chart')
const { height } = useElementSize(chart)
const AXIS = 18
const laneHeight = computed(() => {
  const lanes = new Set(inputs.value.map(({ lane }) => lane)).size
  return Math.max(14, Math.min(19, Math.floor((height.value - AXIS) / Math.max(1, lanes))))
})
const bytes = computed(() => wire.value.map((entry) => bytesText(entry.bytes)).join(' '))
const summary = computed(() => {
  const total = wire.value.reduce((sum, entry) => sum + entry.bytes.length, 0)
  const time = (wire.value.at(-1)?.end ?? 0) - (wire.value[0]?.start ?? 0)
  return `${count(wire.value.length, 'message')}, ${count(total, 'byte')}, ${millisecondsText(time)}`
})
</script>

<template>
  <div class="pane">
    <p v-if="!floor.last" class="soft">Step on a switch: press its number key, or click it.</p>
    <p v-else-if="wire.length === 0" class="soft">This step sends no message.</p>
    <template v-else>
      <div ref="chart" class="chart" role="group" aria-label="Messages in lanes" tabindex="0">
        <WireChart :inputs="inputs" :lane-height="laneHeight" />
      </div>
      <p class="foot">
        <span class="bytes mono" role="status" aria-label="Bytes sent" tabindex="0">{{ bytes }}</span>
        <span class="mono soft">{{ summary }}</span>
        <span class="mono soft">{{ timeText(floor.last.at) }}</span>
      </p>
    </template>
  </div>
</template>

<style scoped>
.pane {
  display: grid;
  grid-template: minmax(0, 1fr) auto / minmax(0, 1fr);
  gap: 4px;
  /* What there is, not what is in it: the lanes are as high as that allows. */
  height: 100%;
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}

.chart {
  overflow: auto;
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  white-space: nowrap;
}

.bytes {
  flex: 1 1 150px;
  max-height: 34px;
  overflow: auto;
  font-size: 12px;
  white-space: normal;
}
</style>
