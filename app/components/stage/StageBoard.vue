<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, shallowRef, useTemplateRef } from 'vue'
import type { Rig } from '#core/rig'
import type { StageNow, StageView } from '#core/stage'
import { fitText } from '~/platform/fitText'
import { measureIn } from '~/platform/measureText'
import { songTempo } from '#core/rig'
import { partName } from '~/text/show'
import { moveText, placeShort } from '#shared/placeText'
import { bpmText } from '~/text/tempo'

/** What lies at the feet, in large tape: nothing here can be pressed. */
const { rig, view, now } = defineProps<{ rig: Rig; view: StageView; now: StageNow }>()

/** All tiles have the room of the first for their names. */
const rooms = useTemplateRef('rooms')
const { width, height } = useElementSize(() => rooms.value?.[0] ?? null)
const FACE = "'Bricolage Grotesque Variable', sans-serif"
/** Until its font has come, text is measured in another. */
const fonts = shallowRef(0)
void document.fonts.load(`800 40px ${FACE}`).then(() => fonts.value++)
const measure = computed(() => (fonts.value, measureIn('800', FACE)))
const sizeOf = (name: string) => fitText(name, width.value - 1, height.value, 120, measure.value)

/** What sounds, whatever the show says should. */
const nowText = computed(() => view.heard || 'Nothing played yet')
/** What sounds is what the show has there. */
const isInShow = computed(() => view.now !== null && view.now.soundId === now.soundId)
const nextText = computed(() => view.next && partName(rig, view.next.part, view.next.soundId))
/** What the foot does for it. */
const how = computed(() => {
  if (!view.next) return view.now ? 'the last part' : ''
  if (view.staysForNext) return 'stays as it is'
  const last = view.toNext.at(-1)
  if (!last) return view.next.soundId === null ? 'no sound yet' : 'no switch plays it'
  const times = view.lastTimes > 1 ? `, ${view.lastTimes} times` : ''
  if (view.toNext.length === 1) return moveText(rig, last) + times
  return `${view.toNext.map((move) => moveText(rig, move)).join(', then ')}${times} (${placeShort(rig, { ...last.from, number: last.number }, last.jack)})`
})
const isOtherSong = computed(() => view.next !== null && view.next.nth !== view.now?.nth)
const newTempo = computed(() => {
  const bpm = view.next && isOtherSong.value ? songTempo(view.next.song) : null
  return bpm === null ? '' : `, ${bpmText(bpm)} bpm`
})
</script>

<template>
  <div class="stage">
    <header>
      <p class="now">
        <span class="which">{{ isInShow ? `Now, ${view.now!.song.name}` : 'Now' }}</span>
        <b>{{ nowText }}</b>
      </p>
      <p v-if="view.next" class="next">
        <span class="which">
          {{ isOtherSong ? `Next, ${view.next.song.name}${newTempo}` : 'Next' }}
        </span>
        <b>{{ nextText }}</b>
        <span class="how">{{ how }}</span>
      </p>
      <p v-else-if="how" class="next"><span class="which">Next</span><span class="how">{{ how }}</span></p>
    </header>
    <div class="board" role="list" aria-label="The board">
      <div v-for="(row, n) in view.rows" :key="n" class="row" role="presentation">
        <div
          v-for="one in row"
          :key="one.number"
          class="tile"
          role="listitem"
          :class="{ blank: one.name === '', lit: one.light !== 'off', down: one.isDown, next: one.isNext }"
        >
          <span class="top">
            <span class="number">{{ one.number }}</span>
            <span v-if="one.light !== 'off'" class="lamp" :class="one.light">{{
              one.light === 'tempo' ? 'tempo' : 'on'
            }}</span>
            <span v-if="one.hasLong || one.hasDouble" class="more">{{
              [one.hasLong ? 'hold' : '', one.hasDouble ? 'twice' : ''].filter(Boolean).join(', ')
            }}</span>
            <span v-if="one.isNext" class="goes">next</span>
          </span>
          <span ref="rooms" class="room">
            <span class="name" :style="{ fontSize: `${sizeOf(one.name)}px` }">{{ one.name }}</span>
          </span>
        </div>
      </div>
    </div>
    <footer>
      <span class="bank">{{ view.bank ? `${view.bank.shown} ${view.bank.name}` : 'No bank' }}</span>
      <span v-if="now.layer === 'shift'" class="shift">shift layer</span>
      <span class="tempo mono">{{ now.bpm === null ? 'no tempo' : `${bpmText(now.bpm)} bpm` }}</span>
      <span v-for="{ pedal, role } in view.pedals" :key="pedal.id" class="pedal">
        {{ pedal.name }}: <b>{{ pedal.roles[role]!.name || `role ${role + 1}` }}</b>
      </span>
    </footer>
  </div>
