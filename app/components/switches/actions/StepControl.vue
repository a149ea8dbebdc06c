<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ValueField from './ValueField.vue'
import NumberField from '~/components/common/NumberField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** A control put a step further. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'stepControl'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'stepControl'>] }>()

const ENDS = [
  { value: 'wrap', text: 'goes round' },
  { value: 'stop', text: 'stops' },
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
    <NumberField
      label="Steps of the value sent, less than 0 for down"
      :value="action.by"
      :min="-127"
      :max="127"
      @take="emit('change', { ...action, by: $event })"
    />
    <ValueField
      :rig="rig"
      :control-id="action.controlId"
      label="Starts from"
      :value="action.from"
      @take="emit('change', { ...action, from: $event })"
    />
    <ValueField
      :rig="rig"
      :control-id="action.controlId"
      label="Ends at"
      :value="action.to"
      @take="emit('change', { ...action, to: $event })"
    />
    <ChoiceField
      label="At the end"
      :value="action.atEnd"
      :choices="ENDS"
      @choose="emit('change', { ...action, atEnd: $event })"
    />
  </div>
</template>
