<script setup lang="ts">
import { computed } from 'vue'
import { partKey, type Rig } from '#core/rig'
import type { Walked } from '#core/show'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import type { WorkFault } from '~/platform/workers'
import { count } from '#shared/words/counts'
import { partName, wrongText } from '~/text/show'

/** The whole show walked through on the simulated floor: every wrong moment, and what cannot be told. */
const { rig, parts, isOld, done, fault } = defineProps<{
  rig: Rig
  /** Null until it has been walked through once. */
  parts: readonly Walked[] | null
  isOld: boolean
  /** How far the walk is, from 0 to 1. */
  done: number
  fault: WorkFault | null
}>()
const emit = defineEmits<{ choose: [key: string]; retry: [] }>()

const wrong = computed(() => (parts ?? []).filter((one) => one.wrong.length > 0))
/** Nothing goes to the next part: nothing after it was looked at. */
const isStopped = computed(() => wrong.value.some((one) => one.wrong.some(({ kind }) => kind === 'noStep')))
const untold = computed(() => (parts ?? []).filter(({ isTimeUnknown }) => isTimeUnknown))
const messages = computed(() => (parts ?? []).reduce((sum, one) => sum + one.messages, 0))
const keyOf = ({ played }: Walked) => partKey(played)
const nameOf = ({ played }: Walked) => partName(rig, played.part, played.soundId)
</script>

<template>
  <div class="walk">
    <NotWorkedOut
      v-if="fault"
      what="The walk through the show"
      :fault="fault"
      :is-old-shown="parts !== null"
      @retry="emit('retry')"
    />
    <p v-if="parts === null && !fault" role="status">Walking through: {{ Math.round(done * 100) }} %.</p>
    <template v-else-if="parts">
      <p class="verdict" role="status">
        <template v-if="isOld && fault">Of the rig as it was: </template>
        <template v-else-if="isOld">Of the rig as it was; being walked through again. </template>
        <template v-if="parts.length === 0">There is nothing to walk through yet.</template>
        <template v-else-if="wrong.length === 0">
          All {{ count(parts.length, 'part') }} come out as their sounds say.
        </template>
        <template v-else-if="isStopped">It stops before the first part.</template>
        <template v-else>
          {{ wrong.length }} of {{ count(parts.length, 'part') }} {{ wrong.length === 1 ? 'is' : 'are' }} not
          right.
        </template>
        {{ parts.length > 0 ? `${count(messages, 'message')} were sent.` : '' }}
      </p>
      <ol v-if="wrong.length > 0" aria-label="Wrong moments">
        <li v-for="one in wrong" :key="keyOf(one)">
          <button type="button" class="word" @click="emit('choose', keyOf(one))">
            {{ one.played.song.name }}: {{ nameOf(one) }}
          </button>
          <ul>
            <li v-for="(what, n) in one.wrong" :key="n">{{ wrongText(rig, what) }}</li>
          </ul>
        </li>
      </ol>
      <section v-if="untold.length > 0" class="untold">
        <h3>Cannot tell whether there is time</h3>
        <p class="soft">
          Of {{ count(untold.length, 'part') }} nobody said how long the rest before is:
          <template v-for="(one, n) in untold.slice(0, 40)" :key="keyOf(one)">
            <button type="button" class="word" @click="emit('choose', keyOf(one))">
              {{ one.played.song.name }}, {{ nameOf(one) }}</button
            >{{ n < Math.min(40, untold.length) - 1 ? '; ' : '' }}</template
          ><template v-if="untold.length > 40">; and {{ untold.length - 40 }} more</template>.
        </p>
      </section>
      <p class="soft">
        It begins at power-on, steps to every part by the shortest way, waits as long as each part lasts, and
        looks at every device once it has had time to load. What a sound leaves as it is, or leaves to the
        foot, is not looked at.
      </p>
    </template>
  </div>
</template>

<style scoped>
.walk {
  display: grid;
  gap: 12px;
  align-content: start;
  max-width: 820px;
  overflow: auto;
}

.verdict {
  font: 600 15px var(--text);
}

ol {
  display: grid;
  gap: 8px;
}

ol > li {
  padding: 8px 12px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
}

.untold .word {
  text-align: left;
}
</style>
