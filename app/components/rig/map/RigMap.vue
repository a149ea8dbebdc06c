<script setup lang="ts">
import { onKeyStroke, useElementSize } from '@vueuse/core'
import { computed, nextTick, shallowRef, useTemplateRef } from 'vue'
import { BOX, linesOf, routeLines, spots, type Line, type CableRoute } from '#core/map'
import type { Finding } from '#core/check'
import { boxes, links, type Box, type Cable, type Rig, type Spot } from '#core/rig'
import { frameFor, layerOf, type Layer } from '~/charts/rigMap'
import { selectionOf, type Selection } from '~/composables/useSelection'
import MapBox from './MapBox.vue'
import MapCable from './MapCable.vue'
import { useCableInHand, type Pull } from './useCableInHand'

/** The floor as a map: boxes to move, cables to lay, marks where something is wrong. */
const { rig, found, selection, layers } = defineProps<{
  rig: Rig
  found: readonly Finding[]
  selection: Selection | null
  layers: ReadonlySet<Layer>
}>()
const emit = defineEmits<{
  choose: [selection: Selection]
  move: [box: Box, spot: Spot]
  lay: [cable: Cable]
  refused: [from: string, to: string]
}>()

const view = useTemplateRef<HTMLElement>('view')
const { width, height } = useElementSize(view)

/** A box being dragged, where it is now. */
const moving = shallowRef<{ id: string; spot: Spot } | null>(null)
const places = computed(() => {
  const all = new Map(spots(rig))
  if (moving.value) all.set(moving.value.id, moving.value.spot)
  return all
})
const faulty = computed(
  () => new Set(found.flatMap(({ about, severity }) => (severity === 'hint' ? [] : [about.id]))),
)
const shown = computed(() =>
  links(rig).filter((link) => layers.has(layerOf(link)) || faulty.value.has(link.cable.id)),
)
const shownLines = computed(() => {
  const ids = new Set<string>(shown.value.map(({ cable }) => cable.id))
  return linesOf(rig, (id) => ids.has(id))
})
/** Led anew only when boxes or cables are others than before: most edits are about neither. */
const atRest = computed<readonly CableRoute[]>((before) => {
  const key = JSON.stringify([[...spots(rig)], shownLines.value])
  if (before && key === laidKey) return before
  laidKey = key
  return routeLines(spots(rig), shownLines.value)
})
let laidKey = ''
/** While a box is dragged only its own cables are led anew, so that the hand is never waited for. */
const routes = computed(() => {
  const id = moving.value?.id
  const isOwn = ({ from, to }: Line) => from === id || to === id
  const own = new Set(shownLines.value.filter(isOwn).map(({ cableId }) => cableId))
  const others = atRest.value.filter(({ cableId }) => !own.has(cableId))
  const all = id
    ? [...others, ...routeLines(places.value, shownLines.value.filter(isOwn), others)]
    : atRest.value
  return new Map(all.map((route) => [route.cableId, route]))
})
/** Held still while a box is dragged, so that the map does not slide away under the hand. */
const still = shallowRef<ReturnType<typeof frameFor> | null>(null)
const frame = computed(
  () =>
    still.value ??
    frameFor(
      places.value.values(),
      [...routes.value.values()].flatMap(({ points }) => points),
      { width: width.value, height: height.value },
    ),
)

const chosenId = computed(() => {
  const one = selection
  if (one?.kind === 'device') return one.deviceId
  if (one?.kind === 'controller') return one.controllerId
  return one?.kind === 'cable' ? one.cableId : null
})
const about = (id: string) =>
  found.filter((one) => one.about.id === id && ['devices', 'controllers', 'cables'].includes(one.about.table))
const choiceOf = (box: Box) => selectionOf('kind' in box ? 'devices' : 'controllers', box.id)!
const channelText = (box: Box) =>
  !('kind' in box) || box.kind !== 'receiver'
    ? ''
    : typeof box.channel === 'number'
      ? `ch ${box.channel}`
      : box.channel === 'omni'
        ? 'omni'
        : 'no channel'

