<script setup lang="ts">
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { receivers, type Action, type DeviceId, type Rig } from '#core/rig'
import { startingActions } from '#core/switching'
import { actionName } from '#shared/actions'

/** For who would rather choose than type: a preset of a device, or an action of any other kind. */
const { rig } = defineProps<{ rig: Rig }>()
const emit = defineEmits<{ device: [deviceId: DeviceId]; action: [action: Action] }>()

type Choice = { readonly text: string; readonly deviceId?: DeviceId; readonly action?: Action }

const groups = computed(() =>
  [
    {
      text: 'Preset of',
      items: receivers(rig).map(({ id, name }): Choice => ({ text: name, deviceId: id })),
    },
    {
      text: 'Other',
      items: startingActions(rig).map((action): Choice => ({ text: actionName(action.kind), action })),
    },
  ].filter(({ items }) => items.length > 0),
)
const chosen = ref<Choice | null>(null)

function take(choice: Choice): void {
  chosen.value = null
  if (choice.deviceId) emit('device', choice.deviceId)
  if (choice.action) emit('action', choice.action)
}
</script>

<template>
  <Select
    :model-value="chosen"
    :options="groups"
    option-label="text"
    option-group-label="text"
    option-group-children="items"
    placeholder="Choose"
    aria-label="Add a device or another action"
    size="small"
    @update:model-value="take"
  />
</template>
