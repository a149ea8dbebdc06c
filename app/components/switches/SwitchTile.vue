<script setup lang="ts">
import { computed } from 'vue'
import type { Finding } from '#core/check'
import { isProgrammed, modeOf, type Bank, type Controller, type Footswitch, type Rig } from '#core/rig'
import { switchName } from '#core/sound'
import { lampNow, type Known } from '#core/switching'
import FindingMark from '~/components/common/FindingMark.vue'
import { pressSending } from '~/charts/pressSending'
import { count } from '#shared/words/counts'
import { lampPaint, lampText } from '~/text/lamps'
import { millisecondsText } from '#shared/words/messages'
import { MODE_TEXT } from '~/text/modes'
import { placeText } from '~/text/switchPlaces'
import { switchLines } from './switchLines'
import type { Place } from './switchPlaces'

const { rig, bank, controller, place, footswitch, known, chosen, marked, found, copiedFrom } = defineProps<{
  rig: Rig
  bank: Bank
  controller: Controller
  place: Place
  footswitch: Footswitch | null
  known: Known
  chosen: boolean
  marked: boolean
  found: readonly Finding[]
  /** Not looked at yet, and what it was copied from. */
  copiedFrom: string
}>()

const name = computed(() => (footswitch ? switchName(rig, footswitch, controller) : ''))
const isLive = computed(() => footswitch !== null && (isProgrammed(footswitch) || footswitch.label !== ''))
const isBorrowed = computed(() => footswitch !== null && footswitch.bankId !== bank.id)
const lamp = computed(() => (footswitch ? lampNow(rig, footswitch, known) : null))
const where = computed(() => placeText(rig, controller, place))

const OTHERS = [
  ['release', 'off'],
  ['longPress', 'long'],
  ['doublePress', 'twice'],
] as const
/** Everything a foot can make it do, each with its lines. */
const blocks = computed(() => {
  if (!footswitch) return []
  const many = footswitch.positions.length > 1
  return [
    ...footswitch.positions.map((_, n) => ({
      key: `press${n}`,
      head: many ? `press ${n + 1}` : '',
      lines: switchLines(rig, footswitch, n),
    })),
    ...OTHERS.flatMap(([event, head]) =>
      footswitch[event].length === 0
        ? []
        : [{ key: event, head, lines: switchLines(rig, footswitch, 0, event) }],
    ),
  ]
})
/** Rows there is room for; what is beyond is counted. */
const ROOM = 7
/** A head is a row of its own. */
const rowsOf = ({ head, lines }: { head: string; lines: readonly unknown[] }) => lines.length + (head ? 1 : 0)
const shown = computed(() => {
  let left = ROOM
  const total = blocks.value.reduce((sum, { lines }) => sum + lines.length, 0)
  const all = blocks.value.reduce((sum, block) => sum + rowsOf(block), 0)
  if (all <= ROOM) return { blocks: blocks.value, more: 0 }
  left--
  const kept = blocks.value.flatMap((block) => {
    const room = left - (block.head ? 1 : 0)
    if (room <= 0) return []
    const lines = block.lines.slice(0, room)
    left -= rowsOf({ ...block, lines })
    return [{ ...block, lines }]
  })
  return { blocks: kept, more: total - kept.reduce((sum, { lines }) => sum + lines.length, 0) }
})
/** Past this many lines each keeps to one. */
const isDense = computed(() => blocks.value.reduce((sum, block) => sum + rowsOf(block), 0) > 3)
const first = computed(() => (footswitch ? pressSending(rig, footswitch, 0) : null))
</script>

