<script setup lang="ts">
import { Pause, Play, SkipForward } from '@lucide/vue'
import { computed } from 'vue'
import IconButton from '~/components/common/IconButton.vue'
import { useFloorStore } from '~/stores/floor'
import { SPEEDS } from '~/stores/floorClock'
import { speedText } from '~/text/speeds'

/** The floor's clock: runs, slows, stands still, goes to the next thing due. */
const floor = useFloorStore()
const isStill = computed(() => floor.rate === 0)
const hasNext = computed(() => floor.version >= 0 && floor.nextAt() !== null)
</script>

<template>
  <div class="clock" role="group" aria-label="Clock of the floor">
    <IconButton
      :icon="isStill ? Play : Pause"
      :name="isStill ? 'Let the floor run (P)' : 'Stop the floor\'s clock (P)'"
      @click="floor.togglePause()"
    />
    <IconButton
      :icon="SkipForward"
      name="To the next thing due (.)"
      :disabled="isStill && !hasNext"
      @click="floor.stepOn()"
    />
    <label class="unseen" for="dock-speed">Speed of the floor</label>
    <select
      id="dock-speed"
      :value="floor.rate"
      @change="floor.setRate(Number(($event.target as HTMLSelectElement).value))"
    >
      <option :value="0">{{ speedText(0) }}</option>
      <option v-for="speed in SPEEDS" :key="speed" :value="speed">{{ speedText(speed) }}</option>
    </select>
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  align-items: center;
  gap: 2px;
}

select {
  height: 22px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  color: var(--dock-ink);
  font: 500 12px var(--text);
}
</style>
