<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** A tuner. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'tuner'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'tuner'>] }>()

const DOES = [
  { value: 'on', text: 'on' },
  { value: 'off', text: 'off' },
  { value: 'change', text: 'on or off' },
] as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ControlField
      :rig="rig"
      :value="action.controlId"
      @choose="emit('change', { ...action, controlId: $event })"
    />
    <ChoiceField
      label="It is put"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { ...action, does: $event })"
    />
  </div>
</template>
