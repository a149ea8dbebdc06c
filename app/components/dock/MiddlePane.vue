<script setup lang="ts">
import { Maximize2, Minimize2 } from '@lucide/vue'
import { computed, defineAsyncComponent } from 'vue'
import IconButton from '~/components/common/IconButton.vue'
import TabRow from '~/components/common/TabRow.vue'
import { useDock, type DockTab } from '~/composables/useDock'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import WirePane from './WirePane.vue'

// What is not looked at at once is fetched when it is opened.
const ClockBar = defineAsyncComponent(() => import('./ClockBar.vue'))
const MinutePane = defineAsyncComponent(() => import('./MinutePane.vue'))
const MonitorPane = defineAsyncComponent(() => import('./MonitorPane.vue'))
const LampsPane = defineAsyncComponent(() => import('./LampsPane.vue'))
const RunsPane = defineAsyncComponent(() => import('./RunsPane.vue'))
const PowerPane = defineAsyncComponent(() => import('./PowerPane.vue'))
const MidiPane = defineAsyncComponent(() => import('./MidiPane.vue'))

const floor = useFloorStore()
const rigs = useRigStore()
const { tab, isTall, turnTall } = useDock()
const tabs = computed((): { key: DockTab; text: string }[] => [
  { key: 'step', text: 'Step' },
  { key: 'minute', text: 'Minute' },
  { key: 'monitor', text: 'Monitor' },
  { key: 'lamps', text: 'Lamps' },
  { key: 'runs', text: floor.recorder ? 'Runs ●' : 'Runs' },
  { key: 'power', text: 'Start' },
  { key: 'midi', text: 'MIDI' },
])
/** How much of what was found stands behind a tab. */
const marks = computed((): Partial<Record<DockTab, number>> => ({
  runs: rigs.found.filter(({ code }) => code === 'runDiffers').length,
  lamps: rigs.found.filter(({ code }) => code === 'lyingLamp').length,
}))
const PANES = {
  step: WirePane,
  minute: MinutePane,
  monitor: MonitorPane,
  lamps: LampsPane,
  runs: RunsPane,
  power: PowerPane,
  midi: MidiPane,
}
</script>

<template>
  <div class="pane">
    <div class="head">
      <TabRow label="What the floor does" :tabs="tabs" :current="tab" class="tabs" @go="tab = $event">
        <template #default="{ tab: one }">
          {{ one.text }}<span v-if="marks[one.key]" class="mark mono">{{ marks[one.key] }}</span>
        </template>
      </TabRow>
      <ClockBar />
      <IconButton
        :icon="isTall ? Minimize2 : Maximize2"
        :name="isTall ? 'Lower the floor (K)' : 'Raise the floor (K)'"
        @click="turnTall"
      />
    </div>
    <component :is="PANES[tab]" class="body" />
  </div>
</template>

<style scoped>
.pane {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  gap: 5px;
}

.head {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
}

.tabs {
  flex: 1;
  border: 0;
}

.tabs :deep(button) {
  padding: 0 6px 2px;
  font-size: 13px;
  color: var(--dock-soft);
}

.tabs :deep(button:hover) {
  background: var(--dock-sheet);
}

.tabs :deep([aria-selected='true']) {
  border-bottom-color: var(--tape);
  color: var(--dock-ink);
}

.head :deep(button) {
  color: var(--dock-ink);
}

.head :deep(button:hover:enabled) {
  background: var(--dock-sheet);
  color: var(--dock-ink);
}

.mark {
  margin-left: 3px;
  color: var(--dock-fault);
  font-size: 12px;
}

.body {
  min-height: 0;
}

.pane {
  container-type: inline-size;
}

/* The tabs in a line of their own before they are cut. */
@container (max-width: 430px) {
  .head {
    flex-wrap: wrap;
    row-gap: 0;
    justify-content: end;
  }

  .tabs {
    flex: 1 0 100%;
  }

  .tabs :deep(button) {
    padding: 0 4px 2px;
  }
}
</style>
