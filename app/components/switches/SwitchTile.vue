<script setup lang="ts">
import { computed } from 'vue'
import {
  isProgrammed,
  modeOf,
  switchName,
  type Controller,
  type Finding,
  type Footswitch,
  type Rig,
} from '#core'
import FindingMark from '~/components/common/FindingMark.vue'
import { count } from '~/text/counts'
import { millisecondsText } from '~/text/messages'
import { MODE_TEXT } from '~/text/modes'
import { pressSending } from '~/charts/pressSending'
import { switchLines } from './switchLines'

const { rig, number, footswitch, chosen, found, controller } = defineProps<{
  rig: Rig
  controller: Controller
  number: number
  footswitch: Footswitch | null
  chosen: boolean
  found: readonly Finding[]
}>()
const emit = defineEmits<{ choose: [] }>()

const name = computed(() => (footswitch ? switchName(rig, footswitch, controller) : ''))
const isLive = computed(() => footswitch !== null && (isProgrammed(footswitch) || footswitch.label !== ''))
const presses = computed(
  () => footswitch?.positions.map((_, position) => switchLines(rig, footswitch, position)) ?? [],
)
/** Past this many lines each keeps to one. */
const isDense = computed(() => presses.value.flat().length > 4)
const first = computed(() => (footswitch ? pressSending(rig, footswitch, 0) : null))
</script>

<template>
  <button
    type="button"
    class="tile"
    :class="{ chosen, blank: !isLive }"
    :aria-pressed="chosen"
    @click="emit('choose')"
  >
    <template v-if="footswitch && isLive">
      <span class="head">
        <span>{{ MODE_TEXT[modeOf(footswitch)] }}</span>
        <span class="mono number">{{ number }}</span>
      </span>
      <span class="tape">{{ name || '\u00a0' }}</span>
      <span class="lines" :class="{ dense: isDense }">
        <template v-for="(lines, position) in presses" :key="position">
          <span v-if="presses.length > 1" class="press">press {{ position + 1 }}</span>
          <span v-for="line in lines" :key="line.key" class="line">
            <span class="device">{{ line.device }}</span>
            <span
              class="sent mono"
              :class="{ program: line.sent !== 'not sent' && line.sent !== 'by foot' }"
              >{{ line.sent }}</span
            >
            <b class="preset">{{ line.preset }}</b>
          </span>
        </template>
      </span>
      <span class="foot">
        <span class="mono">{{ first ? count(first.messages.length, 'message') : '' }}</span>
        <FindingMark :found="found" />
        <span class="mono">{{ first ? millisecondsText(first.time) : '' }}</span>
      </span>
    </template>
    <span v-else class="invite">
      <span class="mono number">{{ number }}</span>
      Put a sound here
    </span>
  </button>
</template>

<style scoped>
.tile {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
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

.tile.chosen {
  border-color: var(--ink);
  box-shadow: 0 0 0 1px var(--ink);
}

.tile.blank {
  border-style: dashed;
  border-color: var(--line-strong);
  background: none;
  color: var(--ink-faint);
}

.head,
.foot {
  display: flex;
  justify-content: space-between;
  padding: 5px 10px;
  font-size: 12px;
  color: var(--ink-soft);
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
  overflow: auto;
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

.dense .preset {
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

.foot {
  align-items: center;
  font-size: 11px;
}

.invite {
  display: grid;
  gap: 4px;
  margin: auto;
  text-align: center;
}
</style>
