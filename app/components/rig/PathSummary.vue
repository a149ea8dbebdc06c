<script setup lang="ts">
import { computed } from 'vue'
import { arrivals, inOrder, type Device, type Rig } from '#core/rig'
import { channelsText, pathText } from '~/text/paths'

/** How messages get to a device, what comes through, and whether clock does. */
const { rig, device } = defineProps<{ rig: Rig; device: Device }>()

const ways = computed(() =>
  inOrder(rig.controllers).flatMap(({ id, sendsClock }) => {
    const arrival = arrivals(rig, id).get(device.id)
    return arrival ? [{ id, arrival, sendsClock }] : []
  }),
)
</script>

<template>
  <section class="path">
    <h3>How messages get here</h3>
    <p v-if="ways.length === 0">Not at all, as things are now.</p>
    <p v-for="way in ways" :key="way.id">
      {{ pathText(rig, way.id, way.arrival) }}. {{ channelsText(way.arrival.channels) }} arrive, and
      {{ way.sendsClock && way.arrival.clock ? 'clock too' : 'no clock' }}.
    </p>
  </section>
</template>

<style scoped>
.path {
  display: grid;
  gap: 3px;
}
</style>