<template>
  <button
    type="button"
    class="tile"
    :class="{ chosen, marked, blank: !isLive, borrowed: isBorrowed }"
    :aria-pressed="chosen || marked"
  >
    <template v-if="footswitch && isLive">
      <span class="head">
        <span
          v-if="lamp"
          class="lamp"
          :class="lamp.light"
          :style="{ '--lamp': lampPaint(lamp.colour) }"
          role="img"
          :aria-label="lampText(lamp)"
        ></span>
        <span>{{ MODE_TEXT[modeOf(footswitch)] }}</span>
        <span v-if="footswitch.everywhere" class="tag">every bank</span>
        <span v-if="footswitch.group" class="tag">{{ footswitch.group }}</span>
        <span class="mono number">{{ place.jack === '' ? place.number : where }}</span>
      </span>
      <span class="tape">{{ name || '\u00a0' }}</span>
      <span class="lines" :class="{ dense: isDense }">
        <template v-for="block in shown.blocks" :key="block.key">
          <span v-if="block.head" class="press">{{ block.head }}</span>
          <span v-for="line in block.lines" :key="line.key" class="line" :class="{ own: line.sent === '' }">
            <span class="device">{{ line.device }}</span>
            <span
              class="sent mono"
              :class="{ program: line.sent !== 'not sent' && line.sent !== 'by foot' }"
              >{{ line.sent }}</span
            >
            <b class="preset">{{ line.preset }}</b>
          </span>
        </template>
        <span v-if="shown.more > 0" class="press">and {{ shown.more }} more</span>
      </span>
      <span v-if="copiedFrom" class="copied">as {{ copiedFrom }}, not looked at yet</span>
      <span class="foot">
        <span class="mono">{{
          first && first.messages.length > 0 ? count(first.messages.length, 'message') : ''
        }}</span>
        <FindingMark :found="found" />
        <span class="mono">{{ first && first.time > 0 ? millisecondsText(first.time) : '' }}</span>
      </span>
    </template>
    <span v-else class="invite">
      <span class="mono number">{{ place.jack === '' ? place.number : where }}</span>
      Put a sound here
    </span>
  </button>
</template>

<style scoped>
.tile {
  container-type: inline-size;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  width: 100%;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
  text-align: left;
  overflow: hidden;
}

.tile:hover {
  border-color: var(--line-strong);
}

.tile.chosen,
.tile.marked {
  border-color: var(--ink);
  box-shadow: 0 0 0 1px var(--ink);
}

.tile.marked {
  background: var(--hover);
}

.tile.blank {
  border-style: dashed;
  border-color: var(--line-strong);
  background: none;
  color: var(--ink-faint);
}

.tile.borrowed {
  border-style: dotted;
  border-color: var(--line-strong);
}

.head,
.foot {
  display: flex;
  justify-content: space-between;
  gap: 6px;
  padding: 5px 10px;
  font-size: 12px;
  color: var(--ink-soft);
}

.head {
  align-items: center;
  justify-content: flex-start;
  white-space: nowrap;
}

.lamp {
  flex: none;
  width: 9px;
  height: 9px;
  border: 1px solid var(--line-strong);
  border-radius: 50%;
}

.lamp.steady,
.lamp.flash,
.lamp.tempo {
  border-color: var(--ink);
  background: var(--lamp);
}

.lamp.flash,
.lamp.tempo {
  border-style: dashed;
}

.tag {
  min-width: 0;
  overflow: hidden;
  padding: 0 4px;
  border: 1px solid var(--line);
  font-size: 11px;
  text-overflow: ellipsis;
}

.head .number {
  flex: none;
  max-width: 70%;
  margin-left: auto;
  overflow: hidden;
  text-overflow: ellipsis;
}

.number {
  font-size: 13px;
}

.tape {
  flex: none;
  overflow: hidden;
  padding: 3px 10px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 15px/1.35 var(--display);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.lines {
  flex: 1;
  display: grid;
  align-content: start;
  gap: 1px;
  min-height: 0;
  overflow: hidden;
  padding: 6px 10px 0;
  font-size: 12px;
}

.press {
  color: var(--ink-faint);
  font-size: 11px;
}

.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  column-gap: 6px;
  line-height: 1.3;
}

.line .preset {
  grid-column: 1 / -1;
  padding-bottom: 3px;
}

.line.own {
  grid-template-columns: auto minmax(0, 1fr);
}

.line.own .sent {
  display: none;
}

.line.own .preset {
  grid-column: auto;
}

.dense .line {
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
}

.dense .preset {
  grid-column: auto;
  padding: 0;
}

.dense .sent {
  display: none;
}

.line > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.device {
  color: var(--ink-soft);
}

.sent {
  font-weight: 600;
}

.copied {
  padding: 2px 10px;
  border-top: 1px dashed var(--line-strong);
  font-size: 11px;
  color: var(--warning);
}

.foot {
  align-items: center;
  margin-top: auto;
  font-size: 11px;
  white-space: nowrap;
}

@container (min-width: 160px) {
  .dense .line:not(.own) {
    grid-template-columns: minmax(0, 2fr) minmax(0, 3fr) auto;
  }

  .dense .sent.program {
    display: inline;
    order: 1;
    font-weight: 400;
  }
}

/* What is narrow says the least that matters: what is wrong goes before how long it takes. */
@container (max-width: 150px) {
  .foot > :last-child {
    display: none;
  }
}

@container (max-width: 118px) {
  .foot > :first-child {
    display: none;
  }

  .dense .line {
    grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
  }
}

.invite {
  display: grid;
  gap: 4px;
  margin: auto;
  text-align: center;
}
</style>
