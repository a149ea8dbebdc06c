<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import { tidy } from '#core/map'
import { own } from '#core/base'
import { inOrder, isProgrammed, links, receivers, type Device, type TableName } from '#core/rig'
import { checklist } from '#core/setup'
import FilePick from '~/components/common/FilePick.vue'
import type { Layer } from '~/charts/rigMap'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import AddBoxDialog from '~/components/rig/AddBoxDialog.vue'
import CableInspector from '~/components/rig/CableInspector.vue'
import CableList from '~/components/rig/CableList.vue'
import ChecklistPane from '~/components/rig/checklist/ChecklistPane.vue'
import ControllerInspector from '~/components/rig/ControllerInspector.vue'
import DeviceInspector from '~/components/rig/DeviceInspector.vue'
import GuideDialog from '~/components/rig/GuideDialog.vue'
import { layPlug } from '~/components/rig/jacks/layPlug'
import RigMap from '~/components/rig/map/RigMap.vue'
import ChannelsPane from '~/components/rig/plans/ChannelsPane.vue'
import ControllerPane from '~/components/rig/plans/ControllerPane.vue'
import PowerPane from '~/components/rig/plans/PowerPane.vue'
import SoundWayPane from '~/components/rig/plans/SoundWayPane.vue'
import SavingPane from '~/components/rig/plans/SavingPane.vue'
import RigInspector from '~/components/rig/RigInspector.vue'
import { rigTabs, type RigTab } from '~/components/rig/rigTabs'
import { useFloorEdits } from '~/components/rig/useFloorEdits'
import FailureNote from '~/components/start/FailureNote.vue'
import FirstFloor from '~/components/start/FirstFloor.vue'
import FirstSound from '~/components/start/FirstSound.vue'
import { useRigStarts } from '~/components/start/useRigStarts'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'

const rigs = useRigStore()
const { selection, select } = useSelection()
const { bringController, bringDevice, move, refusedText } = useFloorEdits()

const tab = ref<RigTab>('map')
const layers = ref<ReadonlySet<Layer>>(new Set(['control']))
const LAYERS = [
  { layer: 'control', text: 'Control cables' },
  { layer: 'sound', text: 'Sound cables' },
  { layer: 'power', text: 'Power cables' },
] as const
function turn(layer: Layer): void {
  const next = new Set(layers.value)
  if (!next.delete(layer)) next.add(layer)
  layers.value = next
}
const adding = ref<'controller' | 'device' | null>(null)
const asking = ref<Device | null>(null)
const refused = ref('')

const rig = computed(() => rigs.rig!)
const controllers = computed(() => inOrder(rig.value.controllers))
const devices = computed(() => inOrder(rig.value.devices))
const isEmpty = computed(() => controllers.value.length + devices.value.length === 0)
const summary = computed(
  () =>
    `${count(controllers.value.length, 'foot controller')}, ${count(devices.value.length, 'device')}, ${count(links(rig.value).length, 'cable')}`,
)
/** A floor without a sound is asked for one; the answer stays until the view is left. */
const wantsSound = ref(false)
watch(
  () =>
    receivers(rig.value).length > 0 &&
    Object.keys(rig.value.controllers).length > 0 &&
    Object.keys(rig.value.sounds).length === 0 &&
    !Object.values(rig.value.switches).some(isProgrammed),
  (wants) => (wantsSound.value ||= wants),
  { immediate: true },
)
const { failure, copyDemo, openFile } = useRigStarts()
const tabs = computed(() => rigTabs(rigs.found))
const device = computed(() =>
  selection.value?.kind === 'device' ? own(rig.value.devices, selection.value.deviceId) : undefined,
)
const controller = computed(() =>
  selection.value?.kind === 'controller'
    ? own(rig.value.controllers, selection.value.controllerId)
    : undefined,
)
const link = computed(() => {
  const one = selection.value
  return one?.kind === 'cable' ? links(rig.value).find(({ cable }) => cable.id === one.cableId) : undefined
})
const foundAbout = (table: TableName, id: string) =>
  rigs.found.filter(({ about }) => about.table === table && about.id === id)
</script>

