<script setup lang="ts">
import { useVirtualList } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import type { Device, Rig, Sound, SoundId } from '#core/rig'
import { parseCell } from '#core/sound'
import FindingMark from '~/components/common/FindingMark.vue'
import CellEditor from './CellEditor.vue'
import NameEditor from './NameEditor.vue'
import { useCellDrafts } from '~/composables/useCellDrafts'
import { useRigStore } from '~/stores/rig'
import { cellRefusalText } from '~/text/sounds'
import { blockOf, isIn, rowViews, type Block, type Place } from './soundGrid'

/** Sounds down, devices across. Moved in with arrows, typed over, copied and pasted as a spreadsheet is. */
const { rig, sounds, devices, found, chosen } = defineProps<{
  rig: Rig
  sounds: readonly Sound[]
  devices: readonly Device[]
  found: readonly Finding[]
  /** What the inspector is about. */
  chosen: { readonly soundId: string; readonly deviceId?: string } | null
}>()
const emit = defineEmits<{
  choose: [sound: Sound, device: Device | null]
  cell: [sound: Sound, device: Device, text: string]
  /** A name for a sound, or for a new one below the last. */
  name: [sound: Sound | null, text: string]
  clear: [block: Block]
  fillDown: [block: Block]
  move: [id: SoundId, to: number]
  send: [sound: Sound]
  takeFloor: [sound: Sound | null]
  copy: [block: Block, data: DataTransfer]
  paste: [at: Place, text: string]
}>()

const ROW_HEIGHT = 47
const NAME_WIDTH = 176
const COLUMN_WIDTH = 98

/** One line more than there are sounds: where a new one is typed. */
const lines = computed(() => Array.from({ length: sounds.length + 1 }, (_, row) => row))
const { list, containerProps, wrapperProps, scrollTo } = useVirtualList(lines, {
  itemHeight: ROW_HEIGHT,
  overscan: 6,
})
const grid = useTemplateRef('grid')
const cursor = shallowRef<Place>({ row: 0, column: 0 })
const anchor = shallowRef<Place>({ row: 0, column: 0 })
const block = computed(() => blockOf(anchor.value, cursor.value))
/** What is being typed, and where; null while nothing is. */
const typing = shallowRef<{ readonly place: Place; readonly initial: string } | null>(null)
const hasFocus = ref(false)
const rigs = useRigStore()
const { draftAt, setDraft } = useCellDrafts(() => rigs.rigId ?? '')
/** What was typed there and not understood; null where nothing was, or where it is understood by now. */
function unread(sound: Sound, device: Device): { readonly text: string; readonly why: string } | null {
  const text = draftAt(sound.id, device.id)
  const read = text === null ? null : parseCell(rig, device, text)
  if (text === null || !read) return null
  return {
    text,
    why: read.ok ? 'Not taken yet: Enter takes it.' : cellRefusalText(read.refusal, device.name),
  }
}

const views = computed(
  () =>
    new Map(
      list.value.flatMap(({ data: row }) => {
        const sound = sounds[row]
        return sound ? [[row, rowViews(rig, sound, devices)] as const] : []
      }),
    ),
)
const foundByCell = computed(() => {
  const all = new Map<string, Finding[]>()
  for (const one of found) {
    const key = `${one.about.id}/${one.about.field?.replace('cells.', '') ?? ''}`
    all.set(key, [...(all.get(key) ?? []), one])
  }
  return all
})
const NOTHING_FOUND: readonly Finding[] = []
const foundAt = (sound: Sound, device: Device | null) =>
  foundByCell.value.get(`${sound.id}/${device?.id ?? ''}`) ?? NOTHING_FOUND
const parentName = (sound: Sound) =>
  sound.parentId === null ? '' : (own(rig.sounds, sound.parentId)?.name ?? '')
