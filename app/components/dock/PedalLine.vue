<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { own } from '#core/base'
import { noFoot, STEPS, toePlace } from '#core/pedal'
import { placeKey, type Pedal } from '#core/rig'
import { roleNow } from '#core/simulate'
import { useFoot } from '~/composables/useFoot'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { pedalRoleName } from '~/text/pedals'

/** A pedal under the foot: moved by mouse, finger, keys and wheel. It always says which of its roles is live. */
const { pedal } = defineProps<{ pedal: Pedal }>()

const floor = useFloorStore()
const rigs = useRigStore()
const { now, moveTo, onKey, onWheel } = useFoot(() => pedal.id)

const live = computed(() => (rigs.rig && floor.state ? roleNow(rigs.rig, pedal, floor.state) : null))
const isReached = computed(() => !rigs.rig || noFoot(rigs.rig, pedal) === null)
const roleText = computed(() =>
  !isReached.value
    ? 'not plugged in'
    : live.value === null
      ? 'no role live'
      : pedalRoleName(pedal.roles[live.value]!, live.value),
)
const percent = computed(() => Math.round((now.value.position / STEPS) * 100))
const toe = computed(() => (rigs.rig ? toePlace(rigs.rig, pedal) : null))
const toeKey = computed(() =>
  toe.value?.at === 'controller' ? placeKey({ jack: toe.value.jack, number: toe.value.number }) : null,
)
const isToeHere = computed(
  () => pedal.off?.kind === 'switch' || (toeKey.value !== null && floor.places.has(toeKey.value)),
)
const toeName = computed(() => {
  const one = toeKey.value === null ? undefined : floor.places.get(toeKey.value)
  return one ? floor.nameOf(one) || 'not named' : 'off and on'
})
const isToeDown = ref(false)

function toeDown(): void {
  if (isToeDown.value) return
  isToeDown.value = true
  if (toeKey.value !== null) floor.pressPlace(toeKey.value)
  floor.stepOnToe(pedal.id, true)
}

function toeUp(): void {
  if (!isToeDown.value) return
  isToeDown.value = false
  if (toeKey.value !== null) floor.releasePlace(toeKey.value)
  floor.stepOnToe(pedal.id, false)
}

const track = useTemplateRef('track')

function toPointer({ clientX }: PointerEvent): void {
  const box = track.value?.getBoundingClientRect()
  if (box) moveTo(((clientX - box.left - 7) / (box.width - 14)) * STEPS)
}

function grab(event: PointerEvent): void {
  if (event.button !== 0) return
  track.value?.setPointerCapture(event.pointerId)
  toPointer(event)
}

const worksText = computed(() => {
  const works = pedal.off?.works
  if (!works || !rigs.rig) return ''
  return works.kind === 'control'
    ? (own(rigs.rig.controls, works.controlId)?.name ?? '')
    : own(rigs.rig.switches, works.switchId)?.label || 'the switch'
})
</script>

<template>
  <div class="line">
    <span class="who" :title="`${pedal.name}: ${roleText}`">
      <b>{{ pedal.name }}</b> <span role="status">{{ roleText }}</span>
    </span>
    <div
      ref="track"
      class="track"
      role="slider"
      tabindex="0"
      :aria-label="`${pedal.name}, ${roleText}`"
      aria-valuemin="0"
      aria-valuemax="127"
      :aria-valuenow="now.position"
      :aria-valuetext="`${percent} %${now.isOff ? `, ${worksText} off by itself` : ''}`"
      @pointerdown="grab"
      @pointermove="$event.buttons === 1 && toPointer($event)"
      @keydown="onKey"
      @wheel="onWheel"
    >
      <span class="way" aria-hidden="true"></span>
      <span
        class="foot"
        aria-hidden="true"
        :style="{ left: `calc((100% - 14px) * ${now.position / STEPS})` }"
      ></span>
    </div>
    <span class="mono at">{{ now.isOff ? 'off' : percent }}</span>
    <button
      v-if="isToeHere"
      type="button"
      class="toe"
      :class="{ held: isToeDown }"
      :aria-label="`Toe switch of ${pedal.name}, ${toeName}`"
      @pointerdown.left="toeDown"
      @pointerup="toeUp"
      @pointercancel="toeUp"
      @pointerleave="toeUp"
      @keydown.enter.space.prevent="toeDown"
      @keyup.enter.space.prevent="toeUp"
      @blur="toeUp"
      @contextmenu.prevent
    >
      Toe
    </button>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 9.5em) minmax(70px, 1fr) 2.4em auto;
  align-items: center;
  gap: 8px;
  height: 24px;
  font-size: 12px;
}

.who {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--dock-soft);
}

.who b {
  color: var(--dock-ink);
  font-weight: 600;
}

.track {
  position: relative;
  height: 22px;
  border-radius: var(--corner);
  cursor: ew-resize;
  touch-action: none;
}

.way {
  position: absolute;
  inset: 10px 2px auto;
  height: 3px;
  background: var(--dock-line);
  clip-path: polygon(0 60%, 100% 0, 100% 100%, 0 100%);
}

.foot {
  position: absolute;
  top: 2px;
  width: 14px;
  height: 18px;
  border-radius: 6px 6px 4px 4px;
  background: var(--dock-ink);
}

.at {
  text-align: right;
  font-size: 11px;
  color: var(--dock-soft);
}

.toe {
  height: 22px;
  padding: 0 7px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  font-size: 11px;
  touch-action: none;
}

.toe.held {
  border-color: var(--tape);
}
</style>
