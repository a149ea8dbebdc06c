<script setup lang="ts">
import type { U7 } from '#core/base'
import type { ActionOf, Rig } from '#core/rig'
import DeviceField from './DeviceField.vue'
import NumberField from '~/components/common/NumberField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** A note on a device. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'note'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'note'>] }>()

const DOES = [
  { value: 'strike', text: 'struck, let go after' },
  { value: 'on', text: 'on' },
  { value: 'off', text: 'off' },
] as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <DeviceField
      :rig="rig"
      :value="action.deviceId"
      @choose="emit('change', { ...action, deviceId: $event })"
    />
    <NumberField
      label="Note number (60 is middle C)"
      :value="action.note"
      :min="0"
      :max="127"
      @take="emit('change', { ...action, note: $event as U7 })"
    />
    <NumberField
      label="Velocity"
      :value="action.velocity"
      :min="0"
      :max="127"
      @take="emit('change', { ...action, velocity: $event as U7 })"
    />
    <ChoiceField
      label="It is"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { ...action, does: $event })"
    />
    <NumberField
      v-if="action.does === 'strike'"
      label="For"
      suffix=" ms"
      :value="action.ms"
      :min="1"
      :max="60000"
      @take="emit('change', { ...action, ms: $event })"
    />
  </div>
</template>
