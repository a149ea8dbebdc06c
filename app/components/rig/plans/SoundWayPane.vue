<script setup lang="ts">
import WordHints from '~/components/common/WordHints.vue'
import { computed, ref } from 'vue'
import type { Finding } from '#core/check'
import { inOrder, soundLoops, soundPaths, type Rig } from '#core/rig'
import { heardThrough, type HeardStop } from '#core/setup'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import { selectionOf, type Selection } from '~/composables/useSelection'
import { listText } from '#shared/words/counts'
import { isAboutSound } from '../rigTabs'

/** The sound's own way: what it goes through, in which order, and what a sound leaves of it. */
const { rig, found } = defineProps<{ rig: Rig; found: readonly Finding[] }>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const soundId = ref('')
const sounds = computed(() => [
  { value: '', text: 'As cabled' },
  ...inOrder(rig.sounds).map(({ id, name }) => ({ value: id as string, text: name })),
])
const ways = computed((): readonly (readonly HeardStop[])[] => {
  const sound = inOrder(rig.sounds).find(({ id }) => id === soundId.value)
  return sound
    ? heardThrough(rig, sound)
    : soundPaths(rig).map(({ stops }) => stops.map((stop) => ({ stop, state: 'always' as const })))
})
const said = computed(() => found.filter(isAboutSound))

const PLACE = {
  source: 'the sound begins',
  front: 'before the preamp',
  preamp: 'preamp, its loop in use',
  loop: 'in the loop of',
  behind: 'behind the preamp',
  end: 'the sound ends',
} as const
const placeText = ({ stop }: HeardStop) =>
  stop.loopOf ? `${PLACE[stop.place]} ${stop.loopOf.name}` : PLACE[stop.place]
const STATE = {
  on: 'on',
  off: 'off, and still on the way',
  unsaid: 'as it was before',
  always: '',
} as const
const loops = computed(() =>
  soundLoops(rig).map(({ of, through, endsAt }) => ({
    key: of.id,
    text: `${of.name}: send, ${through.length === 0 ? 'straight' : listText(through.map(({ name }) => name))}, ${endsAt ? `return of ${endsAt.name}` : 'no return'}`,
  })),
)
</script>

<template>
  <div class="tab-pane" role="tabpanel" tabindex="0" aria-label="The sound’s way">
    <p v-if="ways.length === 0">
      No instrument is cabled yet. Add an Instrument, and lay sound cables on the map as any other: pull from
      its jack.
    </p>
    <template v-else>
      <ChoiceField
        label="What a sound leaves of it"
        :value="soundId"
        :choices="sounds"
        @choose="soundId = $event"
      />
      <ol v-for="(way, n) in ways" :key="n" class="way" :aria-label="`From ${way[0]!.stop.device.name}`">
        <li v-for="one in way" :key="one.stop.device.id" :class="[one.stop.place, one.state]">
          <button type="button" @click="emit('choose', selectionOf('devices', one.stop.device.id)!)">
            {{ one.stop.device.name }}
          </button>
          <span>{{ placeText(one) }}</span>
          <b v-if="STATE[one.state]">{{ STATE[one.state] }}</b>
        </li>
      </ol>
      <template v-if="loops.length > 0">
        <h3>Loops</h3>
        <ul>
          <li v-for="loop in loops" :key="loop.key">{{ loop.text }}</li>
        </ul>
      </template>
      <FindingNote v-for="one in said" :key="`${one.code}/${one.about.id}`" :finding="one" />
      <WordHints :of="['audio-loop', 'bypass', 'spillover', 'leftover']" />
      <CautionLine caution="hum" />
      <CautionLine caution="loudness" />
    </template>
  </div>
</template>

<style scoped>
.way {
  display: grid;
  gap: 5px;
  padding: 12px 0;
}

.way li {
  position: relative;
  display: grid;
  grid-template-columns: minmax(120px, 190px) minmax(0, 1fr) auto;
  align-items: center;
  gap: 12px;
  padding: 5px 12px;
  border: 1px solid var(--line);
  border-left: 4px solid var(--ink);
  border-radius: var(--corner);
  background: var(--sheet);
}

.way li.loop {
  margin-left: 34px;
  border-left-style: dashed;
}

.way li.off {
  background: none;
  border-style: dashed;
}

.way button {
  border: 0;
  padding: 0;
  background: none;
  font: 700 14.5px/1.3 var(--display);
  text-align: left;
  color: var(--ink);
}

.way button:hover {
  text-decoration: underline;
}

.way span {
  color: var(--ink-soft);
}

.way b {
  font-size: 13px;
}
</style>
