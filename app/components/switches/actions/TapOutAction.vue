<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import DeviceField from './DeviceField.vue'

/** The tempo of now, tapped out to a device that takes taps. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'tapOut'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'tapOut'>] }>()

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <DeviceField
      :rig="rig"
      :value="action.deviceId"
      :only="({ tapIn }) => tapIn !== null"
      @choose="emit('change', { ...action, deviceId: $event })"
    />
    <p class="soft">
      As many taps as it needs, in the tempo that holds then. Tempo says how long that takes.
    </p>
  </div>
</template>
