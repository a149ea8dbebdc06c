<script setup lang="ts">
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import { useRequestURL } from '#imports'
import { RouterLink } from 'vue-router'
import { BEFORE_SHOW, beforeShow, clearTicks, tickOf } from '#core/setup'
import { stageView } from '#core/stage'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import ChecklistPane from '~/components/rig/checklist/ChecklistPane.vue'
import FollowGear from '~/components/stage/FollowGear.vue'
import PaperPane from '~/components/stage/PaperPane.vue'
import PracticePane from '~/components/stage/PracticePane.vue'
import StageBoard from '~/components/stage/StageBoard.vue'
import { useRigStore } from '~/stores/rig'
import { useStageStore } from '~/stores/stage'
import { count } from '#shared/words/counts'

const rigs = useRigStore()
const stage = useStageStore()
const rig = computed(() => rigs.rig!)

const TEXT = {
  screen: 'At the feet',
  paper: 'On paper',
  before: 'Before the show',
  practice: 'Practice',
} as const
type Pane = keyof typeof TEXT
const pane = ref<Pane>('screen')
const panes = (Object.keys(TEXT) as Pane[]).map((key) => ({ key, text: TEXT[key] }))

const view = computed(() => (stage.now ? stageView(rig.value, stage.now) : null))
const path = computed(() => `/stage/${rigs.rigId}`)
const address = computed(() => `${useRequestURL().origin}${path.value}`)
/** Other machines do not come here by this name. */
const isLocal = computed(() => ['localhost', '127.0.0.1', '[::1]'].includes(useRequestURL().hostname))
const followed = computed(() =>
  stage.followers === 0 ? 'nobody follows yet' : `${count(stage.followers, 'screen')} following`,
)
const lines = computed(() => (pane.value === 'before' ? beforeShow(rig.value) : []))
const hasTicks = computed(() => lines.value.some((line) => tickOf(rig.value, line) !== null))
</script>

<template>
  <ViewFrame title="Stage" :summary="followed" inspector="A screen at the feet">
    <TabRow label="Parts of the stage" :tabs="panes" :current="pane" @go="pane = $event" />
    <template v-if="pane === 'screen'">
      <div v-if="view && stage.now" class="preview" aria-label="What a screen at the feet shows" role="img">
        <StageBoard :rig="rig" :view="view" :now="stage.now" />
      </div>
      <p v-else class="soft">This rig has no controller yet: choose one in Rig.</p>
    </template>
    <PaperPane v-else-if="pane === 'paper'" :rig="rig" />
    <ChecklistPane
      v-else-if="pane === 'before'"
      :rig="rig"
      title="Before the show"
      :lines="lines"
      nothing="Nothing to look at yet. Add the foot controller and the devices; the list makes itself."
    >
      <Button
        v-if="hasTicks"
        class="unprinted"
        label="Clear the ticks"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="rigs.edit(clearTicks(rig, BEFORE_SHOW))"
      />
    </ChecklistPane>
    <PracticePane v-else :rig="rig" />
    <template #inspector>
      <div class="words">
        <p>
          A tablet or phone on the floor or a stand shows the bank in large tape, and follows what this floor
          does. Nothing on it can be changed there.
        </p>
        <p>
          <RouterLink class="p-button p-component p-button-sm" :to="path" target="_blank"
            >Open it here</RouterLink
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
      <FollowGear :rig="rig" />
    </template>
  </ViewFrame>
</template>

<style scoped>
.preview {
  flex: 1 1 0;
  min-height: 260px;
  border: 1px solid var(--line);
  overflow: hidden;
}

.words {
  display: grid;
  gap: 10px;
}

.address {
  padding: 6px 8px;
  background: var(--hover);
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
