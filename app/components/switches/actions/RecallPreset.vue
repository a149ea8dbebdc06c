<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { own } from '#core/base'
import {
  BLANK_PRESET,
  change,
  findPreset,
  type ActionOf,
  type Change,
  type Controller,
  type PresetId,
  type Rig,
} from '#core/rig'
import { controllerShows, sentText } from '~/text/presets'
import PresetPicker from '../PresetPicker.vue'

/** A preset recalled on one device: by its own number or name. One with no row yet is made. */
const { rig, action, controller } = defineProps<{
  rig: Rig
  action: ActionOf<'recallPreset'>
  controller: Controller | null
}>()
const emit = defineEmits<{ change: [action: ActionOf<'recallPreset'>, first?: readonly Change[]] }>()

const preset = computed(() => own(rig.presets, action.presetId))
const device = computed(() => own(rig.devices, preset.value?.deviceId ?? ''))

function pick(index: number): void {
  if (!device.value) return
  const known = findPreset(rig, device.value.id, index)
  const row = known ?? { ...BLANK_PRESET, id: nanoid(12) as PresetId, deviceId: device.value.id, index }
  emit('change', { ...action, presetId: row.id }, known ? [] : [change('presets', row.id, null, row)])
}

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <div v-if="preset && device" class="choice">
      <PresetPicker :rig="rig" :device="device" :index="preset.index" @pick="pick" />
      <p class="numbers mono">
        <span class="program">{{ sentText(device, preset.index) }}</span>
        <span v-if="controller" v-tooltip.left="'What the controller shows for this program'" class="shows">
          shows {{ controllerShows(controller, device, preset.index) }}
        </span>
      </p>
    </div>
  </div>
</template>

<style scoped>
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
