<script setup lang="ts">
import { Maximize2 } from '@lucide/vue'
import { placeKey } from '#core/rig'
import IconButton from '~/components/common/IconButton.vue'
import { useDock } from '~/composables/useDock'
import { useFloorFit } from '~/composables/useFloorFit'
import { useFloorStore } from '~/stores/floor'
import BankBar from './BankBar.vue'
import FloorTile from './FloorTile.vue'

/** The floor where a window is low: its bank, and every switch as a key, in the order of their numbers. */
const floor = useFloorStore()
const { turnTall } = useDock()
const { rows, jacks } = useFloorFit()
</script>

<template>
  <div class="line">
    <BankBar class="where" />
    <div v-if="floor.controller" class="keys">
      <FloorTile v-for="number in rows.toReversed().flat()" :key="number" :number="number" slim />
      <FloorTile
        v-for="one in jacks"
        :key="placeKey(one)"
        :number="one.number"
        :jack="one.jack"
        :title="one.name"
        slim
      />
    </div>
    <p v-else class="none">No controller yet. Choose one in Rig.</p>
    <IconButton :icon="Maximize2" name="Raise the floor (K)" class="raise" @click="turnTall" />
  </div>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 4px 8px;
}

.where {
  flex: 0 1 236px;
}

.keys {
  flex: 1 1 0;
  display: flex;
  gap: 4px;
  min-width: 0;
}

.keys > * {
  flex: 1 1 0;
}

.raise {
  flex: none;
  color: var(--dock-ink);
}

.none {
  flex: 1;
  color: var(--dock-soft);
}

@media (max-width: 760px) {
  .where {
    flex-basis: 180px;
  }
}

/* A finger needs its width: the bank then has a line of its own. */
@media (max-width: 620px) {
  .line {
    flex-wrap: wrap;
  }

  .where {
    flex: 1 1 0;
  }

  .keys {
    order: 1;
    flex: 1 0 100%;
  }
}
</style>
