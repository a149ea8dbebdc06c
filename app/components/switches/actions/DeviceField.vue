<script setup lang="ts">
import { computed } from 'vue'
import { inOrder, receivers, type Device, type DeviceId, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** One of the devices that answer to messages. */
const { rig, value, only } = defineProps<{
  rig: Rig
  value: DeviceId
  /** In place of those that answer to messages. */
  only?: (device: Device) => boolean
}>()
const emit = defineEmits<{ choose: [deviceId: DeviceId] }>()

const choices = computed(() =>
  (only ? inOrder(rig.devices).filter(only) : receivers(rig)).map(({ id, name }) => ({
    value: id as string,
    text: name,
  })),
)
</script>

<template>
  <ChoiceField
    label="Device"
    :value="value as string"
    :choices="choices"
    @choose="emit('choose', $event as DeviceId)"
  />
</template>
