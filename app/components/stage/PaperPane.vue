<script setup lang="ts">
import { computed, ref } from 'vue'
import { cableTags, standIn, stripsOf } from '#core/paper'
import { playedParts, showOn, type Rig } from '#core/rig'
import { showController } from '#core/show'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import { paperAddress, type PaperName } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'

/** What is printed of a rig, as PDF. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
const size = ref<'a4' | 'letter'>('a4')
const strips = computed(() => stripsOf(rig, 1000).length)
const tags = computed(() => cableTags(rig).length)
const parts = computed(() => {
  const show = showOn(rig)
  return show === null ? 0 : playedParts(rig, show).length
})
const hasStandIn = computed(() => standIn(rig) !== null)

interface Paper {
  readonly name: PaperName
  readonly title: string
  /** What is on it, and what to mind. */
  readonly about: string
  /** Why there is none; null where there is. */
  readonly none: string | null
}

const papers = computed((): Paper[] => [
  {
    name: 'strips',
    title: 'Label strips',
    about: `${count(strips.value, 'strip')} to your controller’s spacing, ${showController(rig)?.columnMm ?? 0} mm from switch to switch, with marks to cut at. Print at 100 %: a line on the page shows whether it came out so. The spacing is under Set list, Lay the board out.`,
    none: strips.value > 0 ? null : 'No switch does anything yet.',
  },
  {
    name: 'cable-tags',
    title: 'Cable tags',
    about: `Two tags for each of ${count(tags.value, 'cable')}: where this end goes, and where the other one is.`,
    none: tags.value > 0 ? null : 'No cable is laid yet.',
  },
  {
    name: 'set-sheet',
    title: 'Set sheet',
    about: `${count(parts.value, 'part')} of the show that is on: sound, bank and switch, what to step on, tempo, what the hand does.`,
    none: parts.value > 0 ? null : 'There is no show with parts yet.',
  },
  {
    name: 'stand-in',
    title: 'Sheet for a stand-in',
    about:
      'For a player who has never stood before this rig: how it is switched on, where every sound is, what each bank and pedal does.',
    none: hasStandIn.value ? null : 'No switch does anything yet.',
  },
])
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Paper">
    <ChoiceRow
      label="Paper"
      :value="size"
      :choices="[
        { value: 'a4', text: 'A4' },
        { value: 'letter', text: 'Letter' },
      ]"
      @choose="size = $event"
    />
    <ul>
      <li v-for="paper in papers" :key="paper.name">
        <a v-if="paper.none === null" :href="paperAddress(rigs.rigId ?? '', paper.name, size, rigs.stamp)"
          >{{ paper.title }} (PDF)</a
        >
        <b v-else>{{ paper.title }}</b>
        <p class="soft">{{ paper.none ?? paper.about }}</p>
      </li>
    </ul>
    <p v-if="rigs.pending.length > 0" class="soft" role="status">
      {{ count(rigs.pending.length, 'edit') }} not saved yet: papers are of what the server has.
    </p>
    <CautionLine caution="walkway" />
  </div>
</template>

<style scoped>
ul {
  display: grid;
  gap: 12px;
  max-width: 70ch;
}
</style>
