<script setup lang="ts">
import { computed } from 'vue'
import { isProgrammed, placeKey } from '#core/rig'
import { lampNow } from '#core/switching'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { keyOf } from '~/text/keys'
import { lampPaint, lampText } from '~/text/lamps'
import { TRUTH_TEXT } from '~/text/lies'

/** One footswitch under the foot: the controller's own by number, or one on a jack. Slim: one line, where the floor is one. */
const {
  number,
  jack = '',
  title = '',
  slim = false,
} = defineProps<{ number: number; jack?: string; title?: string; slim?: boolean }>()

const floor = useFloorStore()
const rigs = useRigStore()
const place = computed(() => placeKey({ jack, number }))
const footswitch = computed(() => floor.places.get(place.value) ?? null)
const name = computed(() => (footswitch.value ? floor.nameOf(footswitch.value) : ''))
const isHeld = computed(() => floor.held.has(place.value))
const isLast = computed(() => footswitch.value !== null && floor.last?.switchId === footswitch.value.id)
const isLive = computed(() => footswitch.value !== null && isProgrammed(footswitch.value))
const lamp = computed(() =>
  footswitch.value && isLive.value && rigs.rig && floor.state
    ? lampNow(rigs.rig, footswitch.value, floor.state.known)
    : null,
)
const seen = computed(() => floor.lamps.get(place.value) ?? null)
const lies = computed(() => seen.value?.truth.verdict === 'lies')
/** What the lamp says and what is, in words. */
const lampSaid = computed(() => {
  if (!lamp.value) return ''
  const truth = seen.value?.truth
  if (!truth) return lampText(lamp.value)
  const moving = lies.value && seen.value?.isMoving ? ', on its way' : ''
  return `${lampText(lamp.value)}, ${TRUTH_TEXT[truth.verdict]}${moving}`
})
/** Which of several positions the next press does. */
const next = computed(() => {
  const one = footswitch.value
  if (!one || one.positions.length === 1) return null
  return `${(floor.state?.known.next[one.id] ?? 0) + 1}/${one.positions.length}`
})

function down(event: PointerEvent): void {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  floor.pressPlace(place.value)
}
</script>

<template>
  <button
    type="button"
    class="tile"
    :class="{ held: isHeld, last: isLast, blank: !isLive, lies: lies && !seen?.isMoving, slim }"
    :aria-label="`Step on ${title || `switch ${number}`}${name ? `, ${name}` : isLive ? '' : ', not programmed'}`"
    @pointerdown="down"
    @pointerup="floor.releasePlace(place)"
    @pointercancel="floor.releasePlace(place)"
    @keydown.enter.space.prevent="floor.pressPlace(place)"
    @keyup.enter.space.prevent="floor.releasePlace(place)"
    @blur="floor.releasePlace(place)"
    @contextmenu.prevent
  >
    <span class="top">
      <span
        v-if="lamp"
        class="lamp"
        :class="lamp.light"
        :style="{
          '--lamp': lampPaint(lamp.colour),
          '--beat': `${60 / (floor.state?.known.tempo ?? 120)}s`,
        }"
        role="img"
        :aria-label="lampSaid"
      ></span>
      <span v-if="lies" class="truth" aria-hidden="true">{{
        seen?.isMoving ? '…' : seen?.truth.isLit ? '≠ off' : '≠ on'
      }}</span>
      <span class="key mono">{{ jack === '' ? (keyOf(number) ?? number) : title }}</span>
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
  align-items: center;
  gap: 5px;
  font-size: 11px;
  line-height: 14px;
  color: var(--dock-soft);
}

.next {
  margin-left: auto;
  white-space: nowrap;
}

.key {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.lamp {
  flex: none;
  width: 8px;
  height: 8px;
  border: 1px solid var(--dock-soft);
  border-radius: 50%;
}

.lamp.steady,
.lamp.flash,
.lamp.tempo {
  border-color: var(--lamp);
  background: var(--lamp);
}

.last .lamp {
  border-color: var(--tape-ink);
}

.last .lamp.steady,
.last .lamp.flash,
.last .lamp.tempo {
  background: var(--tape-ink);
}

@media (prefers-reduced-motion: no-preference) {
  .lamp.flash {
    animation: blink 0.5s steps(2, jump-none) infinite;
  }

  .lamp.tempo {
    animation: blink var(--beat) steps(2, jump-none) infinite;
  }
}

@keyframes blink {
  to {
    background: none;
  }
}

.label {
  overflow: hidden;
  font: 600 13px/1.15 var(--display);
  display: -webkit-box;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow-wrap: anywhere;
}

.slim {
  justify-content: center;
  min-width: 24px;
  height: 34px;
  padding: 2px 4px;
  overflow: hidden;
}

.slim .top {
  gap: 3px;
  line-height: 13px;
}

.slim .next {
  display: none;
}

.slim .label {
  font-size: 11px;
  line-height: 14px;
  -webkit-line-clamp: 1;
  overflow-wrap: normal;
  word-break: break-all;
}

.tile.last {
  border-color: var(--tape);
  background: var(--tape);
  color: var(--tape-ink);
}

.tile.last .top {
  color: var(--tape-ink);
}

.truth {
  padding: 0 3px;
  border-radius: 2px;
  background: var(--dock-fault);
  color: var(--dock-bar-ink);
  font-weight: 700;
  white-space: nowrap;
}

.tile.lies {
  box-shadow: inset 3px 0 var(--dock-fault);
}

.tile.held {
  transform: translateY(1px);
  outline: 2px solid var(--tape);
}
</style>
