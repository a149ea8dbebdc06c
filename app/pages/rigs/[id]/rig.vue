<script setup lang="ts">
import { nanoid } from 'nanoid'
import Button from 'primevue/button'
import { computed } from 'vue'
import { addRow, inOrder, type ControllerId, type DeviceId, type TableName } from '#core'
import ControllerInspector from '~/components/rig/ControllerInspector.vue'
import DeviceInspector from '~/components/rig/DeviceInspector.vue'
import RigInspector from '~/components/rig/RigInspector.vue'
import RigList from '~/components/rig/RigList.vue'
import { startingController, startingDevice } from '~/components/rig/startingRows'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { count } from '~/text/counts'

const rigs = useRigStore()
const { selection, select } = useSelection()

const rig = computed(() => rigs.rig!)
const controllers = computed(() => inOrder(rig.value.controllers))
const devices = computed(() => inOrder(rig.value.devices))
const summary = computed(
  () => `${count(controllers.value.length, 'foot controller')}, ${count(devices.value.length, 'device')}`,
)
const device = computed(() =>
  selection.value?.kind === 'device' ? rig.value.devices[selection.value.deviceId] : undefined,
)
const controller = computed(() =>
  selection.value?.kind === 'controller' ? rig.value.controllers[selection.value.controllerId] : undefined,
)
const foundAbout = (table: TableName, id: string) =>
  rigs.found.filter(({ about }) => about.table === table && about.id === id)

function addController(): void {
  const row = startingController(rig.value, nanoid(12) as ControllerId)
  if (rigs.edit(addRow('addController', 'controllers', row)))
    select({ kind: 'controller', controllerId: row.id })
}

function addDevice(): void {
  const row = startingDevice(rig.value, nanoid(12) as DeviceId)
  if (rigs.edit(addRow('addDevice', 'devices', row))) select({ kind: 'device', deviceId: row.id })
}
</script>

<template>
  <ViewFrame title="Rig" :summary="summary" inspector="What is chosen">
    <div class="tools">
      <Button
        v-if="controllers.length === 0"
        label="Add the foot controller"
        size="small"
        @click="addController"
      />
      <Button
        label="Add a device"
        size="small"
        :severity="controllers.length === 0 ? 'secondary' : undefined"
        :variant="controllers.length === 0 ? 'outlined' : undefined"
        @click="addDevice"
      />
    </div>
    <p v-if="controllers.length + devices.length === 0" class="empty">
      Nothing on the floor yet. Add the foot controller, then each device it talks to. After that, Switches is
      where you say what a step should do.
    </p>
    <RigList :rig="rig" :found="rigs.found" :selection="selection" @choose="select" />
    <template #inspector>
      <DeviceInspector
        v-if="device"
        :key="device.id"
        :rig="rig"
        :device="device"
        :found="foundAbout('devices', device.id)"
      />
      <ControllerInspector
        v-else-if="controller"
        :key="controller.id"
        :rig="rig"
        :controller="controller"
        :found="foundAbout('controllers', controller.id)"
      />
      <RigInspector v-else :rig="rig" />
    </template>
  </ViewFrame>
</template>

<style scoped>
.tools {
  display: flex;
  gap: 8px;
  padding: 8px 0;
}

.empty {
  max-width: 460px;
  padding: 16px 0;
}
</style>
