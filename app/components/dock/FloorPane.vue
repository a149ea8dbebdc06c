<script setup lang="ts">
import { ChevronDown, ChevronUp } from '@lucide/vue'
import { computed } from 'vue'
import { inOrder, jackPlaces, placeKey, tempoNow, toePlace } from '#core'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { gestureText } from '~/text/gestures'
import { bpmText, TEMPO_FROM_SHORT, tempoFromText } from '~/text/tempo'
import { floorRows } from './floorRows'
import FloorTile from './FloorTile.vue'
import LieLine from './LieLine.vue'
import PedalLine from './PedalLine.vue'

const floor = useFloorStore()
const rigs = useRigStore()
const rows = computed(() => (floor.controller ? floorRows(floor.controller) : []))
const bankText = computed(() => {
  const { bank, controller } = floor
  return bank && controller ? `${bank.index + controller.firstBank} ${bank.name}`.trim() : 'No bank yet'
})
/** More than two feet have no use for more than these at once; the others are in Pedals. */
const SHOWN_MAX = 12
const pedals = computed(() => (rigs.rig ? inOrder(rigs.rig.pedals).slice(0, SHOWN_MAX) : []))
/** What is on jacks, but for the toe switches of pedals: those stand beside their pedal. */
const jacks = computed(() => {
  const { rig } = rigs
  if (!rig || !floor.controller) return []
  const toes = new Set(
    pedals.value.flatMap((pedal) => {
      const toe = toePlace(rig, pedal)
      return toe?.at === 'controller' ? [placeKey(toe)] : []
    }),
  )
  return jackPlaces(rig, floor.controller).filter((one) => !toes.has(placeKey(one)))
})
const tempo = computed(() => {
  const { from, bpm } = floor.state ? tempoNow(floor.state.known) : { from: null, bpm: 0 }
  return (
    from && {
      text: `${bpmText(bpm)} ${TEMPO_FROM_SHORT[from.kind]}`,
      from: rigs.rig ? tempoFromText(rigs.rig, from) : '',
    }
  )
})
const tap = (): void => floor.perform({ kind: 'tap', controlId: null })
/** What the controller made of the last step, where that was no plain press. */
const heard = computed(() => {
  const one = floor.gesture
  return one && one.event !== 'press' ? gestureText(one.event).toLowerCase() : ''
})
</script>

<template>
  <div class="pane">
    <div class="bank">
      <button
        v-tooltip.top="'Previous bank ( [ )'"
        type="button"
        aria-label="Previous bank"
        :disabled="!floor.bank"
        @click="floor.turnBank(-1)"
      >
        <ChevronDown :size="15" aria-hidden="true" />
      </button>
      <span class="name" aria-live="polite">
        {{ bankText }}
        <b v-if="floor.layer === 'shift'" class="shift">shift layer</b>
      </span>
      <button
        v-tooltip.top="'Tap the tempo (B)'"
        type="button"
        class="mono tempo"
        :aria-label="tempo ? `${tempo.text}: the tempo is ${tempo.from}. Tap it` : 'Tap the tempo'"
        @pointerdown.left="tap"
        @keydown.enter.space.prevent="!$event.repeat && tap()"
      >
        {{ tempo?.text ?? 'tap' }}
      </button>
      <span class="heard" role="status">{{ heard }}</span>
      <button v-if="floor.layer === 'shift'" type="button" class="word" @click="floor.goToLayer('base')">
        Base layer
      </button>
      <button
        v-tooltip.top="'Next bank ( ] )'"
        type="button"
        aria-label="Next bank"
        :disabled="!floor.bank"
        @click="floor.turnBank(1)"
      >
        <ChevronUp :size="15" aria-hidden="true" />
      </button>
    </div>
    <p v-if="!floor.controller" class="none">No controller yet. Choose one in Rig.</p>
    <div v-else class="rows">
      <div
        v-for="row in rows"
        :key="row[0]"
        class="row"
        :style="{ gridTemplateColumns: `repeat(${row.length}, minmax(0, 1fr))` }"
      >
        <FloorTile v-for="number in row" :key="number" :number="number" />
      </div>
      <div
        v-if="jacks.length > 0"
        class="row"
        :style="{ gridTemplateColumns: `repeat(${Math.max(2, jacks.length)}, minmax(0, 1fr))` }"
      >
        <FloorTile
          v-for="one in jacks"
          :key="placeKey(one)"
          :number="one.number"
          :jack="one.jack"
          :title="one.name"
        />
      </div>
    </div>
    <div v-if="pedals.length > 0" class="pedals" role="group" aria-label="Pedals">
      <PedalLine v-for="pedal in pedals" :key="pedal.id" :pedal="pedal" />
    </div>
    <LieLine v-if="floor.lies.length > 0" />
  </div>
</template>

<style scoped>
.pane {
  display: grid;
  grid-template: auto minmax(0, 1fr) auto auto / minmax(0, 1fr);
  gap: 5px;
}

.bank {
  display: flex;
  align-items: center;
  gap: 6px;
}

.bank button {
  display: grid;
  place-items: center;
  width: 26px;
  height: 22px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
}

.bank button:disabled {
  opacity: 0.5;
  cursor: default;
}

.bank .tempo {
  width: auto;
  padding: 0 6px;
  touch-action: manipulation;
}

.bank .word {
  width: auto;
  padding: 0 7px;
  border-color: var(--tape);
  font-size: 12px;
}

.shift {
  padding: 0 5px;
  background: var(--tape);
  color: var(--tape-ink);
}

.tempo,
.heard {
  font-size: 11px;
  color: var(--dock-soft);
  white-space: nowrap;
}

.name {
  flex: 1;
  overflow: hidden;
  text-align: center;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-weight: 600;
  font-size: 13px;
}

.rows {
  display: grid;
  grid-auto-rows: minmax(38px, 1fr);
  gap: 6px;
  min-height: 0;
  overflow: auto;
}

.row {
  display: grid;
  gap: 6px;
}

.pedals {
  max-height: 72px;
  overflow-y: auto;
}

.none {
  color: var(--dock-soft);
}
</style>
