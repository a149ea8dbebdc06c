<script setup lang="ts">
import { useFullscreen, useWakeLock } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, shallowRef, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { stageView } from '#core/stage'
import type { FloorSeen } from '#shared/contract/floor'
import MissingRig from '~/components/shell/MissingRig.vue'
import StageBoard from '~/components/stage/StageBoard.vue'
import { usePlatform } from '~/platform/platform'
import { signInAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { useTheme } from '~/theme/useTheme'

/** A tablet or phone at the feet, or on the stand: shows what the desk's floor shows, and takes nothing. */
const route = useRoute()
const rigs = useRigStore()
const { openFloorFeed, server } = usePlatform()
const rigId = computed(() => String(route.params.id))
rigs.isOnlySeen = true
onBeforeUnmount(() => (rigs.isOnlySeen = false))

const seen = shallowRef<FloorSeen | null>(null)
const isHeard = shallowRef<boolean | null>(null)
const mustSignIn = shallowRef(false)
let feed: ReturnType<typeof openFloorFeed> | null = null
watch(
  rigId,
  async (id) => {
    feed?.close()
    seen.value = null
    feed = openFloorFeed(id, {
      floor: (floor) => (seen.value = floor),
      isHeard: (heard) => (isHeard.value = heard),
    })
    await rigs.open(id)
  },
  { immediate: true },
)
onBeforeUnmount(() => feed?.close())

// The floor is of a newer rig than the one shown: that is fetched.
let isFetching = false
watch([seen, () => rigs.revision], async () => {
  if (isFetching || !seen.value || !rigs.rig || seen.value.revision <= rigs.revision) return
  isFetching = true
  await rigs.takeNewest()
  isFetching = false
})
// While nothing is heard: is it the passphrase?
watch(isHeard, async (heard) => {
  if (heard) mustSignIn.value = false
  if (heard !== false) return
  const answer = await server.list()
  mustSignIn.value = answer.kind === 'refused' && answer.error.code === 'notSignedIn'
})

const view = computed(() => (rigs.rig && seen.value ? stageView(rigs.rig, seen.value.now) : null))

const { theme, toggleTheme } = useTheme()
const isLeaving = shallowRef(false)
let ask = 0
function askToLeave(): void {
  isLeaving.value = true
  window.clearTimeout(ask)
  ask = window.setTimeout(() => (isLeaving.value = false), 5000)
}
onBeforeUnmount(() => window.clearTimeout(ask))

// The screen stays on where the browser lets it; asked again when the page is seen again.
const lock = useWakeLock()
onMounted(() => void lock.request('screen').catch(() => undefined))
onBeforeUnmount(() => void lock.release().catch(() => undefined))
const { isSupported: canFill, isFullscreen, enter, exit } = useFullscreen()
</script>

<template>
  <MissingRig v-if="rigs.failure" :failure="rigs.failure" @retry="rigs.open(rigId)" />
  <main v-else class="page" @contextmenu.prevent>
    <h1 class="unseen">Stage</h1>
    <p v-if="isHeard === false" class="lost" role="alert">
      <template v-if="mustSignIn">
        This server asks for its passphrase.
        <a :href="signInAddress(route.fullPath)">Sign in</a>
      </template>
      <template v-else>The desk is not heard: what you see may be old. It is tried again by itself.</template>
    </p>
    <StageBoard v-if="rigs.rig && view && seen" :rig="rigs.rig" :view="view" :now="seen.now" class="board" />
    <p v-else class="wait" role="status">
      <template v-if="!rigs.rig || isHeard === null">Opening the stage.</template>
      <template v-else-if="!seen">
        Nothing to show yet. Open this rig on the desk, and what its floor does is shown here.
      </template>
      <template v-else>This rig has no controller yet.</template>
    </p>
    <nav class="ends" aria-label="Stage">
      <button v-if="canFill" type="button" class="word" @click="isFullscreen ? exit() : enter()">
        {{ isFullscreen ? 'Leave full screen' : 'Full screen' }}
      </button>
      <button type="button" class="word" @click="toggleTheme">
        {{ theme === 'stage' ? 'Light' : 'Dark' }}
      </button>
      <!-- Two presses in two places: a stray foot does not come to where things are edited. -->
      <button v-if="!isLeaving" type="button" class="word" @click="askToLeave">Leave the stage</button>
      <template v-else>
        <RouterLink :to="`/rigs/${rigId}/stage`">Leave, to the rig</RouterLink>
        <button type="button" class="word" @click="isLeaving = false">Stay</button>
      </template>
    </nav>
  </main>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100dvh;
  overflow: hidden;
  background: var(--ground);
  touch-action: none;
}

.lost {
  grid-row: 1;
  padding: 8px 14px;
  background: var(--error);
  color: var(--ground);
  font: 700 18px var(--text);
}

.lost a {
  color: inherit;
}

.board,
.wait {
  grid-row: 2;
}

.wait {
  place-self: center;
  max-width: 40ch;
  padding: 20px;
  font-size: 22px;
}

.ends {
  grid-row: 3;
  display: flex;
  justify-content: end;
  gap: 18px;
  padding: 0 14px 8px;
  font-size: 13px;
}
</style>
