<script setup lang="ts">
import { placeKey } from '#core/rig'
import { useFloorFit } from '~/composables/useFloorFit'
import { useFloorStore } from '~/stores/floor'
import BankBar from './BankBar.vue'
import FloorTile from './FloorTile.vue'
import LieLine from './LieLine.vue'
import PedalLine from './PedalLine.vue'

/** The switches as they lie, every one whole; below them the pedals, which give way to what a lamp that lies says. */
const floor = useFloorStore()
const { rows, jacks, pedals, form, under } = useFloorFit()
</script>

<template>
  <div class="pane" :class="form" :style="{ '--under': `${under}px` }">
    <BankBar />
    <p v-if="!floor.controller" class="none">No controller yet. Choose one in Rig.</p>
    <div v-else class="rows">
      <div
        v-for="row in rows"
        :key="row[0]"
        class="row"
        :style="{ gridTemplateColumns: `repeat(${row.length}, minmax(0, 1fr))` }"
      >
        <FloorTile v-for="number in row" :key="number" :number="number" />
      </div>
      <div
        v-if="jacks.length > 0"
        class="row"
        :style="{ gridTemplateColumns: `repeat(${Math.max(2, jacks.length)}, minmax(0, 1fr))` }"
      >
        <FloorTile
          v-for="one in jacks"
          :key="placeKey(one)"
          :number="one.number"
          :jack="one.jack"
          :title="one.name"
        />
      </div>
    </div>
    <div class="under">
      <div v-if="pedals.length > 0" class="pedals" role="group" aria-label="Pedals">
        <PedalLine v-for="pedal in pedals" :key="pedal.id" :pedal="pedal" />
      </div>
      <LieLine v-if="floor.lies.length > 0" />
    </div>
  </div>
</template>

<style scoped>
/* What the rows are high by themselves is what the floor is high (floorFit.ts reckons with the same figures). */
.pane {
  --tile: 54px;
  display: grid;
  grid-template: auto minmax(min-content, 1fr) var(--under) / minmax(0, 1fr);
  gap: 5px;
}

.tight {
  --tile: 36px;
}

.rows {
  display: grid;
  grid-auto-rows: minmax(var(--tile), 1fr);
  gap: 6px;
}

.row {
  display: grid;
  gap: 6px;
}

.under {
  display: flex;
  flex-direction: column;
  justify-content: end;
  min-height: 0;
}

.pedals {
  flex: 0 1 auto;
  min-height: 0;
  margin-block: auto;
  overflow-y: auto;
}

.none {
  color: var(--dock-soft);
}
</style>
