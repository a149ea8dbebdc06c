<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ValueField from './ValueField.vue'

/** A control put at a value. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'setControl'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'setControl'>] }>()

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ControlField
      :rig="rig"
      :value="action.controlId"
      @choose="emit('change', { ...action, controlId: $event, value: 0 })"
    />
    <ValueField
      :rig="rig"
      :control-id="action.controlId"
      label="Value"
      :value="action.value"
      @take="emit('change', { ...action, value: $event })"
    />
  </div>
</template>
