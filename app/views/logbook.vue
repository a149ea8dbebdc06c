<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { logbookLines, testCount, testPlan } from '#core/logbook'
import { inOrder } from '#core/rig'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DumpInspector from '~/components/logbook/DumpInspector.vue'
import DumpsPane from '~/components/logbook/DumpsPane.vue'
import HistoryInspector from '~/components/logbook/HistoryInspector.vue'
import HistoryPane from '~/components/logbook/HistoryPane.vue'
import LineInspector from '~/components/logbook/LineInspector.vue'
import LogbookPane from '~/components/logbook/LogbookPane.vue'
import StatePane from '~/components/logbook/StatePane.vue'
import TestPane from '~/components/logbook/TestPane.vue'
import { useFactsStore } from '~/stores/facts'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { isoDate } from '#shared/words/times'

const rigs = useRigStore()
const facts = useFactsStore()
const rig = computed(() => rigs.rig!)

const TABS = [
  { key: 'logbook', text: 'Logbook' },
  { key: 'history', text: 'History' },
  { key: 'state', text: 'What is saved' },
  { key: 'dumps', text: 'Dumps' },
  { key: 'test', text: 'Test plan' },
] as const
type Tab = (typeof TABS)[number]['key']
const tab = ref<Tab>('logbook')

const lines = computed(() => logbookLines(rig.value, facts.facts, (at) => isoDate(new Date(at))))
const chosenLine = ref<string | null>(null)
const line = computed(() => lines.value.find(({ key }) => key === chosenLine.value) ?? null)

const revision = ref<number | null>(null)
const renamed = ref(0)
const dumps = computed(() => inOrder(rig.value.dumps))
const dumpId = ref<string | null>(null)
const dump = computed(() => dumps.value.find(({ id }) => id === dumpId.value) ?? dumps.value[0] ?? null)

const summary = computed(() => {
  if (tab.value === 'history') return `Revision ${rigs.revision}`
  if (tab.value === 'dumps')
    return dumps.value.length === 0 ? 'No dump yet' : count(dumps.value.length, 'dump')
  if (tab.value === 'test') {
    const { pass, fail, old, open } = testCount(rig.value, testPlan(rig.value))
    const todo = open + old
    return `${pass} passed, ${fail} failed, ${todo} to try`
  }
  return tab.value === 'state' ? 'Against the plan as it is now' : count(lines.value.length, 'line')
})

onMounted(() => void facts.want())
watch(
  () => rigs.rigId,
  () => {
    chosenLine.value = null
    revision.value = null
    dumpId.value = null
  },
)
</script>

<template>
  <ViewFrame title="Logbook" :summary="summary" inspector="What is chosen in the logbook">
    <TabRow label="Parts of this view" :tabs="TABS" :current="tab" @go="tab = $event">
      <template #default="{ tab: one }">{{ one.text }}</template>
    </TabRow>
    <p v-if="facts.failure && (tab === 'logbook' || tab === 'state')" role="status" class="away">
      The server cannot be reached: what the history tells is missing here, or is of revision
      {{ facts.revision }}.
    </p>
    <LogbookPane
      v-if="tab === 'logbook'"
      :rig="rig"
      :lines="lines"
      :chosen="chosenLine"
      @choose="chosenLine = $event"
    />
    <HistoryPane
      v-else-if="tab === 'history'"
      :chosen="revision"
      :renamed="renamed"
      @choose="revision = $event"
    />
    <StatePane v-else-if="tab === 'state'" :rig="rig" />
    <DumpsPane
      v-else-if="tab === 'dumps'"
      :rig="rig"
      :dumps="dumps"
      :chosen="dump?.id ?? null"
      @choose="dumpId = $event"
    />
    <TestPane v-else :rig="rig" />
    <template #inspector>
      <LineInspector
        v-if="tab === 'logbook'"
        :rig="rig"
        :line="line"
        @written="chosenLine = $event"
        @close="chosenLine = null"
      />
      <HistoryInspector v-else-if="tab === 'history'" :rig="rig" :revision="revision" @named="renamed++" />
      <DumpInspector
        v-else-if="tab === 'dumps'"
        :rig="rig"
        :dump="dump"
        :dumps="dumps"
        @choose="dumpId = $event"
      />
      <p v-else-if="tab === 'state'" class="soft">
        Told from what you ticked, heard, recorded and sent back. A save counts for what was planned when you
        ticked it; what is in a box that nobody ticked is not known here. The box itself has the last word.
      </p>
      <p v-else class="soft">
        Try it all with the volume low, watching every device. A result counts as long as the switch sends the
        same; after a change it is to be tried again. Every result stays in the logbook.
      </p>
    </template>
  </ViewFrame>
</template>

<style scoped>
.away {
  padding: 6px 0;
  color: var(--warning);
}
</style>
