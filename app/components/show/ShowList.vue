<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { own } from '#core/base'
import { partKey, partsOf, songsOf, songTempo, type Part, type Rig, type Show, type Song } from '#core/rig'
import type { PartWay } from '#core/show'
import { heardText, inTimeText, lastsText, partName, wayText } from '~/text/show'
import { placeShort } from '#shared/placeText'
import { bpmText } from '~/text/tempo'

/** The show that is on: its songs in playing order, their parts, the switch of each and how the foot gets there. */
const { rig, show, ways, chosen, wrong } = defineProps<{
  rig: Rig
  show: Show
  /** How each part is come to. */
  ways: readonly PartWay[]
  /** The key of what is chosen: a song's, or a part's. */
  chosen: string | null
  /** Parts the walk found wrong, by key. */
  wrong: ReadonlySet<string>
}>()
const emit = defineEmits<{
  choose: [key: string]
  moveSong: [from: number, to: number]
  movePart: [part: Part, by: number]
  play: [way: PartWay]
}>()

interface PartRow {
  readonly key: string
  readonly part: Part
  readonly way: PartWay | null
}

const songs = computed(() => {
  const byKey = new Map(ways.map((way) => [partKey(way.played), way]))
  return songsOf(rig, show).map((song, nth) => ({
    song,
    key: String(nth),
    nth,
    parts: partsOf(rig, song.id).map((part): PartRow => {
      const key = partKey({ nth, part })
      return { key, part, way: byKey.get(key) ?? null }
    }),
  }))
})
const keys = computed(() => songs.value.flatMap(({ key, parts }) => [key, ...parts.map((part) => part.key)]))

const list = useTemplateRef('list')
const focus = (key: string) =>
  void nextTick(() => list.value?.querySelector<HTMLElement>(`[data-row="${CSS.escape(key)}"]`)?.focus())

function go(key: string): void {
  emit('choose', key)
  focus(key)
}

function onKey(event: KeyboardEvent, key: string, nth: number, row: PartRow | null): void {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  if (by !== undefined && event.altKey) {
    event.preventDefault()
    if (row) {
      emit('movePart', row.part, by)
      focus(key)
    } else {
      emit('moveSong', nth, nth + by)
      focus(String(Math.min(songs.value.length - 1, Math.max(0, nth + by))))
    }
  } else if (by !== undefined || event.key === 'Home' || event.key === 'End') {
    event.preventDefault()
    const at = keys.value.indexOf(key)
    const to = event.key === 'Home' ? 0 : event.key === 'End' ? keys.value.length - 1 : at + by!
    const next = keys.value[Math.min(keys.value.length - 1, Math.max(0, to))]
    if (next !== undefined) go(next)
  } else if (event.key === 'Enter' && row?.way?.route) {
    event.preventDefault()
    emit('choose', key)
    emit('play', row.way)
  }
}

const songText = (song: Song): string =>
  [songTempo(song) === null ? '' : `${bpmText(songTempo(song)!)} bpm`, song.key]
    .filter((one) => one !== '')
    .join(', ')

/** What is being dragged, and the song it would land before. */
const dragged = ref<number | null>(null)
const target = ref<number | null>(null)
function drop(): void {
  if (dragged.value !== null && target.value !== null) emit('moveSong', dragged.value, target.value)
  dragged.value = null
  target.value = null
}
const switchOf = (way: PartWay | null): string => {
  const move = way?.route?.moves.at(-1)
  return move ? placeShort(rig, { ...move.from, number: move.number }, move.jack) : ''
}
const isOf = (way: PartWay | null, ...of: PartWay['inTime'][]) => way !== null && of.includes(way.inTime)
const soundOf = ({ part, way }: PartRow) => way?.played.soundId ?? part.soundId
const isOut = ({ part }: PartRow) => part.tonight?.isOut === true
const isOther = ({ part }: PartRow) => own(rig.sounds, part.tonight?.soundId ?? '') !== undefined
</script>

