<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { NuxtPage } from '#components'
import { rigShortcuts } from '~/components/shell/rigShortcuts'
import AppRail from '~/components/shell/AppRail.vue'
import MissingRig from '~/components/shell/MissingRig.vue'
import NoticeBar from '~/components/shell/NoticeBar.vue'
import FloorDock from '~/components/dock/FloorDock.vue'
import { useDock } from '~/composables/useDock'
import { useFloorFit } from '~/composables/useFloorFit'
import { useInspectorFold } from '~/composables/useInspectorFold'
import { useShortcuts } from '~/composables/useShortcuts'
import { rememberRig } from '~/platform/lastRig'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'

const ShortcutSheet = defineAsyncComponent(() => import('~/components/shell/ShortcutSheet.vue'))

const route = useRoute()
const router = useRouter()
const rigs = useRigStore()
const floor = useFloorStore()
const isSheetOpen = ref(false)
/** Fetched when it is first asked for. */
const isSheetAsked = ref(false)
watch(isSheetOpen, () => (isSheetAsked.value = true))
const { turnTall } = useDock()
const { isShort } = useFloorFit()
/** A sheet and a logbook are read on a phone beside the gear: there they come before the floor. */
const isRead = computed(() => /\/(keyin|logbook)$/.test(route.path))
const rigId = computed(() => String(route.params.id))

watch(
  rigId,
  async (id) => {
    await rigs.open(id)
    if (rigs.rig) rememberRig(id)
  },
  { immediate: true },
)

const shortcuts = rigShortcuts({
  rigs,
  floor,
  goTo: (page) => void router.push(`/rigs/${rigId.value}/${page}`),
  foldInspector: useInspectorFold().fold,
  raiseFloor: turnTall,
  showShortcuts: () => (isSheetOpen.value = true),
})
useShortcuts(shortcuts)
useEventListener('blur', () => floor.releaseAll())
useEventListener('focus', () => void rigs.lookForNews())
// Only where leaving would lose something: edits that neither the server nor this tab's notes hold.
useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
  if (!rigs.isNoted) event.preventDefault()
})
</script>

<template>
  <MissingRig v-if="rigs.failure" :failure="rigs.failure" @retry="rigs.open(rigId)" />
  <div v-else-if="rigs.rig" class="shell" :class="{ short: isShort, reading: isRead }">
    <AppRail @shortcuts="isSheetOpen = true" />
    <NoticeBar class="notice" />
    <NuxtPage class="view" />
    <FloorDock class="dock" />
    <ShortcutSheet v-if="isSheetAsked" v-model="isSheetOpen" :shortcuts="shortcuts" />
  </div>
  <p v-else class="opening" role="status">Opening the rig.</p>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template: auto minmax(0, 1fr) auto / 188px minmax(0, 1fr);
  height: 100dvh;
}

.shell > :first-child {
  grid-row: 1 / -1;
}

.notice {
  grid-column: 2;
}

.view {
  grid-column: 2;
  min-height: 0;
}

.dock {
  grid-column: 2;
}

.opening {
  padding: 24px;
}

/* In a low window the view has nearly all of its height, the floor is a line at its edge, and the page scrolls. */
.short {
  --line: 46px;
  height: auto;
  min-height: 100dvh;
}

.short > :first-child {
  position: sticky;
  top: 0;
  height: 100dvh;
}

.short .view {
  min-height: calc(100dvh - var(--line));
}

.short .dock.line {
  position: sticky;
  bottom: 0;
  z-index: 2;
}

:global(html:has(.shell.short)) {
  scroll-padding-bottom: 84px;
}

@media (max-width: 620px) {
  .short {
    --line: 76px;
  }
}

@media (max-width: 900px) {
  .shell {
    grid-template: auto auto minmax(0, 1fr) auto / minmax(0, 1fr);
  }

  .shell > * {
    grid-column: 1;
    grid-row: auto;
  }

  .shell > :first-child {
    grid-row: auto;
  }

  .shell.short {
    grid-template-rows: auto auto auto auto;
  }

  .short > :first-child {
    position: static;
    height: auto;
  }
}

/* On a phone the floor comes first; what is above and below it scrolls with the page. */
@media (max-width: 620px) {
  .shell {
    display: flex;
    flex-direction: column;
    height: auto;
    min-height: 100dvh;
    overflow-x: clip;
  }

  .shell > * {
    width: 100%;
    min-width: 0;
  }

  .view {
    order: 2;
  }

  .reading .dock,
  .short .dock {
    order: 3;
  }
}
</style>
