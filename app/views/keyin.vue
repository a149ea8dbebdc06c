<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { inOrder } from '#core/rig'
import { deviceSheet, tickOf } from '#core/setup'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DevicesPane from '~/components/keyin/DevicesPane.vue'
import FrontPanel from '~/components/keyin/FrontPanel.vue'
import LearnPane from '~/components/keyin/LearnPane.vue'
import ListenPane from '~/components/keyin/ListenPane.vue'
import MannerPane from '~/components/keyin/MannerPane.vue'
import SheetPane from '~/components/keyin/SheetPane.vue'
import TakeInspector from '~/components/keyin/TakeInspector.vue'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import { useAnswer } from '~/platform/useAnswer'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { durationText } from '#shared/keyInText'

const rigs = useRigStore()
const rig = computed(() => rigs.rig!)
const { answer: told, fault, ask, again, cancel } = useAnswer('sheet')

const TABS = [
  { key: 'sheet', text: 'Sheet' },
  { key: 'devices', text: 'Devices' },
  { key: 'manner', text: 'Front panel' },
  { key: 'listen', text: 'Listen' },
  { key: 'learn', text: 'Learn a controller' },
] as const
type Tab = (typeof TABS)[number]['key']
const tab = ref<Tab>('sheet')

const controllers = computed(() => inOrder(rig.value.controllers))
const wanted = ref<string | null>(null)
const controller = computed(
  () => controllers.value.find(({ id }) => id === wanted.value) ?? controllers.value[0] ?? null,
)

/** The sheet with the rig it was made from: of an older one it is marked. */
watch(
  [rig, () => controller.value?.id],
  ([now, id]) => {
    if (id === undefined) cancel()
    else ask(now, id)
  },
  { immediate: true },
)
const sheet = computed(() =>
  told.value?.value?.controllerId === controller.value?.id ? (told.value?.value ?? null) : null,
)
const isOld = computed(() => told.value?.of !== rig.value)

const chosenKey = ref<string | null>(null)
const lines = computed(() => sheet.value?.lines ?? [])
const chosen = computed(
  () => lines.value.find(({ key }) => key === chosenKey.value) ?? lines.value[0] ?? null,
)

const before = computed(() => (chosen.value ? lines.value.slice(0, lines.value.indexOf(chosen.value)) : []))

const deviceLines = computed(() => deviceSheet(rig.value))
const devicesLeft = computed(
  () => deviceLines.value.filter((line) => tickOf(rig.value, line) === null).length,
)

const summary = computed(() => {
  if (!controller.value) return 'No controller yet'
  if (fault.value) return 'Not known'
  if (!sheet.value) return 'Working it out'
  if (sheet.value.right.length === 0 && lines.value.length === 0) return 'Nothing to key in yet'
  if (lines.value.length === 0) return 'All is in the controller'
  return `${count(lines.value.length, 'line')} left, ${count(sheet.value.presses, 'press', 'presses')}, ${durationText(sheet.value.seconds)}`
})
watch(
  () => rigs.rigId,
  () => {
    chosenKey.value = null
    wanted.value = null
  },
)
</script>

<template>
  <ViewFrame title="Key-in sheet" :summary="summary" inspector="The controller's front panel">
    <p v-if="!controller" class="empty">
      What your controller must be told, key by key, in the order with the fewest presses. It begins with a
      <RouterLink :to="`/rigs/${rigs.rigId}/rig`">controller</RouterLink>.
    </p>
    <template v-else>
      <ChoiceRow
        v-if="controllers.length > 1"
        label="Controller"
        is-quiet
        :value="controller.id"
        :choices="controllers.map(({ id, name }) => ({ value: id, text: name }))"
        @choose="wanted = $event"
      />
      <TabRow label="Parts of this view" :tabs="TABS" :current="tab" @go="tab = $event">
        <template #default="{ tab: one }">
          {{ one.text
          }}<span v-if="one.key === 'devices' && devicesLeft > 0" class="mono left">{{ devicesLeft }}</span>
        </template>
      </TabRow>
      <template v-if="tab === 'sheet'">
        <NotWorkedOut
          v-if="fault"
          what="The sheet"
          :fault="fault"
          :is-old-shown="sheet !== null"
          @retry="again"
        />
        <SheetPane
          v-if="sheet || !fault"
          :rig="rig"
          :controller="controller"
          :sheet="sheet"
          :is-old="isOld && !fault"
          :chosen-key="chosen?.key ?? null"
          @choose="chosenKey = $event"
          @go="tab = $event"
        />
      </template>
      <DevicesPane v-else-if="tab === 'devices'" :rig="rig" :lines="deviceLines" />
      <MannerPane v-else-if="tab === 'manner'" :rig="rig" :controller="controller" />
      <ListenPane v-else-if="tab === 'listen'" :rig="rig" :controller="controller" />
      <LearnPane v-else :rig="rig" :controller="controller" />
    </template>
    <template #inspector>
      <TakeInspector v-if="controller && tab === 'listen'" :rig="rig" :controller="controller" />
      <FrontPanel
        v-else-if="controller && (tab === 'sheet' || tab === 'manner')"
        :rig="rig"
        :controller="controller"
        :line="tab === 'sheet' ? chosen : null"
        :before="before"
        :end="sheet?.end ?? []"
      />
      <p v-else class="soft">
        {{
          tab === 'learn'
            ? 'A controller is drawn up from what it sends: stepped on twice and held, switch by switch. What it does without a message cannot be heard.'
            : 'Set and save each device before the controller calls it. The maker’s manual says where each setting is.'
        }}
      </p>
    </template>
  </ViewFrame>
</template>

<style scoped>
.empty {
  max-width: 60ch;
}

.left {
  padding: 0 5px;
  border: 1px solid var(--line-strong);
  border-radius: 9px;
  font-size: 11px;
}
</style>
