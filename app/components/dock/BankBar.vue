<script setup lang="ts">
import { ChevronDown, ChevronUp } from '@lucide/vue'
import { computed } from 'vue'
import { tempoNow } from '#core/switching'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { gestureText } from '~/text/gestures'
import { bpmText, TEMPO_FROM_SHORT, tempoFromText } from '~/text/tempo'

/** The bank under the foot and the ways to its neighbours, the tempo, and what was made of the last step. */
const floor = useFloorStore()
const rigs = useRigStore()
const bankText = computed(() => {
  const { bank, controller } = floor
  return bank && controller ? `${bank.index + controller.firstBank} ${bank.name}`.trim() : 'No bank yet'
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
</template>

<style scoped>
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
</style>
