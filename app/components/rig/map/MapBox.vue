<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { BOX } from '#core/map'
import type { Finding } from '#core/check'
import type { Box, Port, Spot } from '#core/rig'
import FindingMark from '~/components/common/FindingMark.vue'
import { ROLE_TEXT } from '~/text/jacks'
import { boxFacts } from './boxFacts'
import MapJack from './MapJack.vue'
import { useBoxDrag } from './useBoxDrag'

/** One box of the map: chosen with a click, moved by dragging or with Shift and the arrow keys. */
const { box, spot, scale, found, isChosen, isTarget, jacks, channelText } = defineProps<{
  box: Box
  spot: Spot
  scale: number
  found: readonly Finding[]
  isChosen: boolean
  /** A cable being laid could end here. */
  isTarget: boolean
  /** Jacks to show for laying a cable. */
  jacks: readonly Port[]
  channelText: string
}>()
const emit = defineEmits<{
  choose: []
  nudge: [spot: Spot]
  drop: [spot: Spot]
  begin: []
  pull: [port: Port, x: number, y: number]
  plug: [port: Port, x: number, y: number]
}>()

const element = useTemplateRef<HTMLElement>('element')
const isController = computed(() => !('kind' in box))
const facts = computed(() => boxFacts(box))
const words = computed(() =>
  [box.name, channelText, facts.value, found.length > 0 ? `${found.length} to look at` : '']
    .filter(Boolean)
    .join(', '),
)

const moved = (dx: number, dy: number): Spot => ({
  x: Math.round(spot.x + dx / scale),
  y: Math.round(spot.y + dy / scale),
})
/** Where it stood when the drag began. */
let start = spot
const hold = () => (start = spot)
useBoxDrag(element, {
  onMove: (dx, dy) =>
    emit('nudge', { x: Math.round(start.x + dx / scale), y: Math.round(start.y + dy / scale) }),
  onEnd: (dx, dy, isMoved) => {
    if (isMoved) emit('drop', { x: Math.round(start.x + dx / scale), y: Math.round(start.y + dy / scale) })
  },
})

const STEP = 10
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
}

function onKey(event: KeyboardEvent): void {
  const by = event.shiftKey && ARROWS[event.key]
  if (by) {
    event.preventDefault()
    emit('drop', moved(by[0] * scale, by[1] * scale))
  } else if (event.key === 'c') {
    event.preventDefault()
    event.stopPropagation()
    emit('begin')
  }
}
</script>

<template>
  <div class="box" :style="{ left: `${spot.x}px`, top: `${spot.y}px` }">
    <button
      ref="element"
      type="button"
      :data-box="box.id"
      :class="{ chosen: isChosen, target: isTarget, controller: isController }"
      :style="{ width: `${BOX.width}px`, height: `${BOX.height}px` }"
      :aria-pressed="isChosen"
      :aria-label="words"
      aria-keyshortcuts="C Shift+ArrowLeft Shift+ArrowRight Shift+ArrowUp Shift+ArrowDown"
      @pointerdown="hold"
      @keydown="onKey"
      @click="emit('choose')"
    >
      <span class="name">{{ box.name }}</span>
      <span v-if="channelText" class="chip">{{ channelText }}</span>
      <span class="facts">{{ facts }}</span>
    </button>
    <FindingMark class="mark" :found="found" />
    <div v-if="jacks.length > 0" class="jacks">
      <MapJack
        v-for="port in jacks"
        :key="port.id"
        :port="port"
        :box-id="box.id"
        :title="`${port.name}: ${ROLE_TEXT[port.roles[port.role]!.kind]}`"
        @pull="(x, y) => emit('pull', port, x, y)"
        @plug="(x, y) => emit('plug', port, x, y)"
      />
    </div>
  </div>
</template>

<style scoped>
.box {
  position: absolute;
}

button {
  display: flex;
  flex-direction: column;
  align-items: start;
  gap: 1px;
  padding: 5px 8px;
  border: 1px solid var(--ink);
  border-radius: var(--corner);
  background: var(--sheet);
  text-align: left;
  cursor: grab;
  touch-action: none;
  user-select: none;
}

.controller {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
}

.chosen {
  outline: 2px solid var(--ink);
  outline-offset: 1px;
}

button:focus-visible {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}

.target {
  border-style: dashed;
  border-color: var(--link);
}

.name {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  max-width: 100%;
  overflow: hidden;
  overflow-wrap: anywhere;
  font: 700 13px/1.15 var(--display);
}

.chip {
  padding: 0 7px;
  border: 0;
  background: var(--chosen);
  color: var(--on-chosen);
  font: 600 11px/16px var(--mono);
}

.facts {
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  max-width: 100%;
  overflow: hidden;
  margin-top: auto;
  font: 400 10.5px/1.3 var(--mono);
  color: var(--ink-soft);
}

.controller .facts {
  color: inherit;
}

.mark {
  position: absolute;
  top: -9px;
  right: -7px;
  border: 1px solid currentcolor;
}

.jacks {
  position: absolute;
  left: 0;
  right: 0;
  bottom: -8px;
  display: flex;
  justify-content: center;
  gap: 5px;
}
</style>
