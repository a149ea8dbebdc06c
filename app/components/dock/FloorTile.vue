<script setup lang="ts">
import { computed } from 'vue'
import { isProgrammed } from '#core'
import { useFloorStore } from '~/stores/floor'
import { keyOf } from '~/text/keys'

const { number } = defineProps<{ number: number }>()

const floor = useFloorStore()
const footswitch = computed(() => floor.switches.get(number) ?? null)
const name = computed(() => (footswitch.value ? floor.nameOf(footswitch.value) : ''))
const isHeld = computed(() => footswitch.value !== null && floor.held.has(footswitch.value.id))
const isLast = computed(() => footswitch.value !== null && floor.last?.switchId === footswitch.value.id)
const isLive = computed(() => footswitch.value !== null && isProgrammed(footswitch.value))
/** Which of several positions the next press does. */
const next = computed(() => {
  const one = footswitch.value
  if (!one || one.positions.length === 1) return null
  return `${(floor.state?.next[one.id] ?? 0) + 1}/${one.positions.length}`
})

function down(event: PointerEvent): void {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  floor.press(number)
}
</script>

<template>
  <button
    type="button"
    class="tile"
    :class="{ held: isHeld, last: isLast, blank: !isLive }"
    :aria-label="`Step on switch ${number}${name ? `, ${name}` : isLive ? '' : ', not programmed'}`"
    @pointerdown="down"
    @pointerup="floor.release(number)"
    @pointercancel="floor.release(number)"
    @keydown.enter.space.prevent="floor.press(number)"
    @keyup.enter.space.prevent="floor.release(number)"
    @blur="floor.release(number)"
    @contextmenu.prevent
  >
    <span class="top">
      <span class="key mono">{{ keyOf(number) ?? number }}</span>
      <span v-if="next" class="next mono">next {{ next }}</span>
    </span>
    <span class="label">{{ name }}</span>
  </button>
</template>

<style scoped>
.tile {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  min-width: 0;
  padding: 4px 7px 5px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  text-align: left;
  touch-action: none;
  user-select: none;
}

.tile.blank {
  border-style: dashed;
  background: none;
}

.top {
  display: flex;
  justify-content: space-between;
  font-size: 11px;
  line-height: 14px;
  color: var(--dock-soft);
}

.label {
  overflow: hidden;
  font: 600 13px/1.15 var(--display);
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow-wrap: anywhere;
}

.tile.last {
  border-color: var(--tape);
  background: var(--tape);
  color: var(--tape-ink);
}

.tile.last .top {
  color: var(--tape-ink);
}

.tile.held {
  transform: translateY(1px);
  outline: 2px solid var(--tape);
}
</style>
