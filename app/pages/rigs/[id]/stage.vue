<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRequestURL } from '#imports'
import { NuxtLink } from '#components'
import { playedParts, showController, showOn, stageView, stripsOf } from '#core'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import StageBoard from '~/components/stage/StageBoard.vue'
import { paperAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { useStageStore } from '~/stores/stage'
import { count } from '#shared/counts'

const rigs = useRigStore()
const stage = useStageStore()
const rig = computed(() => rigs.rig!)
const paper = ref<'a4' | 'letter'>('a4')
const hasStrips = computed(() => stripsOf(rig.value, 1000).length > 0)
const hasShow = computed(() => {
  const show = showOn(rig.value)
  return show !== null && playedParts(rig.value, show).length > 0
})
const spacing = computed(() => showController(rig.value)?.columnMm ?? 0)
const view = computed(() => (stage.now ? stageView(rig.value, stage.now) : null))
const path = computed(() => `/stage/${rigs.rigId}`)
const address = computed(() => `${useRequestURL().origin}${path.value}`)
/** Other machines do not come here by this name. */
const isLocal = computed(() => ['localhost', '127.0.0.1', '[::1]'].includes(useRequestURL().hostname))
const followed = computed(() =>
  stage.followers === 0 ? 'nobody follows yet' : `${count(stage.followers, 'screen')} following`,
)
</script>

<template>
  <ViewFrame title="Stage" :summary="followed" inspector="A screen at the feet">
    <div v-if="view && stage.now" class="preview" aria-label="What a screen at the feet shows" role="img">
      <StageBoard :rig="rig" :view="view" :now="stage.now" />
    </div>
    <p v-else class="soft">This rig has no controller yet: choose one in Rig.</p>
    <template #inspector>
      <div class="words">
        <p>
          A tablet or phone on the floor or a stand shows this, as large as it goes, and follows what this
          floor does. Nothing on it can be changed there.
        </p>
        <p>
          <NuxtLink class="p-button p-component p-button-sm" :to="path" target="_blank"
            >Open it here</NuxtLink
          >
        </p>
        <p>On the other screen, open</p>
        <p class="mono address">{{ address }}</p>
        <p v-if="isLocal" class="soft">
          This name works on this machine only. Start the server with HOST=0.0.0.0 and a passphrase, and put
          the machine's address in its place.
        </p>
        <p class="soft">
          A part of the show is found by the sound stepped on: the next one of its song that plays it. With
          Next part it is where the controller's list is.
        </p>
      </div>
      <section class="words papers" aria-label="On paper">
        <h3>On paper</h3>
        <ChoiceRow
          label="Paper"
          :value="paper"
          :choices="[
            { value: 'a4', text: 'A4' },
            { value: 'letter', text: 'Letter' },
          ]"
          @choose="paper = $event"
        />
        <ul>
          <li>
            <a v-if="hasStrips" :href="paperAddress(rigs.rigId ?? '', 'strips', paper)">Label strips (PDF)</a>
            <span v-else>Label strips: no switch does anything yet.</span>
            <span class="soft">
              To your controller's spacing, {{ spacing }} mm from switch to switch: print at 100 %, cut out.
              Change it under Set list, Lay the board out.
            </span>
          </li>
          <li>
            <a v-if="hasShow" :href="paperAddress(rigs.rigId ?? '', 'set-sheet', paper)">Set sheet (PDF)</a>
            <span v-else>Set sheet: there is no show with parts yet.</span>
            <span class="soft"
              >Part by part: sound, bank and switch, what to step on, what the hand does.</span
            >
          </li>
        </ul>
        <p v-if="rigs.pending.length > 0" class="soft">
          {{ count(rigs.pending.length, 'edit') }} not saved yet: papers are of what the server has.
        </p>
        <CautionLine caution="walkway" />
      </section>
    </template>
  </ViewFrame>
</template>

<style scoped>
.preview {
  height: 100%;
  min-height: 260px;
  border: 1px solid var(--line);
  overflow: hidden;
}

.words {
  display: grid;
  gap: 10px;
}

.papers {
  margin-top: 14px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

.papers li {
  display: grid;
  margin-bottom: 8px;
}

.address {
  padding: 6px 8px;
  background: var(--hover);
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
