<script setup lang="ts">
import { nextTick, useTemplateRef, watch } from 'vue'
import DevicePane from './DevicePane.vue'
import FloorLine from './FloorLine.vue'
import FloorPane from './FloorPane.vue'
import { useDock } from '~/composables/useDock'
import { useFloorFit } from '~/composables/useFloorFit'
import { useRealClock } from '~/composables/useRealClock'
import MiddlePane from './MiddlePane.vue'

const { isTall } = useDock()
const { form, isShort } = useFloorFit()
const dock = useTemplateRef('dock')
/** In a low window a raised floor stands below the view: the page goes there, and back. */
watch(isTall, async () => {
  if (!isShort.value) return
  await nextTick()
  if (isTall.value) dock.value?.scrollIntoView()
  else document.documentElement.scrollTop = 0
})
useRealClock()
</script>

<template>
  <section ref="dock" class="dock" :class="[{ tall: isTall }, form]" aria-label="Floor">
    <FloorLine v-if="form === 'line'" />
    <template v-else>
      <FloorPane />
      <MiddlePane />
      <DevicePane />
    </template>
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

.dock.line {
  grid-template: auto / minmax(0, 1fr);
}

.line > * {
  padding: 6px 10px;
}

/* The switches say how high the floor is; what else stands there takes what that leaves. */
@media (min-width: 621px) {
  .dock > :nth-child(n + 2) {
    contain: size layout paint;
  }

  /* Raised, the middle has all the height and most of the width. */
  .tall {
    grid-template: auto minmax(0, 1fr) / minmax(280px, 360px) minmax(0, 1fr);
    min-height: min(400px, 62dvh);
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
  .dock:not(.tall, .line) {
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
