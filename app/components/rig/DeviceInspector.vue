<script setup lang="ts">
import Button from 'primevue/button'
import { editRow, removeRow, type Device, type Finding, type Rig } from '#core'
import FindingNote from '~/components/common/FindingNote.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import ChannelGrid from './ChannelGrid.vue'
import NumberingEditor from './NumberingEditor.vue'
import PresetNames from './PresetNames.vue'

const { rig, device, found } = defineProps<{ rig: Rig; device: Device; found: readonly Finding[] }>()

const rigs = useRigStore()
</script>

<template>
  <div class="inspector">
    <h2>{{ device.name }}</h2>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <TextField
      label="Name"
      :value="device.name"
      :max="60"
      required
      @take="rigs.edit(editRow(rig, 'changeDevice', 'devices', device.id, { name: $event }))"
    />
    <ChannelGrid
      :rig="rig"
      :device="device"
      @choose="rigs.edit(editRow(rig, 'setChannel', 'devices', device.id, { channel: $event }))"
    />
    <NumberingEditor
      :device="device"
      @change="rigs.edit(editRow(rig, 'changeNumbering', 'devices', device.id, { numbering: $event }))"
    />
    <PresetNames :rig="rig" :device="device" />
    <div>
      <Button
        label="Remove this device"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(removeRow(rig, 'removeDevice', 'devices', device.id))"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}

h2 {
  overflow-wrap: anywhere;
}
</style>