/** Every row is as wide as all the others, whatever stands in it. */
const rowStyle = computed(() => ({
  gridTemplateColumns: `${NAME_WIDTH}px repeat(${devices.length}, minmax(0, 1fr))`,
  minWidth: `${NAME_WIDTH + devices.length * COLUMN_WIDTH}px`,
}))
const cellId = ({ row, column }: Place) => `sound-cell-${row}-${column}`

watch(
  () => sounds.length,
  (length) => {
    if (cursor.value.row > length) goTo({ ...cursor.value, row: length })
  },
)
// Chosen elsewhere: the cursor follows, and stays where it is when it has chosen itself.
watch(
  () => chosen,
  (now) => {
    const row = sounds.findIndex(({ id }) => id === now?.soundId)
    const column = devices.findIndex(({ id }) => id === now?.deviceId) + 1
    if (row < 0 || (row === cursor.value.row && column === cursor.value.column)) return
    goTo({ row, column })
  },
  { immediate: true },
)

function goTo(place: Place, extends_ = false): void {
  const row = Math.max(0, Math.min(sounds.length, place.row))
  const column = row === sounds.length ? 0 : Math.max(0, Math.min(devices.length, place.column))
  cursor.value = { row, column }
  if (!extends_) anchor.value = cursor.value
  void bringIntoView()
  const sound = sounds[row]
  if (sound && !extends_) emit('choose', sound, devices[column - 1] ?? null)
}

async function bringIntoView(): Promise<void> {
  await nextTick()
  const box = grid.value
  if (!box) return
  const { row, column } = cursor.value
  const top = row * ROW_HEIGHT
  const room = box.clientHeight - 40
  if (top < box.scrollTop || top + ROW_HEIGHT > box.scrollTop + room) {
    if (Math.abs(top - box.scrollTop) > room * 2) scrollTo(Math.max(0, row - 2))
    else box.scrollTop = top < box.scrollTop ? top : top + ROW_HEIGHT - room
  }
  const cell = document.getElementById(cellId({ row, column }))
  if (!cell || column === 0) return
  const left = cell.offsetLeft - NAME_WIDTH
  if (left < box.scrollLeft) box.scrollLeft = left
  else if (left + cell.offsetWidth > box.scrollLeft + box.clientWidth - NAME_WIDTH)
    box.scrollLeft = left + cell.offsetWidth - box.clientWidth + NAME_WIDTH
}

function startTyping(initial: string | null): void {
  const { row, column } = cursor.value
  const sound = sounds[row]
  const view = views.value.get(row)?.[column - 1]
  const shown =
    column === 0
      ? (sound?.name ?? '')
      : view?.isUnsaid
        ? ''
        : `${view?.text ?? ''} ${view?.extra ?? ''}`.trim()
  const device = devices[column - 1]
  const draft = sound && device ? draftAt(sound.id, device.id) : null
  typing.value = { place: cursor.value, initial: initial ?? draft ?? shown }
}

function stopTyping(move: 'down' | 'right' | 'left' | 'none'): void {
  typing.value = null
  const { row, column } = cursor.value
  if (move === 'down') goTo({ row: row + 1, column })
  if (move === 'right') goTo({ row, column: column + 1 })
  if (move === 'left') goTo({ row, column: column - 1 })
  if (move !== 'none') grid.value?.focus({ preventScroll: true })
}

async function takeText(text: string, move: 'down' | 'right' | 'left' | 'none'): Promise<void> {
  const { row, column } = typing.value?.place ?? cursor.value
  const [sound, device] = [sounds[row], devices[column - 1]]
  // Before the edit: the line of a new sound is another one after it, and would open the field anew.
  typing.value = null
  if (device && sound) {
    setDraft(sound.id, device.id, null)
    emit('cell', sound, device, text)
  }
  if (!device) emit('name', sound ?? null, text)
  // A new sound has its row only once the edit is done.
  await nextTick()
  stopTyping(move)
}

