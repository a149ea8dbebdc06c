<script setup lang="ts">
import WordHints from '~/components/common/WordHints.vue'
import { computed } from 'vue'
import { cablesIn, type Box, type Rig } from '#core/rig'
import FoldSection from '~/components/common/FoldSection.vue'
import JackRow from './JackRow.vue'

const { rig, box } = defineProps<{ rig: Rig; box: Box }>()

const inUse = computed(() => box.ports.filter(({ id }) => cablesIn(rig, box.id, id).length > 0).length)
</script>

<template>
  <FoldSection title="Jacks and cables" :summary="`${inUse} of ${box.ports.length} in use`" open>
    <ul>
      <JackRow v-for="port in box.ports" :key="port.id" :rig="rig" :box="box" :port="port" />
    </ul>
    <WordHints :of="['thru', 'trs-type', 'contact', 'latching', 'momentary', 'phantom']" />
  </FoldSection>
</template>
