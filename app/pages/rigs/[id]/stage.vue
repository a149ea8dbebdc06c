<script setup lang="ts">
import { computed } from 'vue'
import { useRequestURL } from '#imports'
import { NuxtLink } from '#components'
import { stageView } from '#core'
import ViewFrame from '~/components/common/ViewFrame.vue'
import StageBoard from '~/components/stage/StageBoard.vue'
import { useRigStore } from '~/stores/rig'
import { useStageStore } from '~/stores/stage'
import { count } from '~/text/counts'

const rigs = useRigStore()
const stage = useStageStore()
const rig = computed(() => rigs.rig!)
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

.address {
  padding: 6px 8px;
  background: var(--hover);
  overflow-wrap: anywhere;
  user-select: all;
}
</style>
