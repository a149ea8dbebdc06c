<script setup lang="ts">
import RemoveUsed from '~/components/common/RemoveUsed.vue'
import { ArrowDown, ArrowUp, Copy } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { duplicateDevice } from '#core/archetype'
import { freeSpot } from '#core/map'
import type { Finding } from '#core/check'
import {
  channelHolders,
  editRow,
  formatDisplay,
  moveDevice,
  removeRow,
  shareChannel,
  type Device,
  type DeviceId,
  type Rig,
} from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import IconButton from '~/components/common/IconButton.vue'
import TextField from '~/components/common/TextField.vue'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { SAVING_TEXT } from '~/text/saving'
import ChannelGrid from './ChannelGrid.vue'
import UsedBy from '~/components/common/UsedBy.vue'
import DeviceSoundFields from './DeviceSoundFields.vue'
import JackList from './jacks/JackList.vue'
import NumberingEditor from './NumberingEditor.vue'
import PathSummary from './PathSummary.vue'
import PresetNames from './PresetNames.vue'
import SavingFields from './SavingFields.vue'

const { rig, device, found } = defineProps<{ rig: Rig; device: Device; found: readonly Finding[] }>()
const emit = defineEmits<{ ask: [] }>()

const rigs = useRigStore()
const { select } = useSelection()

const isReceiver = computed(() => device.kind === 'receiver')
const change = (fields: Partial<Device>) => rigs.edit(editRow(rig, 'setPanel', 'devices', device.id, fields))
const companions = computed(() =>
  typeof device.channel === 'number'
    ? channelHolders(rig)
        .get(device.channel)!
        .filter(({ id }) => id !== device.id)
    : [],
)
const presetRange = computed(
  () =>
    `${formatDisplay(device.numbering, 0)} to ${formatDisplay(device.numbering, device.numbering.count - 1)}`,
)

const OFF = {
  none: 'no way off known',
  preset: 'off by preset',
  control: 'off by control',
  contact: 'off by contact',
}
const soundSummary = computed(
  () => `${OFF[device.bypass.kind]}${isReceiver.value ? `, deaf ${device.deafMs} ms` : ''}`,
)

function duplicate(): void {
  const id = nanoid(12) as DeviceId
  if (rigs.edit(duplicateDevice(rig, device, { device: id }, freeSpot(rig, device.id))))
    select({ kind: 'device', deviceId: id })
}
</script>

<template>
  <div class="inspector">
    <div class="title">
      <h2>{{ device.name }}</h2>
      <IconButton
        :icon="ArrowUp"
        name="Earlier in the order"
        @click="rigs.edit(moveDevice(rig, device.id, -1))"
      />
      <IconButton
        :icon="ArrowDown"
        name="Later in the order"
        @click="rigs.edit(moveDevice(rig, device.id, 1))"
      />
      <IconButton :icon="Copy" name="Make another like it" @click="duplicate" />
    </div>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <TextField
      label="Name"
      :value="device.name"
      :max="60"
      required
      @take="rigs.edit(editRow(rig, 'changeDevice', 'devices', device.id, { name: $event }))"
    />
    <template v-if="isReceiver">
      <PathSummary :rig="rig" :device="device" />
      <button type="button" class="word ask" @click="emit('ask')">Why is nothing happening?</button>
      <ChannelGrid
        :rig="rig"
        :device="device"
        @choose="rigs.edit(editRow(rig, 'setChannel', 'devices', device.id, { channel: $event }))"
      />
      <CheckField
        v-if="companions.length > 0 && typeof device.channel === 'number'"
        label="Share this channel on purpose"
        :note="`With ${companions.map(({ name }) => name).join(', ')}: all change together.`"
        :value="device.sharesChannel"
        @take="rigs.edit(shareChannel(rig, device.channel as never, $event))"
      />
    </template>
    <JackList :rig="rig" :box="device" />
    <FoldSection v-if="isReceiver" title="Set on the device itself" open>
      <CheckField
        label="Receives program changes"
        :value="device.receivesPrograms"
        @take="change({ receivesPrograms: $event })"
      />
      <CheckField
        label="Sends program changes back"
        :value="device.sendsProgramsBack"
        @take="change({ sendsProgramsBack: $event })"
      />
      <CheckField
        label="Follows MIDI clock"
        :value="device.followsClock"
        @take="change({ followsClock: $event })"
      />
      <CheckField
        label="Its channel cannot be changed"
        :value="device.isChannelFixed"
        @take="change({ isChannelFixed: $event })"
      />
    </FoldSection>
    <FoldSection v-if="isReceiver || device.kind === 'plain'" title="In sounds" :summary="soundSummary">
      <DeviceSoundFields :rig="rig" :device="device" />
    </FoldSection>
    <template v-if="isReceiver">
      <FoldSection title="How it counts presets" :summary="presetRange">
        <NumberingEditor
          :device="device"
          @change="rigs.edit(editRow(rig, 'changeNumbering', 'devices', device.id, { numbering: $event }))"
        />
      </FoldSection>
      <FoldSection title="Presets with a name">
        <PresetNames :rig="rig" :device="device" />
      </FoldSection>
      <FoldSection title="Where it saves" :summary="SAVING_TEXT[device.saving.how]">
        <SavingFields :saving="device.saving" @change="change({ saving: $event })" />
      </FoldSection>
    </template>
    <UsedBy v-if="isReceiver || device.kind === 'plain'" :id="device.id" :rig="rig" table="devices" />
    <RemoveUsed
      :id="device.id"
      :rig="rig"
      table="devices"
      label="Remove this device"
      @remove="rigs.edit(removeRow(rig, 'removeDevice', 'devices', device.id))"
    />
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 11px;
}

.title {
  display: flex;
  align-items: center;
  gap: 2px;
}

h2 {
  flex: 1;
  overflow-wrap: anywhere;
}

.ask {
  justify-self: start;
}
</style>
