<script setup lang="ts">
import Button from 'primevue/button'
import { X } from '@lucide/vue'
import { ref, watch } from 'vue'
import type { Rig } from '#core/rig'
import { useCount, usedBy, type UsedTable } from '#core/sound'
import { namesText, useNames, useText } from '~/text/sounds'
import PutBar from '~/components/switches/PutBar.vue'
import IconButton from './IconButton.vue'

/** Removes a row: at once where nothing uses it, else once the player has read what does. */
const {
  rig,
  table,
  id,
  label,
  small = false,
} = defineProps<{
  rig: Rig
  table: UsedTable
  id: string
  /** What the button says. */
  label: string
  /** A sign only, in a line of a list. */
  small?: boolean
}>()
const emit = defineEmits<{ remove: [] }>()

const asked = ref('')
watch(
  () => id,
  () => (asked.value = ''),
)

function ask(): void {
  const use = usedBy(rig, table, id)
  if (useCount(use) === 0) return emit('remove')
  const text = useText(use).replace('A change here touches', 'Its removal touches')
  const names = namesText(useNames(rig, use))
  asked.value = names ? `${text} They will do without: ${names}.` : text
}

function remove(): void {
  asked.value = ''
  emit('remove')
}
</script>

<template>
  <PutBar
    v-if="asked"
    class="ask"
    :text="asked"
    :ways="[{ key: 'go', text: 'Remove it' }]"
    @go="remove"
    @cancel="asked = ''"
  />
  <IconButton v-else-if="small" :icon="X" :name="label" @click="ask" />
  <div v-else>
    <Button :label="label" severity="secondary" variant="outlined" size="small" @click="ask" />
  </div>
</template>

<style scoped>
.ask {
  grid-column: 1 / -1;
}
</style>