/** Left, and not understood: it stays there, marked, and is typed on in. */
function keepText(text: string): void {
  const { row, column } = typing.value?.place ?? cursor.value
  const [sound, device] = [sounds[row], devices[column - 1]]
  typing.value = null
  if (sound && device) setDraft(sound.id, device.id, text)
}

/** Gives up what was typed and not understood in a block; whether there was any. */
function dropDrafts({ top, bottom, left, right }: Block): boolean {
  const cells = sounds
    .slice(top, bottom + 1)
    .flatMap((sound) => devices.slice(Math.max(0, left - 1), right).map((device) => [sound, device] as const))
  return cells.filter(([sound, device]) => setDraft(sound.id, device.id, null)).length > 0
}

function cancel(): void {
  const { row, column } = typing.value?.place ?? cursor.value
  const [sound, device] = [sounds[row], devices[column - 1]]
  if (sound && device) setDraft(sound.id, device.id, null)
  typing.value = null
  grid.value?.focus({ preventScroll: true })
}

const STEPS: { readonly [key: string]: readonly [row: number, column: number] } = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-8, 0],
  PageDown: [8, 0],
}

function onKey(event: KeyboardEvent): void {
  if (typing.value) return
  const { key, shiftKey, altKey } = event
  const isMod = event.ctrlKey || event.metaKey
  const { row, column } = cursor.value
  const sound = sounds[row]
  const step = STEPS[key]
  const done = () => event.preventDefault()
  if (step && altKey && sound && (key === 'ArrowUp' || key === 'ArrowDown')) {
    done()
    emit('move', sound.id, row + step[0])
    void nextTick(() => goTo({ row: Math.max(0, Math.min(sounds.length - 1, row + step[0])), column }))
  } else if (step && !altKey) {
    done()
    goTo({ row: row + step[0], column: column + step[1] }, shiftKey)
  } else if (key === 'Home' || key === 'End') {
    done()
    const isStart = key === 'Home'
    goTo(
      isMod ? { row: isStart ? 0 : sounds.length, column: 0 } : { row, column: isStart ? 0 : devices.length },
      shiftKey,
    )
  } else if (key === 'Tab' && !isMod) {
    const next = column + (shiftKey ? -1 : 1)
    // Past either end the key leaves the table.
    if (next < 0 || next > devices.length || row === sounds.length) return
    done()
    goTo({ row, column: next })
  } else if (key === 'Enter' || key === 'F2') {
    done()
    startTyping(null)
  } else if (key === 'Delete' || key === 'Backspace') {
    done()
    // What is seen goes first.
    if (!dropDrafts(block.value)) emit('clear', block.value)
  } else if (key === 'F8' && sound) {
    done()
    emit('send', sound)
  } else if (key === 'F9') {
    done()
    emit('takeFloor', sound ?? null)
  } else if (key === 'Escape') grid.value?.blur()
  else if (isMod && key.toLowerCase() === 'd') {
    done()
    emit('fillDown', block.value)
  } else if (isMod && key.toLowerCase() === 'a') {
    done()
    anchor.value = { row: 0, column: 0 }
    cursor.value = { row: Math.max(0, sounds.length - 1), column: devices.length }
  } else if (!isMod && !altKey && key.length === 1 && key !== ' ') {
    done()
    startTyping(key)
  }
}

function onCopy(event: ClipboardEvent, isCut: boolean): void {
  if (typing.value || !event.clipboardData) return
  event.preventDefault()
  emit('copy', block.value, event.clipboardData)
  if (isCut) emit('clear', block.value)
}

function onPaste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain')
  if (typing.value || !text) return
  event.preventDefault()
  emit('paste', { row: block.value.top, column: block.value.left }, text)
}

function onDown(event: PointerEvent, place: Place): void {
  if (event.button !== 0) return
  goTo(place, event.shiftKey)
  grid.value?.focus({ preventScroll: true })
}

/** The sound whose row is being dragged, and the row it would land on. */
const dragged = shallowRef<SoundId | null>(null)
const target = ref(-1)

