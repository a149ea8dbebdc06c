<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import {
  moveRecall,
  own,
  removeRecall,
  setRecall,
  type ActionOf,
  type Controller,
  type PresetId,
  type Rig,
  type SwitchSlot,
} from '#core'
import { useRigStore } from '~/stores/rig'
import RecallRow from './RecallRow.vue'

/** A preset recalled on one device. */
const { rig, action, place, position, at, last, controller } = defineProps<{
  rig: Rig
  action: ActionOf<'recallPreset'>
  place: SwitchSlot
  switchId: string
  position: number
  at: number
  last: number
  controller: Controller
}>()

const rigs = useRigStore()
const preset = computed(() => own(rig.presets, action.presetId))
const device = computed(() => own(rig.devices, preset.value?.deviceId ?? ''))

const pick = (index: number) =>
  device.value &&
  rigs.edit(
    setRecall(rig, place, position, {
      deviceId: device.value.id,
      index,
      newPresetId: nanoid(12) as PresetId,
    }),
  )
</script>

<template>
  <RecallRow
    v-if="preset && device"
    :rig="rig"
    :device="device"
    :index="preset.index"
    :controller="controller"
    :is-first="at === 0"
    :is-last="at === last"
    @pick="pick"
    @move="rigs.edit(moveRecall(rig, switchId as never, position, at, at + $event))"
    @remove="rigs.edit(removeRecall(rig, switchId as never, position, at))"
  />
</template>
