<script setup lang="ts">
import type { ActionOf, Control, Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ValueField from './ValueField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** A named state of a device. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'scene'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'scene'>] }>()

const MOVES = [
  { value: 'to', text: 'this one' },
  { value: 'next', text: 'the next' },
  { value: 'previous', text: 'the previous' },
] as const

const isNamed = (control: Control) => control.reading.kind === 'named'

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ControlField
      :rig="rig"
      :value="action.controlId"
      :only="isNamed"
      @choose="emit('change', { ...action, controlId: $event, value: 0 })"
    />
    <ChoiceField
      label="Which"
      :value="action.move"
      :choices="MOVES"
      @choose="emit('change', { ...action, move: $event })"
    />
    <ValueField
      v-if="action.move === 'to'"
      :rig="rig"
      :control-id="action.controlId"
      label="Scene"
      :value="action.value"
      @take="emit('change', { ...action, value: $event })"
    />
  </div>
</template>
