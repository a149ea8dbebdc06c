<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { own, fixedText } from '#core/base'
import { songTempo, type Rig } from '#core/rig'
import { tempoMoves, tempoNow } from '#core/switching'
import { readTaps, tempoTonight, keepTempo } from '#core/tempo'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { gestureText } from '~/text/gestures'
import { isoDate } from '#shared/words/times'
import { bpmText, TEMPO_MOVE_TEXT, tempoFromText } from '~/text/tempo'

/** The one tempo: which holds, what it overrides, what would change it from here; and a place to tap it. */
const { rig } = defineProps<{ rig: Rig }>()

const floor = useFloorStore()
const rigs = useRigStore()
const { clock } = usePlatform()

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
const now = computed(() => (floor.state ? tempoNow(floor.state.known) : null))
const song = computed(() => own(rig.songs, floor.state?.known.songId ?? '') ?? null)
const tapped = computed(() => (floor.state ? readTaps(floor.state.known.taps) : null))
const tapText = computed(() => {
  const read = tapped.value
  if (!read) return 'Tap four times or more, on the button or with B.'
  const sure = read.plusMinus === null ? 'not sure yet' : `\u00b1 ${fixedText(read.plusMinus, 1)}`
  const thrown = read.thrown === null ? '' : ', one thrown away'
  return `${bpmText(read.bpm)} bpm, ${sure}, from ${read.taps} taps${thrown}`
})
const moves = computed(() =>
  floor.state
    ? tempoMoves(rig, floor.state.known).map((move) => ({
        ...move,
        name: own(rig.switches, move.switchId) ? floor.nameOf(own(rig.switches, move.switchId)!) : '',
        what: `${TEMPO_MOVE_TEXT[move.by]}${move.bpm === null ? '' : `: ${bpmText(move.bpm)}`}`,
        gesture: move.event === 'press' ? '' : gestureText(move.event).toLowerCase(),
      }))
    : [],
)
const isByFoot = computed(() => now.value?.from?.kind === 'tap' || now.value?.from?.kind === 'nudge')
const isStored = computed(() => song.value !== null && now.value?.bpm === songTempo(song.value))
const today = (): string => isoDate(clock.now())

const tap = (): void => floor.perform({ kind: 'tap', controlId: null })

function keep(): void {
  if (song.value && now.value) rigs.edit(keepTempo(rig, song.value.id, now.value.bpm))
}

function tonight(): void {
  if (song.value && now.value) rigs.edit(tempoTonight(rig, song.value.id, now.value.bpm, today()))
}
</script>

<template>
  <section class="now" aria-label="The tempo now">
    <div v-if="now" class="number" role="status" aria-live="polite">
      <strong>{{ bpmText(now.bpm) }}</strong> <span>bpm</span>
    </div>
    <div v-if="now" class="story">
      <p>
        <b>{{ capital(tempoFromText(rig, now.from)) }}</b>
      </p>
      <p v-if="now.over" class="soft">
        Instead of {{ bpmText(now.over.bpm) }}, {{ tempoFromText(rig, now.over.from) }}.
        <template v-if="now.from?.kind === 'clock'">It holds again when the clock stops.</template>
        <button
          v-else
          type="button"
          class="word"
          @click="floor.perform({ kind: 'tempo', does: 'stored', bpm: 0 })"
        >
          Give it back
        </button>
      </p>
      <p v-else class="soft">Nothing overrides it.</p>
      <p class="soft">
        {{ song ? `The song is ${song.name}.` : 'No song: the bank under the foot is for any.' }}
      </p>
    </div>
    <div class="tap">
      <button
        type="button"
        class="pad"
        aria-keyshortcuts="b"
        @pointerdown.left="tap"
        @keydown.enter.space.prevent="!$event.repeat && tap()"
      >
        Tap
      </button>
      <p role="status">{{ tapText }}</p>
      <div v-if="song && isByFoot && !isStored" class="keep">
        <Button :label="`Keep for ${song.name}`" size="small" @click="keep" />
        <Button label="Only for tonight" size="small" severity="secondary" @click="tonight" />
      </div>
    </div>
    <div class="moves">
      <h3>What changes it from here</h3>
      <p v-if="moves.length === 0" class="soft">No switch under the foot does.</p>
      <ul v-else tabindex="0" aria-label="What changes the tempo from here">
        <li v-for="(move, n) in moves" :key="n">
          <b class="tape">{{ move.name }}</b> {{ move.gesture }} {{ move.what }}
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.now {
  display: grid;
  grid-template-columns: max-content minmax(150px, 1fr) minmax(170px, 1fr) minmax(150px, 1fr);
  gap: 8px 22px;
  align-items: start;
}

.number strong {
  font: 700 64px/1 var(--display);
  font-variant-numeric: tabular-nums;
}

.story,
.tap {
  display: grid;
  gap: 3px;
  font-size: 13px;
}

.pad {
  min-height: 38px;
  border: 1px solid var(--ink);
  border-radius: var(--corner);
  background: var(--sheet);
  font: 600 16px var(--text);
  touch-action: manipulation;
}

.pad:active {
  background: var(--ink);
  color: var(--sheet);
}

.keep {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.moves ul {
  max-height: 84px;
  overflow: auto;
  font-size: 13px;
}

.moves li {
  line-height: 21px;
}

.tape {
  padding: 0 5px;
  background: var(--tape);
  color: var(--tape-ink);
}

@container (max-width: 720px) {
  .now {
    grid-template-columns: max-content minmax(0, 1fr);
  }
}

@container (max-width: 440px) {
  .now {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