function drop(): void {
  if (dragged.value && target.value >= 0) emit('move', dragged.value, target.value)
  dragged.value = null
  target.value = -1
}

defineExpose({ focus: () => grid.value?.focus({ preventScroll: true }), goTo })
</script>

<template>
  <div
    v-bind="{ ...containerProps, ref: undefined }"
    :ref="
      (element) => {
        containerProps.ref.value = element as HTMLElement
        grid = element as HTMLElement
      }
    "
    class="grid"
    role="grid"
    aria-label="Sounds by device"
    tabindex="0"
    :aria-rowcount="sounds.length + 2"
    :aria-colcount="devices.length + 1"
    :aria-activedescendant="typing ? undefined : cellId(cursor)"
    aria-multiselectable="true"
    @keydown="onKey"
    @copy="onCopy($event, false)"
    @cut="onCopy($event, true)"
    @paste="onPaste"
    @focus="hasFocus = true"
    @blur="hasFocus = false"
  >
    <div class="head" role="rowgroup">
      <div role="row" class="row" :style="rowStyle">
        <span role="columnheader" class="corner">Sound</span>
        <span v-for="device in devices" :key="device.id" role="columnheader" :title="device.name">{{
          device.name
        }}</span>
      </div>
    </div>
    <div v-bind="wrapperProps" role="rowgroup">
      <div
        v-for="{ data: row } in list"
        :key="sounds[row]?.id ?? 'new'"
        role="row"
        tabindex="-1"
        class="row line"
        :class="{ target: row === target }"
        :aria-rowindex="row + 2"
        :style="{ ...rowStyle, height: `${ROW_HEIGHT}px` }"
        @dragover.prevent="target = Math.min(row, sounds.length - 1)"
        @drop.prevent="drop"
      >
        <div
          :id="cellId({ row, column: 0 })"
          role="rowheader"
          tabindex="-1"
          class="name"
          :draggable="sounds[row] !== undefined && typing === null"
          :class="{ within: hasFocus && isIn(block, row, 0), at: row === cursor.row && cursor.column === 0 }"
          :aria-selected="isIn(block, row, 0)"
          @pointerdown="onDown($event, { row, column: 0 })"
          @dblclick="startTyping(null)"
          @dragstart="dragged = sounds[row]?.id ?? null"
          @dragend="drop"
        >
          <NameEditor
            v-if="typing && typing.place.row === row && typing.place.column === 0"
            :initial="typing.initial"
            @take="takeText"
            @cancel="cancel"
          />
          <template v-else-if="sounds[row]">
            <span class="tape" :title="sounds[row].name">{{ sounds[row].name }}</span>
            <span v-if="parentName(sounds[row])" class="parent">as {{ parentName(sounds[row]) }}</span>
            <FindingMark v-if="foundAt(sounds[row], null).length > 0" :found="foundAt(sounds[row], null)" />
          </template>
          <span v-else class="new">+ type a name</span>
        </div>
        <template v-if="sounds[row]">
          <div
            v-for="(view, n) in views.get(row)"
            :id="cellId({ row, column: n + 1 })"
            :key="devices[n]!.id"
            role="gridcell"
            tabindex="-1"
            class="cell"
            :class="{
              within: hasFocus && isIn(block, row, n + 1),
              at: row === cursor.row && n + 1 === cursor.column,
              inherited: view.isInherited,
              quiet: view.isQuiet,
              doubtful: view.doubt !== '',
            }"
            :aria-selected="isIn(block, row, n + 1)"
            @pointerdown="onDown($event, { row, column: n + 1 })"
            @dblclick="startTyping(null)"
          >
            <CellEditor
              v-if="typing && typing.place.row === row && typing.place.column === n + 1"
              :rig="rig"
              :device="devices[n]!"
              :initial="typing.initial"
              :label="`${sounds[row].name}, ${devices[n]!.name}`"
              @take="takeText"
              @keep="keepText"
              @cancel="cancel"
            />
            <template v-if="unread(sounds[row], devices[n]!)">
              <span class="text unread" :title="unread(sounds[row], devices[n]!)!.why">{{
                unread(sounds[row], devices[n]!)!.text
              }}</span>
              <span class="doubt">not understood</span>
              <span class="unseen">{{ unread(sounds[row], devices[n]!)!.why }}</span>
            </template>
            <template v-else>
              <span class="text"
                >{{ view.text }}<span v-if="view.isUnsaid && !view.text" class="unseen">not said</span></span
              >
              <span v-if="view.extra" class="extra">{{ view.extra }}</span>
              <span v-if="view.isInherited" class="unseen">, inherited</span>
              <span v-if="view.doubt" class="doubt">{{ view.doubt }}</span>
            </template>
            <FindingMark
              v-if="foundAt(sounds[row], devices[n]!).length > 0"
              :found="foundAt(sounds[row], devices[n]!)"
              class="mark"
            />
          </div>
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.grid {
  position: relative;
  flex: 1 1 0;
  min-height: 90px;
  overflow: auto;
  border-bottom: 1px solid var(--line);
}

