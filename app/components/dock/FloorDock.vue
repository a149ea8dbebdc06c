<script setup lang="ts">
import DevicePane from './DevicePane.vue'
import FloorPane from './FloorPane.vue'
import WirePane from './WirePane.vue'
</script>

<template>
  <section class="dock" aria-label="Floor">
    <FloorPane />
    <WirePane />
    <DevicePane />
  </section>
</template>

<style scoped>
.dock {
  display: grid;
  grid-template-columns: minmax(300px, 372px) minmax(0, 1fr) minmax(190px, 250px);
  min-height: 0;
  background: var(--dock);
  color: var(--dock-ink);
  --chart-soft: var(--dock-soft);
  --chart-line: var(--dock-line);
  --chart-program: var(--dock-program);
  --chart-control: var(--dock-control);
  --chart-bar-ink: var(--dock-bar-ink);
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
