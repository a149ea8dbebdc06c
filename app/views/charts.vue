<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { own } from '#core/base'
import { controlsOf, nextFreeNumber, type Hit } from '#core/chart'
import { addRow, lastOrder, receivers, type ControlId, type TableName } from '#core/rig'
import ChartSearch from '~/components/charts/ChartSearch.vue'
import { chartTabs, type ChartTab } from '~/components/charts/chartTabs'
import ControlInspector from '~/components/charts/ControlInspector.vue'
import ControlsPane from '~/components/charts/ControlsPane.vue'
import CopyChart from '~/components/charts/CopyChart.vue'
import PairsPane from '~/components/charts/PairsPane.vue'
import PasteChart from '~/components/charts/PasteChart.vue'
import PresetInspector from '~/components/charts/PresetInspector.vue'
import PresetsPane from '~/components/charts/PresetsPane.vue'
import RelayPane from '~/components/charts/RelayPane.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { useSelection } from '~/composables/useSelection'
import { chartAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { findingsOfStage, STAGES } from '~/text/stages'

const rigs = useRigStore()
const { selection, select } = useSelection()

const rig = computed(() => rigs.rig!)
const devices = computed(() => receivers(rig.value))
const control = computed(() => {
  const one = selection.value
  return one?.kind === 'control' ? (own(rig.value.controls, one.controlId) ?? null) : null
})
const preset = computed(() => (selection.value?.kind === 'preset' ? selection.value : null))

const wanted = ref<string | null>(null)
/** The device on view: the one of what is chosen, else the one whose tab was pressed, else the first. */
const device = computed(() => {
  const one = selection.value
  const id =
    control.value?.deviceId ??
    preset.value?.deviceId ??
    (one?.kind === 'device' ? one.deviceId : null) ??
    wanted.value
  return devices.value.find((each) => each.id === id) ?? devices.value[0] ?? null
})
const tab = ref<ChartTab>('controls')
const tabs = computed(() => (device.value ? chartTabs(rig.value, device.value, rigs.found) : []))
const shownTab = computed(() => (tabs.value.some(({ key }) => key === tab.value) ? tab.value : 'controls'))
const deviceTabs = computed(() =>
  devices.value.map(({ id, name }) => ({
    key: id as string,
    text: name,
    found: rigs.found.filter(({ about }) => own(rig.value.controls, about.id)?.deviceId === id),
  })),
)
const summary = computed(
  () =>
    `${count(Object.keys(rig.value.controls).length, 'control')}, ${count(Object.keys(rig.value.presets).length, 'preset')} with a name`,
)
const ours = computed(() => findingsOfStage(STAGES[1]!, rigs.found))
const foundAbout = (table: TableName, id: string) =>
  rigs.found.filter(({ about }) => about.table === table && about.id === id)

const isPasting = ref(false)
const isCopying = ref(false)

function goTo(deviceId: string): void {
  wanted.value = deviceId
  select(null)
}

function pick(hit: Hit): void {
  wanted.value = hit.device.id
  tab.value = hit.kind === 'control' ? 'controls' : 'presets'
  select(
    hit.kind === 'control'
      ? { kind: 'control', controlId: hit.control.id, ...(hit.value !== null && { value: hit.value }) }
      : { kind: 'preset', deviceId: hit.device.id, index: hit.index },
  )
}

function addControl(): void {
  const one = device.value
  if (!one) return
  const number = nextFreeNumber(rig.value, one, 19)
  const row = {
    id: nanoid(12) as ControlId,
    deviceId: one.id,
    order: lastOrder(rig.value.controls),
    name: `Control ${controlsOf(rig.value, one.id).length + 1}`,
    section: '',
    address: { kind: 'cc', number: (number ?? 20) as never },
    reading: { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
    kind: 'fixed',
    map: 'device',
    division: null,
    source: 'heard',
    note: '',
    origin: '',
  } as const
  if (rigs.edit(addRow('addControl', 'controls', row))) select({ kind: 'control', controlId: row.id })
}
</script>

<template>
  <ViewFrame title="Charts" :summary="summary" inspector="What is chosen">
    <template #tools><ChartSearch :rig="rig" @pick="pick" /></template>
    <p v-if="!device" class="empty">
      No device answers to MIDI yet. <RouterLink :to="`/rigs/${rigs.rigId}/rig`">Add one in Rig</RouterLink>,
      then write down here what it can be told.
    </p>
    <template v-else>
      <TabRow label="Devices" :tabs="deviceTabs" :current="device.id as string" @go="goTo" />
      <div class="bar">
        <TabRow label="Parts of the chart" :tabs="tabs" :current="shownTab" @go="tab = $event" />
        <div v-if="shownTab === 'controls'" class="tools">
          <Button label="Paste a chart" size="small" @click="isPasting = true" />
          <button type="button" class="word" @click="addControl">Add a control</button>
          <button type="button" class="word" @click="isCopying = true">Copy one</button>
          <a :href="chartAddress(rigs.rigId ?? '', device.id)" download>CSV out</a>
        </div>
      </div>
      <ControlsPane
        v-if="shownTab === 'controls'"
        :key="device.id"
        :rig="rig"
        :device="device"
        :found="rigs.found"
        :chosen-id="control?.id ?? null"
        @choose="select({ kind: 'control', controlId: $event })"
      />
      <PresetsPane
        v-else-if="shownTab === 'presets'"
        :key="`presets-${device.id}`"
        :rig="rig"
        :device="device"
        :chosen="preset?.index ?? null"
        @choose="select({ kind: 'preset', deviceId: device.id, index: $event })"
      />
      <RelayPane v-else-if="shownTab === 'relays'" :rig="rig" :device="device" />
      <PairsPane v-else :rig="rig" :device="device" :found="rigs.found" />
      <PasteChart :rig="rig" :device="device" :is-open="isPasting" @close="isPasting = false" />
      <CopyChart :rig="rig" :device="device" :is-open="isCopying" @close="isCopying = false" />
    </template>
    <template #inspector>
      <ControlInspector
        v-if="control && device"
        :key="control.id"
        :rig="rig"
        :control="control"
        :device="device"
        :found="foundAbout('controls', control.id)"
        :value="selection?.kind === 'control' ? (selection.value ?? null) : null"
      />
      <PresetInspector
        v-else-if="preset && device"
        :key="`${device.id}/${preset.index}`"
        :rig="rig"
        :device="device"
        :index="preset.index"
        :found="[]"
      />
      <div v-else class="notes">
        <FindingNote v-for="(one, n) in ours" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
        <p class="soft">
          Choose a control or a preset to try it and change it. Press / to search all charts, in the devices’
          own words and numbers.
        </p>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
.empty {
  max-width: 460px;
  padding: 24px 0;
}

.bar {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 14px;
  padding: 4px 0;
}

.tools {
  display: flex;
  align-items: center;
  gap: 14px;
  font-size: 13px;
}

.tools a {
  font-weight: 600;
  text-decoration: none;
}

.notes {
  display: grid;
  gap: 12px;
}
</style>
