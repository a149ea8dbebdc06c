<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ValueField from './ValueField.vue'

/** Two values of a control in turn. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'alternateControl'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'alternateControl'>] }>()

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ControlField
      :rig="rig"
      :value="action.controlId"
      @choose="emit('change', { ...action, controlId: $event, a: 127, b: 0 })"
    />
    <ValueField
      :rig="rig"
      :control-id="action.controlId"
      label="First"
      :value="action.a"
      @take="emit('change', { ...action, a: $event })"
    />
    <ValueField
      :rig="rig"
      :control-id="action.controlId"
      label="Then"
      :value="action.b"
      @take="emit('change', { ...action, b: $event })"
    />
  </div>
</template>
