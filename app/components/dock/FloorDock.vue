<script setup lang="ts">
import DevicePane from './DevicePane.vue'
import FloorPane from './FloorPane.vue'
import { useDock } from '~/composables/useDock'
import { useRealClock } from '~/composables/useRealClock'
import MiddlePane from './MiddlePane.vue'

const { isTall } = useDock()
useRealClock()
</script>

<template>
  <section class="dock" :class="{ tall: isTall }" aria-label="Floor">
    <FloorPane />
    <MiddlePane />
    <DevicePane />
  </section>
</template>

<style scoped>
.dock {
  display: grid;
  grid-template-columns: minmax(300px, 372px) minmax(0, 1fr) minmax(180px, 224px);
  min-height: 0;
  background: var(--dock);
  color: var(--dock-ink);
  --chart-soft: var(--dock-soft);
  --chart-ground: var(--dock);
  --chart-line: var(--dock-line);
  --chart-program: var(--dock-program);
  --chart-control: var(--dock-control);
  --chart-bar-ink: var(--dock-bar-ink);
  --chart-clock: var(--dock-clock);
  --chart-exclusive: var(--dock-exclusive);
  --focus: var(--tape);
}

.dock > * {
  /* What a step changes in a pane is laid out and painted in that pane alone. */
  contain: layout paint;
  min-width: 0;
  min-height: 0;
  padding: 10px 12px;
}

.dock > * + * {
  border-left: 1px solid var(--dock-line);
}

/* Raised, the middle has all the height and most of the width. */
@media (min-width: 621px) {
  .tall {
    grid-template: 216px minmax(0, 1fr) / minmax(280px, 360px) minmax(0, 1fr);
  }

  .tall > :nth-child(2) {
    grid-area: 1 / 2 / 3 / 3;
  }

  .tall > :nth-child(3) {
    border-top: 1px solid var(--dock-line);
    border-left: 0;
  }
}

@media (min-width: 621px) and (max-width: 900px) {
  .dock:not(.tall) {
    grid-template-columns: minmax(230px, 1.1fr) minmax(230px, 1.2fr) minmax(140px, 0.7fr);
  }
}

@media (max-width: 620px) {
  .dock {
    grid-template: auto auto / 1fr;
    align-content: start;
  }

  .dock > :nth-child(2) {
    display: none;
  }

  .dock > * + * {
    border-left: 0;
  }
}
</style>
