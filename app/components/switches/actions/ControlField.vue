<script setup lang="ts">
import Select from 'primevue/select'
import { computed, useId } from 'vue'
import { own } from '#core/base'
import { inOrder, tapMeaning, type Control, type ControlId, type Rig } from '#core/rig'

/** One of the controls in the devices' charts. */
const {
  rig,
  value,
  only = () => true,
  label = 'Control',
} = defineProps<{
  rig: Rig
  value: ControlId | null
  only?: (control: Control) => boolean
  label?: string
}>()
const emit = defineEmits<{ choose: [controlId: ControlId] }>()

const id = useId()
/** Tap tempo and a looper's tap are told apart wherever one can be chosen. */
const TAP_TEXT = { tempo: ' (tempo)', looper: ' (looper)', none: '' } as const
const choices = computed(() =>
  inOrder(rig.devices).flatMap((device) =>
    Object.values(rig.controls)
      .filter((control) => control.deviceId === device.id && control.kind !== 'reserved' && only(control))
      .sort((a, b) => a.order - b.order)
      .map((control) => ({
        id: control.id,
        text: `${own(rig.devices, control.deviceId)?.name}: ${control.name}${TAP_TEXT[tapMeaning(rig, control) ?? 'none']}`,
      })),
  ),
)
</script>

<template>
  <div class="field">
    <label :id="`${id}-label`" :for="id">{{ label }}</label>
    <Select
      :input-id="id"
      :aria-labelledby="`${id}-label`"
      :model-value="value"
      :options="choices"
      option-label="text"
      option-value="id"
      :filter="choices.length > 8"
      :virtual-scroller-options="choices.length > 60 ? { itemSize: 34 } : undefined"
      fluid
      @update:model-value="emit('choose', $event)"
    />
  </div>
</template>
