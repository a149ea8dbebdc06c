<script setup lang="ts">
import { ArrowDown, ArrowUp, X } from '@lucide/vue'
import type { Controller, Device, Rig } from '#core'
import { controllerShows, sentText } from '~/text/presets'
import IconButton from '~/components/common/IconButton.vue'
import PresetPicker from '../PresetPicker.vue'

const { rig, device, index, controller, isFirst, isLast } = defineProps<{
  rig: Rig
  device: Device
  index: number
  controller: Controller
  isFirst: boolean
  isLast: boolean
}>()
const emit = defineEmits<{ pick: [index: number]; move: [by: 1 | -1]; remove: [] }>()
</script>

<template>
  <li class="row">
    <div class="top">
      <span class="device">{{ device.name }}</span>
      <span class="chip">{{
        typeof device.channel === 'number' ? `ch ${device.channel}` : device.channel
      }}</span>
      <span class="tools">
        <IconButton
          :icon="ArrowUp"
          :name="`Send ${device.name} earlier`"
          :disabled="isFirst"
          @click="emit('move', -1)"
        />
        <IconButton
          :icon="ArrowDown"
          :name="`Send ${device.name} later`"
          :disabled="isLast"
          @click="emit('move', 1)"
        />
        <IconButton :icon="X" :name="`Take ${device.name} off this press`" @click="emit('remove')" />
      </span>
    </div>
    <div class="choice">
      <PresetPicker :rig="rig" :device="device" :index="index" @pick="emit('pick', $event)" />
      <p class="numbers mono">
        <span class="program">{{ sentText(device, index) }}</span>
        <span v-tooltip.left="'What the controller shows for this program'" class="shows">
          shows {{ controllerShows(controller, device, index) }}
        </span>
      </p>
    </div>
  </li>
</template>

<style scoped>
.row {
  padding: 5px 0 7px;
  border-bottom: 1px solid var(--line);
}

.top {
  display: flex;
  align-items: center;
  gap: 8px;
  padding-bottom: 3px;
}

.device {
  min-width: 0;
  overflow-wrap: anywhere;
  font-weight: 700;
}

.tools {
  display: flex;
  margin-left: auto;
}

.choice {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 104px;
  gap: 10px;
}

.numbers {
  display: grid;
  align-content: center;
  font-size: 12px;
  line-height: 1.3;
  font-weight: 600;
}

.shows {
  color: var(--ink-faint);
  font-weight: 400;
}
</style>
