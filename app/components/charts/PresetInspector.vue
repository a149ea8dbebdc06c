<script setup lang="ts">
import RemoveUsed from '~/components/common/RemoveUsed.vue'
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { editPresetAt } from '#core/chart'
import type { Finding } from '#core/check'
import {
  BLANK_PRESET,
  findPreset,
  formatDisplay,
  PURPOSES,
  recallMessages,
  removeRow,
  sendChannel,
  type Device,
  type Preset,
  type PresetId,
  type Rig,
} from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import TextField from '~/components/common/TextField.vue'
import UsedBy from '~/components/common/UsedBy.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { PURPOSE_TEXT } from '~/text/charts'
import { sentText } from '~/text/presets'
import ValueList from './ValueList.vue'

/** One stored sound of a device: what it is called, what it is for, what it recalls. */
const { rig, device, index, found } = defineProps<{
  rig: Rig
  device: Device
  index: number
  found: readonly Finding[]
}>()

const rigs = useRigStore()
const floor = useFloorStore()

const row = computed(() => findPreset(rig, device.id, index))
const preset = computed(() => row.value ?? BLANK_PRESET)
const display = computed(() => formatDisplay(device.numbering, index))
const change = (fields: Partial<Preset>) =>
  rigs.edit(editPresetAt(rig, 'changePreset', device, index, nanoid(12) as PresetId, fields))

const PURPOSE_CHOICES = PURPOSES.map((value) => ({ value, text: PURPOSE_TEXT[value] }))
const LEVELS = [
  { value: -1, text: 'Not said' },
  ...Array.from({ length: 11 }, (_, value) => ({ value, text: String(value) })),
]

function recall(): void {
  const channel = sendChannel(rig, device)
  if (channel !== null) floor.send(device.id, recallMessages(device.numbering, channel, index))
}
</script>

<template>
  <div class="inspector">
    <div>
      <h2>{{ display }} {{ preset.name }}</h2>
      <p class="soft">{{ device.name }}, <span class="mono program">{{ sentText(device, index) }}</span></p>
    </div>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <div><Button label="Send it and see" size="small" @click="recall" /></div>
    <TextField label="Name" :value="preset.name" :max="60" @take="change({ name: $event })" />
    <div class="fields">
      <ChoiceField
        label="What it is for"
        :value="preset.purpose"
        :choices="PURPOSE_CHOICES"
        @choose="change({ purpose: $event })"
      />
      <ChoiceField
        label="Level, 0 to 10"
        :value="preset.level ?? -1"
        :choices="LEVELS"
        @choose="change({ level: $event < 0 ? null : $event })"
      />
    </div>
    <TextField label="Private notes" :value="preset.notes" :max="400" @take="change({ notes: $event })" />
    <h3>What it recalls</h3>
    <ValueList
      :rig="rig"
      :device-id="device.id"
      :values="preset.recalls"
      label="what it recalls"
      @change="change({ recalls: $event })"
    />
    <UsedBy v-if="row" :id="row.id" :rig="rig" table="presets" />
    <RemoveUsed
      v-if="row"
      :id="row.id"
      :rig="rig"
      table="presets"
      label="Forget this preset, also in sounds and on switches"
      @remove="rigs.edit(removeRow(rig, 'removePreset', 'presets', row.id))"
    />
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 11px;
}

.fields {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 10px;
}

h2 {
  overflow-wrap: anywhere;
}
</style>
