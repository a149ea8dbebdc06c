<script setup lang="ts">
import WordHints from './WordHints.vue'
import type { Rig } from '#core/rig'
import { laneInputs, type PressSending } from '~/charts/pressSending'
import { count } from '#shared/words/counts'
import { bytesText, channelText, messageText, messageTone, millisecondsText } from '#shared/words/messages'
import WireChart from './WireChart.vue'

/** Messages in lanes on one time axis, and one by one with their bytes. */
const { rig, sending } = defineProps<{ rig: Rig; sending: PressSending }>()
</script>

<template>
  <section>
    <div class="head">
      <h3>What goes down the wire</h3>
      <span class="mono">{{ count(sending.bytes, 'byte') }}, {{ millisecondsText(sending.time) }}</span>
    </div>
    <p v-if="sending.messages.length === 0" class="none">Nothing yet.</p>
    <template v-else>
      <WireChart :inputs="laneInputs(rig, sending.messages)" :lane-height="18" />
      <table class="mono">
        <thead class="unseen">
          <tr>
            <th scope="col">Starts</th>
            <th scope="col">Channel</th>
            <th scope="col">Message</th>
            <th scope="col">Bytes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in sending.messages" :key="one.start">
            <td>{{ millisecondsText(one.start) }}</td>
            <td>{{ channelText(one.message) }}</td>
            <td :class="messageTone(one.message)">{{ messageText(one.message) }}</td>
            <td class="bytes">{{ bytesText(one.bytes) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <WordHints :of="['program-change', 'control-change', 'channel']" />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  font-size: 12px;
}

.none {
  color: var(--ink-soft);
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}

td {
  padding: 1px 0;
  white-space: nowrap;
}

td:nth-child(3) {
  font-weight: 600;
}

.bytes {
  text-align: right;
}
</style>