<template>
  <ViewFrame title="Rig" :summary="summary" inspector="What is chosen">
    <template #tools>
      <Button
        v-if="controllers.length === 0"
        label="Add the foot controller"
        size="small"
        @click="adding = 'controller'"
      />
      <Button
        label="Add a device"
        size="small"
        :severity="controllers.length === 0 ? 'secondary' : undefined"
        :variant="controllers.length === 0 ? 'outlined' : undefined"
        @click="adding = 'device'"
      />
    </template>
    <TabRow label="Parts of the rig" :tabs="tabs" :current="tab" @go="tab = $event" />
    <template v-if="tab === 'map'">
      <div v-if="isEmpty" class="empty">
        <p>
          Nothing on the floor yet. Say what stands there and it comes cabled, powered and with channels; or
          <button type="button" class="word" @click="copyDemo">copy the demo</button>, or
          <FilePick
            label="open a file"
            accept=".json,.zip,application/json,application/zip"
            @file="openFile"
          />
        </p>
        <FailureNote v-if="failure" :failure="failure" @retry="failure = null" />
        <FirstFloor :rig="rig" />
      </div>
      <template v-else>
        <div class="tools">
          <label v-for="{ layer, text } in LAYERS" :key="layer">
            <input type="checkbox" :checked="layers.has(layer)" @change="turn(layer)" /> {{ text }}
          </label>
          <button type="button" class="word" @click="rigs.edit(tidy(rig))">Tidy the map</button>
          <button v-if="controllers.length > 0" type="button" class="word" @click="adding = 'controller'">
            Another controller
          </button>
          <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
        </div>
        <FirstSound v-if="wantsSound" :rig="rig" />
        <RigMap
          :rig="rig"
          :found="rigs.found"
          :selection="selection"
          :layers="layers"
          @choose="((refused = ''), select($event))"
          @move="move"
          @lay="((refused = ''), layPlug(rigs, $event))"
          @refused="(from, to) => (refused = refusedText(from, to))"
        />
        <CableList
          :rig="rig"
          :found="rigs.found"
          :chosen-id="link?.cable.id ?? null"
          :layers="layers"
          @choose="select"
        />
      </template>
    </template>
    <ChecklistPane
      v-else-if="tab === 'checklist'"
      :rig="rig"
      title="Before the first stomp"
      :lines="checklist(rig)"
      nothing="Nothing to do yet. Add the foot controller and the devices; the list makes itself."
      can-show
      @choose="select"
    />
    <ChannelsPane v-else-if="tab === 'channels'" :rig="rig" :found="rigs.found" @choose="select" />
    <PowerPane v-else-if="tab === 'power'" :rig="rig" :found="rigs.found" @choose="select" />
    <SoundWayPane v-else-if="tab === 'sound'" :rig="rig" :found="rigs.found" @choose="select" />
    <ControllerPane v-else-if="tab === 'controller'" :rig="rig" />
    <SavingPane v-else :rig="rig" @choose="select" />
    <AddBoxDialog
      :wants="adding"
      @close="adding = null"
      @controller="((adding = null), bringController($event))"
      @device="((adding = null), bringDevice($event))"
    />
    <GuideDialog :rig="rig" :device="asking" @close="asking = null" />
    <template #inspector>
      <DeviceInspector
        v-if="device"
        :key="device.id"
        :rig="rig"
        :device="device"
        :found="foundAbout('devices', device.id)"
        @ask="asking = device"
      />
      <ControllerInspector
        v-else-if="controller"
        :key="controller.id"
        :rig="rig"
        :controller="controller"
        :found="foundAbout('controllers', controller.id)"
      />
      <CableInspector
        v-else-if="link"
        :key="link.cable.id"
        :rig="rig"
        :link="link"
        :found="foundAbout('cables', link.cable.id)"
      />
      <RigInspector v-else :rig="rig" :found="rigs.found" @choose="select" />
    </template>
  </ViewFrame>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 18px;
  padding: 6px 0 2px;
  font-size: 13px;
}

.tools label {
  white-space: nowrap;
}

.tools input {
  accent-color: var(--chosen);
}

.refused {
  color: var(--error);
}

.empty {
  display: grid;
  align-content: start;
  gap: 12px;
  min-height: 0;
  overflow: auto;
  padding: 12px 0 0;
}
</style>
