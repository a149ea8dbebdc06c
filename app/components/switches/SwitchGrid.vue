<script setup lang="ts">
import { computed, nextTick, useTemplateRef } from 'vue'
import type { Finding } from '#core/check'
import { placeKey, type Bank, type Controller, type Footswitch, type Rig } from '#core/rig'
import { jackPlaces } from '#core/simulate'
import type { Known } from '#core/switching'
import { floorRows } from '~/composables/floorRows'
import SwitchTile from './SwitchTile.vue'
import type { Place } from './switchPlaces'

/**
 * A bank's footswitches as they lie on the floor, the far row on top, those on jacks below. Arrow keys walk, Shift
 * marks more; Enter goes into the inspector; copy, cut, paste and delete as everywhere. A tile dragged onto another
 * is put there.
 */
const { rig, bank, controller, here, known, chosen, marked, found } = defineProps<{
  rig: Rig
  bank: Bank
  controller: Controller
  /** What is under the foot in this bank and layer, by place. */
  here: ReadonlyMap<string, Footswitch>
  known: Known
  chosen: string | null
  /** Several chosen at once, by place. */
  marked: ReadonlySet<string>
  found: readonly Finding[]
  /** Copies nobody has looked at yet, by id: what they were copied from. */
  fresh: ReadonlyMap<string, string>
}>()
const emit = defineEmits<{
  choose: [place: Place]
  mark: [place: Place]
  open: []
  copy: []
  cut: []
  paste: []
  swap: []
  series: []
  clear: []
  drop: [from: Place, to: Place]
}>()

const rows = computed(() =>
  floorRows(controller).map((row) => row.map((number): Place => ({ jack: '', number }))),
)
const jacks = computed(() => jackPlaces(rig, controller))
/** Rows of what is shown, for walking. */
const all = computed(() => sections.value.map(({ places }) => places))
const rowName = (row: number) => {
  if (rows.value.length === 1) return ''
  if (row === 0) return 'far row'
  return row === rows.value.length - 1 ? 'near row' : `row ${rows.value.length - row}`
}
const sections = computed(() => [
  ...rows.value.map((places, row) => ({
    key: String(places[0]!.number),
    name: rowName(row),
    says: rowName(row) || 'switches',
    places,
    columns: places.length,
  })),
  ...(jacks.value.length > 0
    ? [
        {
          key: 'jacks',
          name: 'on jacks',
          says: 'on jacks',
          places: jacks.value as Place[],
          columns: Math.max(4, jacks.value.length),
        },
      ]
    : []),
])
const foundAt = (place: Place) =>
  found.filter(({ about }) => about.table === 'switches' && about.id === here.get(placeKey(place))?.id)

const tabStop = computed(() => chosen ?? placeKey(rows.value.at(-1)![0]!))
const grid = useTemplateRef('grid')

function walk(dx: number, dy: number, isMarking: boolean): void {
  const at = chosen ?? tabStop.value
  const y = all.value.findIndex((row) => row.some((place) => placeKey(place) === at))
  const x = all.value[y]?.findIndex((place) => placeKey(place) === at) ?? 0
  const row = all.value[Math.min(all.value.length - 1, Math.max(0, y + dy))]!
  const to = row[Math.min(row.length - 1, Math.max(0, x + dx))]!
  if (isMarking) emit('mark', to)
  emit('choose', to)
  void nextTick(() => focusOn(placeKey(to)))
}

const focusOn = (key: string) => grid.value?.querySelector<HTMLElement>(`[data-place="${key}"]`)?.focus()

const STEPS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
const WITH_CTRL: Record<string, 'copy' | 'cut' | 'paste' | 'series'> = {
  c: 'copy',
  x: 'cut',
  v: 'paste',
  d: 'series',
}

function onKey(place: Place, event: KeyboardEvent): void {
  const step = STEPS[event.key]
  const isCtrl = event.ctrlKey || event.metaKey
  const command = isCtrl ? WITH_CTRL[event.key.toLowerCase()] : undefined
  const isOfTile = command !== undefined || ['Enter', 'Delete', 'Backspace'].includes(event.key)
  // What is done by a key is done to the tile that has the focus, whether it was chosen before or not.
  if (isOfTile && marked.size <= 1 && chosen !== placeKey(place)) emit('choose', place)
  if (step) walk(step[0], step[1], event.shiftKey)
  else if (isCtrl && event.shiftKey && event.key.toLowerCase() === 'v') emit('swap')
  else if (command === 'copy') emit('copy')
  else if (command === 'cut') emit('cut')
  else if (command === 'paste') emit('paste')
  else if (command === 'series') emit('series')
  else if (event.key === 'Enter') emit('open')
  else if (event.key === 'Delete' || event.key === 'Backspace') emit('clear')
  else return
  event.preventDefault()
  event.stopPropagation()
}

function onClick(place: Place, event: MouseEvent): void {
  if (event.shiftKey || event.ctrlKey || event.metaKey) emit('mark', place)
  else emit('choose', place)
}

const DRAGGED = 'application/x-wire-step-place'
function onDrag(place: Place, event: DragEvent): void {
  event.dataTransfer?.setData(DRAGGED, JSON.stringify({ jack: place.jack, number: place.number }))
}
function onDrop(place: Place, event: DragEvent): void {
  const data = event.dataTransfer?.getData(DRAGGED)
  if (data) emit('drop', JSON.parse(data) as Place, { jack: place.jack, number: place.number })
}

defineExpose({
  focus: () => focusOn(tabStop.value),
})
</script>

<template>
  <div ref="grid" class="grid">
    <section v-for="section in sections" :key="section.key" class="row" :aria-label="section.says">
      <p v-if="section.name" class="name">{{ section.name }}</p>
      <div class="tiles" :style="{ '--columns': section.columns }">
        <SwitchTile
          v-for="place in section.places"
          :key="placeKey(place)"
          :rig="rig"
          :bank="bank"
          :controller="controller"
          :place="place"
          :footswitch="here.get(placeKey(place)) ?? null"
          :known="known"
          :chosen="placeKey(place) === chosen"
          :marked="marked.has(placeKey(place))"
          :found="foundAt(place)"
          :copied-from="fresh.get(here.get(placeKey(place))?.id ?? '') ?? ''"
          :data-place="placeKey(place)"
          draggable="true"
          @keydown="onKey(place, $event)"
          @dragstart="onDrag(place, $event)"
          @dragover.prevent
          @drop.prevent="onDrop(place, $event)"
          @click="onClick(place, $event)"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.grid {
  flex: 1;
  display: grid;
  grid-auto-rows: minmax(222px, 258px);
  gap: 8px;
  min-height: 0;
  overflow: auto;
  padding: 10px 2px 2px;
}

.row {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.name {
  display: flex;
  align-items: center;
  gap: 10px;
  padding-bottom: 5px;
  font-size: 12px;
  color: var(--ink-faint);
}

.name::after {
  content: '';
  flex: 1;
  border-top: 1px dashed var(--line);
}

.tiles {
  flex: 1;
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: 10px;
  min-height: 0;
}

@media (max-width: 620px) {
  .grid {
    flex: none;
    grid-auto-rows: auto;
    overflow: visible;
  }

  .tiles {
    grid-template-columns: repeat(2, minmax(0, 1fr));
    grid-auto-rows: minmax(104px, auto);
  }
}
</style>