<template>
  <ol ref="list" class="show" aria-label="Songs of the show">
    <li
      v-for="{ song, key, nth, parts } in songs"
      :key="key"
      class="song"
      :class="{ target: target === nth && dragged !== null && dragged !== nth }"
    >
      <button
        type="button"
        class="title"
        :data-row="key"
        :aria-current="key === chosen ? 'true' : undefined"
        draggable="true"
        @click="emit('choose', key)"
        @keydown="onKey($event, key, nth, null)"
        @dragstart="dragged = nth"
        @dragend="drop"
        @dragover.prevent="target = nth"
      >
        <span class="mono nth">{{ nth + 1 }}</span>
        <span class="name">{{ song.name }}</span>
        <span class="soft">{{ songText(song) }}</span>
        <span v-if="song.tonight" class="tonight">tonight</span>
      </button>
      <p v-if="parts.length === 0" class="soft none">No parts yet.</p>
      <ol>
        <li v-for="row in parts" :key="row.key" class="part" :class="{ out: isOut(row) }">
          <button
            type="button"
            class="row"
            :data-row="row.key"
            :aria-current="row.key === chosen ? 'true' : undefined"
            @dragover.prevent="target = nth"
            @click="emit('choose', row.key)"
            @dblclick="row.way?.route && emit('play', row.way)"
            @keydown="onKey($event, row.key, nth, row)"
          >
            <span class="tape" :class="{ blank: soundOf(row) === null }">{{
              partName(rig, row.part, soundOf(row))
            }}</span>
            <span class="mono place">{{ switchOf(row.way) }}</span>
            <span v-if="isOut(row)" class="soft">left out tonight</span>
            <span
              v-else-if="row.way"
              class="way"
              :class="{ bad: row.way.why !== null || isOf(row.way, 'tight', 'never') }"
            >
              {{ row.way.inTime === 'start' ? 'start' : wayText(row.way) }}
              <b v-if="isOf(row.way, 'tight', 'never')">{{ inTimeText(row.way) }}</b>
              <i v-else-if="isOf(row.way, 'unknown') && row.way.why === null">{{ inTimeText(row.way) }}</i>
              <span v-if="heardText(rig, row.way)" class="soft">{{ heardText(rig, row.way) }}</span>
            </span>
            <span class="more">
              <span v-if="isOther(row) && !isOut(row)" class="tonight">tonight</span>
              <span v-if="wrong.has(row.key)" class="bad">wrong</span>
              <span class="soft mono">{{ lastsText(row.part) }}</span>
            </span>
          </button>
        </li>
      </ol>
    </li>
  </ol>
</template>

<style scoped>
.show {
  min-height: 0;
  overflow: auto;
  padding: 2px;
  scrollbar-gutter: stable;
}

.song {
  padding-bottom: 6px;
  content-visibility: auto;
  contain-intrinsic-size: auto 120px;
}

.song.target {
  box-shadow: 0 -2px 0 var(--ink);
}

.title,
.row {
  width: 100%;
  border: 0;
  background: none;
  text-align: left;
}

.title {
  display: flex;
  align-items: baseline;
  gap: 10px;
  padding: 5px 6px 3px;
  border-bottom: 1px solid var(--line);
  cursor: grab;
}

.title .name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font: 700 14px var(--display);
}

.nth {
  min-width: 22px;
  color: var(--ink-soft);
}

.row {
  display: grid;
  grid-template-columns: minmax(90px, 190px) 84px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 3px 6px 3px 38px;
  border-bottom: 1px solid var(--line);
  font-size: 13px;
}

.title:hover,
.row:hover {
  background: var(--hover);
}

[aria-current='true'] {
  background: var(--sheet);
  box-shadow: inset 3px 0 0 var(--ink);
}

:focus-visible {
  outline-offset: -2px;
}

.tape {
  overflow: hidden;
  padding: 2px 8px;
  background: var(--tape);
  color: var(--tape-ink);
  text-overflow: ellipsis;
  white-space: nowrap;
  font: 700 13px var(--display);
}

.tape.blank {
  background: none;
  border: 1px dashed var(--line-strong);
  color: var(--ink-soft);
}

.out .tape,
.out .place {
  text-decoration: line-through;
  opacity: 0.65;
}

.way {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}

.way i {
  color: var(--warning);
}

.bad {
  color: var(--error);
}

.more {
  display: flex;
  gap: 8px;
  font-size: 12px;
}

.tonight {
  padding: 0 6px;
  border: 1px solid var(--line-strong);
  border-radius: 999px;
  font-size: 11.5px;
}

.none {
  padding: 3px 6px 3px 38px;
  font-size: 13px;
}

@media print {
  .show {
    columns: 2;
    column-gap: 18px;
    overflow: visible;
  }

  .song {
    padding-bottom: 2px;
    content-visibility: visible;
    break-inside: avoid;
  }

  .row,
  .title {
    padding: 0 0 0 4px;
    font-size: 10px;
    line-height: 1.35;
  }

  .row {
    grid-template-columns: minmax(80px, 1fr) 52px minmax(0, 1.4fr) auto;
    gap: 6px;
  }

  .tape {
    padding: 0;
    font-size: 10.5px;
  }

  [aria-current='true'] {
    background: none;
    box-shadow: none;
  }
}

@container (max-width: 560px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 56px auto;
    gap: 1px 12px;
    padding-left: 14px;
  }

  .row .way,
  .row > .soft {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
