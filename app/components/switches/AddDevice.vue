<script setup lang="ts">
import Select from 'primevue/select'
import { ref } from 'vue'
import type { Device } from '#core'

/** Picks one of the devices not on this press yet. */
const { devices } = defineProps<{ devices: readonly Device[] }>()
const emit = defineEmits<{ add: [device: Device] }>()

const chosen = ref<Device | null>(null)

function add(device: Device): void {
  chosen.value = null
  emit('add', device)
}
</script>

<template>
  <Select
    v-if="devices.length > 0"
    :model-value="chosen"
    :options="[...devices]"
    option-label="name"
    placeholder="Add a device"
    aria-label="Add a device to this press"
    :filter="devices.length > 8"
    size="small"
    @update:model-value="add"
  />
</template>
