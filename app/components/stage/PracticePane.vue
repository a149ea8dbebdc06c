<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { own } from '#core/base'
import {
  callable,
  forgetPractice,
  isMiss,
  pairTally,
  practiceByDay,
  showCalls,
  weakPairs,
} from '#core/practice'
import type { Rig } from '#core/rig'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import NumberField from '~/components/common/NumberField.vue'
import { usePracticeStore } from '~/stores/practice'
import { useRigStore } from '~/stores/rig'
import { shareText, tookText, VERDICT_TEXT } from '~/text/practice'
import { count } from '#shared/words/counts'
import { moveText } from '#shared/placeText'
import PracticeChart from './PracticeChart.vue'

/** Sounds are called, the foot finds them; what fails is called more often. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
const practice = usePracticeStore()

const can = computed(() => callable(rig))
const inShow = computed(() => showCalls(rig).length)
const days = computed(() => practiceByDay(rig))
const weak = computed(() => weakPairs(rig, pairTally(rig)).slice(0, 12))
const nameOf = (id: string | null) => own(rig.sounds, id ?? '')?.name ?? 'nothing'
const ready = computed(() => (practice.order === 'show' ? inShow.value > 0 : can.value.length > 1))
const call = computed(() => practice.call)
const done = computed(() => practice.answers.length)
const said = computed(() => {
  if (call.value) return nameOf(call.value.soundId)
  return practice.givenUp ? nameOf(practice.givenUp.soundId) : VERDICT_TEXT.found
})
/** What the last step was, or where a sound that was given up would have been. */
const below = computed(() => {
  const { givenUp, verdict, playedInstead } = practice
  if (givenUp)
    return givenUp.moves.length === 0
      ? 'No switch leads to it from here.'
      : `It was ${givenUp.moves.map((move) => moveText(rig, move)).join(', then ')}.`
  if (!call.value || verdict === null) return ''
  const wrong = call.value.wrongSteps
  return [
    verdict === 'wrong' && playedInstead ? `Not that one: ${nameOf(playedInstead)}.` : VERDICT_TEXT[verdict],
    ...(wrong > 0 ? [`${count(wrong, 'wrong step')}.`] : []),
  ].join(' ')
})
const round = computed(() => {
  const { answers } = practice
  const found = answers.flatMap(({ ms }) => (ms === null ? [] : [ms])).sort((a, b) => a - b)
  return {
    missed: answers.filter(isMiss).length,
    wrongSteps: answers.reduce((sum, { wrongSteps }) => sum + wrongSteps, 0),
    median: found.length === 0 ? null : found[Math.floor((found.length - 1) / 2)]!,
  }
})
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Practice">
    <div v-if="!practice.isRunning" class="bar">
      <ChoiceRow
        label="Sounds are called"
        :value="practice.order"
        :choices="[
          { value: 'random', text: 'at random, what fails more often' },
          { value: 'show', text: 'in the show’s order' },
        ]"
        @choose="practice.order = $event"
      />
      <NumberField
        v-if="practice.order === 'random'"
        label="Calls in a round"
        :value="practice.calls"
        :min="5"
        :max="200"
        class="calls"
        @take="practice.calls = $event"
      />
      <Button label="Start" :disabled="!ready" @click="practice.start" />
    </div>
    <p v-if="!practice.isRunning && !ready" class="soft">
      <template v-if="practice.order === 'show'">
        There is no show with parts that a switch plays yet: make one under Set list.
      </template>
      <template v-else>
        Two sounds are needed that switches play and that can be come to from each other.
        {{ can.length === 1 ? 'One is there.' : 'None is there yet.' }}
      </template>
    </p>
    <section v-if="practice.isRunning" class="call" aria-label="The call">
      <p class="of mono">{{ Math.min(done + 1, practice.total) }} of {{ practice.total }}</p>
      <p class="name" aria-live="assertive">
        <span class="tape">{{ said }}</span>
      </p>
      <p v-if="call?.played" class="soft">
        {{ call.played.song.name }}{{ call.played.part.name ? `, ${call.played.part.name}` : '' }}
      </p>
      <p class="said" role="status">
        {{ below }}
      </p>
      <div class="bar">
        <Button v-if="practice.givenUp" label="Go on" size="small" @click="practice.goOn" />
        <Button
          v-else
          label="Give this one up"
          size="small"
          severity="secondary"
          :disabled="!call"
          @click="practice.giveUp"
        />
        <Button label="End the round" size="small" severity="secondary" @click="practice.finish" />
        <p class="soft">Step on the floor below by its keys, or on the real controller.</p>
      </div>
    </section>
    <section v-else-if="done > 0" class="round" aria-label="The last round" role="status">
      <p>
        <b>{{ count(done, 'call') }}</b>: {{ round.missed }} missed,
        {{ count(round.wrongSteps, 'wrong step') }},
        {{
          round.median === null
            ? 'none of them found'
            : `half of those found took ${tookText(round.median)} at most`
        }}. It is put to today.
      </p>
    </section>
    <section class="days" aria-label="Day by day">
      <h2>Day by day</h2>
      <PracticeChart v-if="days.length > 0" :days="days" />
      <p v-else class="soft">Nothing practised yet. Each round is put to its day.</p>
    </section>
    <section v-if="days.length > 0" aria-label="What fails">
      <h2>What fails</h2>
      <p v-if="weak.length === 0" class="soft">Nothing so far.</p>
      <table v-else>
        <thead>
          <tr>
            <th>From</th>
            <th>To</th>
            <th class="number">Missed</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="pair in weak" :key="`${pair.from}/${pair.to}`">
            <td>{{ nameOf(pair.from) }}</td>
            <td>{{ nameOf(pair.to) }}</td>
            <td class="number mono">{{ shareText(pair.misses, pair.calls) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="weak.length > 0" class="soft">
        Set list, Lay the board out can mind them: what fails comes nearer together.
        <RouterLink :to="`/rigs/${rigs.rigId}/show`">Go there</RouterLink>.
      </p>
      <p>
        <button type="button" class="word" @click="rigs.edit(forgetPractice(rig))">
          Forget all practice
        </button>
      </p>
    </section>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 14px;
}

.calls {
  width: 130px;
}

.call {
  display: grid;
  gap: 6px;
  padding: 12px 14px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.name {
  overflow-wrap: anywhere;
  font: 800 clamp(28px, 4.2vw, 54px) / 1.15 var(--display);
}

.tape {
  padding: 0 12px;
  background: var(--tape);
  color: var(--tape-ink);
  box-decoration-break: clone;
}

.said {
  min-height: 1.4em;
  font-weight: 600;
}

h2 {
  padding-bottom: 4px;
  font: 700 14px/1.5 var(--display);
}

table {
  max-width: 560px;
}

.number {
  text-align: right;
  white-space: nowrap;
}
</style>
