<script setup lang="ts">
import { computed } from 'vue'
import { usedBy, type Rig } from '#core'
import { switchPlace, useText } from '~/text/sounds'

/** What a change here touches, said before it is made. */
const { rig, table, id } = defineProps<{
  rig: Rig
  table: 'devices' | 'presets' | 'controls' | 'sounds'
  id: string
}>()

const use = computed(() => usedBy(rig, table, id))
const text = computed(() => useText(use.value))
/** Names shown at once; the rest is counted. */
const MOST = 12
const names = computed(() => {
  const { sounds, switches, pairs, pedals } = use.value
  return [
    ...sounds.map(({ name }) => name),
    ...switches.map((one) => switchPlace(rig, one)),
    ...pairs.map(({ name }) => name),
    ...pedals.map(({ name }) => name),
  ]
})
</script>

<template>
  <section class="used" aria-label="Used by">
    <p>{{ text }}</p>
    <p v-if="names.length > 0" class="soft">
      {{ names.slice(0, MOST).join('; ')
      }}<template v-if="names.length > MOST"> and {{ names.length - MOST }} more</template>
    </p>
  </section>
</template>

<style scoped>
.used {
  display: grid;
  gap: 2px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
  font-size: 12.5px;
}
</style>
