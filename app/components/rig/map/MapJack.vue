<script setup lang="ts">
import { useTemplateRef } from 'vue'
import type { Port } from '#core/rig'
import { useBoxDrag } from './useBoxDrag'

/** A jack to drag a cable from, or to drop one on. The keyboard's way is the list of jacks in the inspector. */
const { port, boxId, title } = defineProps<{ port: Port; boxId: string; title: string }>()
const emit = defineEmits<{ pull: [x: number, y: number]; plug: [x: number, y: number] }>()

const element = useTemplateRef<HTMLElement>('element')

const pointOf = (event: MouseEvent | TouchEvent) => {
  const point = 'changedTouches' in event ? event.changedTouches[0]! : event
  return [point.clientX, point.clientY] as const
}
useBoxDrag(element, {
  onMove: (_dx, _dy, event) => emit('pull', ...pointOf(event)),
  onEnd: (_dx, _dy, _moved, event) => emit('plug', ...pointOf(event)),
})
</script>

<template>
  <span
    ref="element"
    v-tooltip.bottom="title"
    class="jack"
    aria-hidden="true"
    :data-box="boxId"
    :data-jack="port.id"
  />
</template>

<style scoped>
.jack {
  width: 15px;
  height: 15px;
  border: 2px solid var(--link);
  border-radius: 50%;
  background: var(--sheet);
  cursor: crosshair;
  touch-action: none;
}

.jack:hover {
  background: var(--link);
}
</style>