</template>

<style scoped>
.stage {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 10px;
  height: 100%;
  min-height: 0;
  padding: 12px;
  color: var(--ink);
  background: var(--ground);
  user-select: none;
}

header {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 6px 20px;
}

header p {
  display: grid;
  align-content: start;
}

.which {
  font-size: 15px;
  color: var(--ink-soft);
}

header b {
  overflow: hidden;
  font: 800 clamp(24px, 4.6vw, 52px) / 1.05 var(--display);
  overflow-wrap: anywhere;
}

.next b {
  font-weight: 600;
}

.how {
  font: 600 clamp(15px, 2.2vw, 22px) / 1.2 var(--text);
}

.board {
  display: grid;
  grid-auto-rows: minmax(0, 1fr);
  gap: 8px;
  min-height: 0;
}

.row {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 8px;
  min-height: 0;
}

.tile {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  min-width: 0;
  min-height: 0;
  padding: 6px 10px;
  overflow: hidden;
  border: 3px solid var(--tape-edge);
  background: var(--tape);
  color: var(--tape-ink);
}

.tile.blank {
  border: 2px dashed var(--line-strong);
  background: none;
  color: var(--ink-soft);
}

/* Lit is a thick frame and a word, not only a colour. */
.tile.lit {
  border-width: 6px;
  border-color: var(--ink);
  padding: 3px 7px;
}

.tile.next {
  outline: 5px dashed var(--ink);
  outline-offset: -3px;
}

.tile.down {
  background: var(--tape-ink);
  color: var(--tape);
}

.top {
  display: flex;
  gap: 8px;
  align-items: baseline;
  height: 24px;
  font: 600 15px/24px var(--text);
  white-space: nowrap;
}

.number {
  font: 700 18px/24px var(--mono);
}

.lamp,
.goes {
  padding: 0 6px;
  border-radius: 2px;
  background: currentcolor;
}

.lamp::first-line,
.goes::first-line {
  color: var(--tape);
}

.tile.blank .goes::first-line {
  color: var(--ground);
}

.tile.down .lamp::first-line,
.tile.down .goes::first-line {
  color: var(--tape-ink);
}

.more {
  overflow: hidden;
  text-overflow: ellipsis;
}

.goes {
  margin-left: auto;
}

.tile {
  container-type: inline-size;
}

@container (max-width: 150px) {
  .more {
    display: none;
  }
}

@media (max-width: 620px) {
  .stage {
    padding: 6px;
  }

  .board,
  .row {
    gap: 4px;
  }

  .tile {
    padding: 4px;
  }

  .tile.lit {
    padding: 1px;
  }
}

.room {
  display: grid;
  align-content: center;
  min-width: 0;
  min-height: 0;
}

.name {
  font-family: var(--display);
  font-weight: 800;
  line-height: 1.08;
  overflow-wrap: anywhere;
}

footer {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
  font-size: clamp(16px, 2.4vw, 24px);
}

.bank {
  font: 700 clamp(20px, 3vw, 34px) / 1.1 var(--display);
}

.shift {
  padding: 0 8px;
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}

@container (max-width: 70px) {
  .top {
    gap: 2px;
  }

  .goes {
    padding: 0 2px;
    font-size: 11px;
  }
}
</style>