/* The cell the cursor is in shows where the focus is. */
.grid:focus-visible {
  outline: none;
}

.row {
  display: grid;
}

.head {
  position: sticky;
  z-index: 3;
  top: 0;
  background: var(--ground);
  border-bottom: 1px solid var(--line);
  font-size: 12px;
}

.head span {
  align-self: end;
  overflow: hidden;
  padding: 3px 8px 5px;
  color: var(--ink-soft);
  font-weight: 600;
  line-height: 1.2;
  overflow-wrap: anywhere;
  max-height: 38px;
}

.corner {
  position: sticky;
  left: 0;
  background: var(--ground);
}

.line {
  border-bottom: 1px solid var(--line);
}

.target {
  border-top: 2px solid var(--ink);
}

.name {
  position: sticky;
  z-index: 2;
  left: 0;
  display: flex;
  flex-wrap: wrap;
  align-content: center;
  align-items: center;
  gap: 1px 6px;
  min-width: 0;
  padding: 2px 8px 2px 2px;
  background: var(--ground);
  border-right: 1px solid var(--line);
}

.tape {
  max-width: 100%;
  overflow: hidden;
  padding: 1px 9px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 14px/1.45 var(--display);
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: grab;
}

.parent {
  overflow: hidden;
  color: var(--ink-soft);
  font-size: 11px;
  line-height: 1.2;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.new {
  padding-left: 8px;
  color: var(--ink-faint);
}

.cell {
  position: relative;
  display: grid;
  align-content: center;
  min-width: 0;
  padding: 2px 8px;
  font-size: 12.5px;
  font-weight: 600;
  line-height: 1.25;
  cursor: cell;
}

.text {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
  overflow-wrap: anywhere;
}

.extra {
  overflow: hidden;
  color: var(--control);
  font: 500 11px/1.25 var(--mono);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.extra ~ .doubt {
  display: none;
}

.text:has(+ .extra) {
  -webkit-line-clamp: 1;
}

.quiet {
  color: var(--ink-soft);
  font-weight: 400;
}

.inherited {
  color: var(--ink-faint);
  font-weight: 400;
}

.inherited .extra {
  color: var(--ink-faint);
}

.doubtful .text,
.unread {
  text-decoration: underline wavy var(--error) 1px;
  text-underline-offset: 3px;
}

.doubt {
  overflow: hidden;
  color: var(--error);
  font-size: 11px;
  font-weight: 400;
  line-height: 1.2;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.mark {
  position: absolute;
  top: 2px;
  right: 4px;
  padding: 0;
  background: none;
}

.cell:has(.mark) {
  padding-right: 32px;
}

.within {
  background: var(--hover);
}

.at {
  outline: 1px solid var(--line-strong);
  outline-offset: -1px;
}

.grid:focus .at,
.grid:focus-within .at {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
  background: var(--sheet);
}
</style>
