<script setup lang="ts">
import { computed } from 'vue'
import { receivers, type DeviceId, type Rig } from '#core'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** One of the devices that answer to messages. */
const { rig, value } = defineProps<{ rig: Rig; value: DeviceId }>()
const emit = defineEmits<{ choose: [deviceId: DeviceId] }>()

const choices = computed(() => receivers(rig).map(({ id, name }) => ({ value: id as string, text: name })))
</script>

<template>
  <ChoiceField
    label="Device"
    :value="value as string"
    :choices="choices"
    @choose="emit('choose', $event as DeviceId)"
  />
</template>
