<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import {
  own,
  findSwitch,
  receivers,
  moveRecall,
  removeRecall,
  setRecall,
  type Controller,
  type Device,
  type PresetId,
  type Rig,
  type SwitchSlot,
} from '#core'
import { useRigStore } from '~/stores/rig'
import AddDevice from './AddDevice.vue'
import RecallRow from './RecallRow.vue'
import WireList from './WireList.vue'

/** What one press of a switch should do, device by device, and what that sends. */
const {
  rig,
  at: slot,
  position,
  title,
  controller,
} = defineProps<{
  rig: Rig
  at: SwitchSlot
  position: number
  title: string
  controller: Controller
}>()

const rigs = useRigStore()
const footswitch = computed(() => findSwitch(rig, slot.bankId, slot.number))
const rows = computed(() =>
  (footswitch.value?.positions[position] ?? []).flatMap(({ presetId }, at) => {
    const preset = own(rig.presets, presetId)
    const device = own(rig.devices, preset?.deviceId ?? '')
    return preset && device ? [{ at, preset, device }] : []
  }),
)
const others = computed(() => {
  const used = new Set(rows.value.map(({ device }) => device.id))
  return receivers(rig).filter(({ id }) => !used.has(id))
})

const pick = (device: Device, index: number) =>
  rigs.edit(
    setRecall(rig, slot, position, { deviceId: device.id, index, newPresetId: nanoid(12) as PresetId }),
  )
</script>

<template>
  <section class="press">
    <div class="head">
      <h3>{{ title }}</h3>
      <AddDevice :devices="others" @add="pick($event, 0)" />
    </div>
    <p v-if="rows.length === 0" class="none">Nothing yet. Add the first device it should change.</p>
    <ol>
      <RecallRow
        v-for="row in rows"
        :key="row.device.id"
        :rig="rig"
        :device="row.device"
        :index="row.preset.index"
        :controller="controller"
        :is-first="row.at === 0"
        :is-last="row.at === rows.length - 1"
        @pick="pick(row.device, $event)"
        @move="rigs.edit(moveRecall(rig, footswitch!.id, position, row.at, row.at + $event))"
        @remove="rigs.edit(removeRecall(rig, footswitch!.id, position, row.at))"
      />
    </ol>
    <WireList v-if="footswitch && rows.length > 0" :rig="rig" :footswitch="footswitch" :position="position" />
  </section>
</template>

<style scoped>
.press {
  display: grid;
  gap: 6px;
}

.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.none {
  color: var(--ink-soft);
}
</style>
