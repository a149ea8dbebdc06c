<script setup lang="ts">
import { Pause, Play, SkipForward } from '@lucide/vue'
import Select from 'primevue/select'
import { computed } from 'vue'
import IconButton from '~/components/common/IconButton.vue'
import { useFloorStore } from '~/stores/floor'
import { SPEEDS } from '~/stores/floorClock'
import { speedText } from '~/text/speeds'

/** The floor's clock: runs, slows, stands still, goes to the next thing due. */
const floor = useFloorStore()
const isStill = computed(() => floor.rate === 0)
const hasNext = computed(() => floor.version >= 0 && floor.nextAt() !== null)
const speeds = [0, ...SPEEDS].map((value) => ({ value, text: speedText(value) }))
</script>

<template>
  <div class="clock" role="group" aria-label="Clock of the floor">
    <IconButton
      :icon="isStill ? Play : Pause"
      :name="isStill ? 'Let the floor run (C)' : 'Stop the floor\'s clock (C)'"
      @click="floor.togglePause()"
    />
    <IconButton
      :icon="SkipForward"
      name="To the next thing due (.)"
      :disabled="isStill && !hasNext"
      @click="floor.stepOn()"
    />
    <Select
      :model-value="floor.rate"
      :options="speeds"
      option-label="text"
      option-value="value"
      aria-label="Speed of the floor"
      size="small"
      class="speed"
      @update:model-value="floor.setRate($event)"
    />
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  align-items: center;
  gap: 2px;
}

.speed {
  height: 24px;
  border-color: var(--dock-line);
  background: var(--dock-sheet);
}

.speed :deep(.p-select-label) {
  padding: 0 0 0 7px;
  color: var(--dock-ink);
  font: 500 12px/22px var(--text);
}

.speed :deep(.p-select-dropdown) {
  width: 20px;
  color: var(--dock-ink);
}
</style>