const sheet = useTemplateRef<HTMLElement>('sheet')
const toMap = (clientX: number, clientY: number): Spot => {
  const { left, top } = sheet.value!.getBoundingClientRect()
  const { scale } = frame.value
  return { x: (clientX - left) / scale + frame.value.left, y: (clientY - top) / scale + frame.value.top }
}
const hand = useCableInHand({
  rig: () => rig,
  chosenId: () => chosenId.value,
  lay: (cable) => emit('lay', cable),
  refuse: (from, to) => emit('refused', from, to),
})
const { pulled, fitting } = hand
onKeyStroke('Escape', hand.letGo)

function onChoose(box: Box): void {
  if (!hand.endAt(box)) emit('choose', choiceOf(box))
}

function onNudge(box: Box, spot: Spot): void {
  still.value ??= frame.value
  moving.value = { id: box.id, spot }
}

function onDrop(box: Box, spot: Spot): void {
  emit('move', box, spot)
  // The edit has put it there by now.
  void nextTick(() => {
    moving.value = null
    still.value = null
  })
}

const startOf = (pull: Pull): Spot => {
  const spot = places.value.get(pull.box.id)!
  return { x: spot.x + BOX.width / 2, y: spot.y + BOX.height }
}
</script>

<template>
  <div ref="view" class="view">
    <p v-if="pulled && !pulled.port" class="hint" role="status">
      A cable from {{ pulled.box.name }}: go to another box and press Enter. Escape leaves it.
    </p>
    <div
      class="room"
      :style="{ width: `${frame.width * frame.scale}px`, height: `${frame.height * frame.scale}px` }"
    >
      <div
        ref="sheet"
        class="sheet"
        :style="{
          width: `${frame.width}px`,
          height: `${frame.height}px`,
          transform: `scale(${frame.scale})`,
        }"
      >
        <svg
          :width="frame.width"
          :height="frame.height"
          :viewBox="`${frame.left} ${frame.top} ${frame.width} ${frame.height}`"
          aria-hidden="true"
        >
          <MapCable
            v-for="link in shown"
            :key="link.cable.id"
            :link="link"
            :route="routes.get(link.cable.id)!"
            :is-chosen="chosenId === link.cable.id"
            :found="about(link.cable.id)"
            @choose="emit('choose', { kind: 'cable', cableId: link.cable.id })"
          />
          <line
            v-if="pulled?.port"
            class="pulled"
            :x1="startOf(pulled).x"
            :y1="startOf(pulled).y"
            :x2="pulled.at.x"
            :y2="pulled.at.y"
          />
        </svg>
        <ul
          class="boxes"
          aria-label="On the floor"
          :style="{ transform: `translate(${-frame.left}px, ${-frame.top}px)` }"
        >
          <li v-for="box in boxes(rig)" :key="box.id">
            <MapBox
              :box="box"
              :spot="places.get(box.id)!"
              :scale="frame.scale"
              :found="about(box.id)"
              :is-chosen="chosenId === box.id"
              :is-target="fitting.has(box.id)"
              :jacks="hand.jacksOf(box)"
              :channel-text="channelText(box)"
              @choose="onChoose(box)"
              @nudge="onNudge(box, $event)"
              @drop="onDrop(box, $event)"
              @begin="hand.begin(box)"
              @pull="(port, x, y) => hand.pull(box, port, toMap(x, y))"
              @plug="(port, x, y) => hand.plug(box, port, x, y)"
            />
          </li>
        </ul>
      </div>
    </div>
  </div>
</template>

<style scoped>
.view {
  position: relative;
  flex: 1 1 0;
  min-height: 120px;
  overflow: auto;
  /* Else a scroll bar changes the room, the room the scale, and the scale the scroll bar. */
  scrollbar-gutter: stable;
}

.hint {
  position: sticky;
  top: 0;
  left: 0;
  z-index: 2;
  padding: 4px 8px;
  background: var(--hover);
  font-size: 13px;
}

.room {
  margin: 0 auto;
  overflow: hidden;
}

.sheet {
  position: relative;
  transform-origin: 0 0;
}

.boxes {
  position: absolute;
  top: 0;
  left: 0;
}

svg {
  display: block;
  position: absolute;
}

.pulled {
  stroke: var(--link);
  stroke-width: 3;
  stroke-dasharray: 6 4;
}
</style>
