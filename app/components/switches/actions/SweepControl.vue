<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ValueField from './ValueField.vue'
import NumberField from '~/components/common/NumberField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import CheckField from '~/components/common/CheckField.vue'

/** A control led from one value to another. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'sweepControl'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'sweepControl'>] }>()

const CURVES = [
  { value: 'straight', text: 'even' },
  { value: 'slowStart', text: 'slow at first' },
  { value: 'slowEnd', text: 'slow at the end' },
  { value: 'slowBoth', text: 'slow at both ends' },
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
    <CheckField
      label="From wherever it was sent last"
      :value="action.from === null"
      @take="emit('change', { ...action, from: $event ? null : 0 })"
    />
    <ValueField
      v-if="action.from !== null"
      :rig="rig"
      :control-id="action.controlId"
      label="From"
      :value="action.from"
      @take="emit('change', { ...action, from: $event })"
    />
    <ValueField
      :rig="rig"
      :control-id="action.controlId"
      label="To"
      :value="action.to"
      @take="emit('change', { ...action, to: $event })"
    />
    <NumberField
      label="In"
      :value="action.ms"
      :min="20"
      :max="60000"
      suffix=" ms"
      @take="emit('change', { ...action, ms: $event })"
    />
    <ChoiceField
      label="How it moves"
      :value="action.curve"
      :choices="CURVES"
      @choose="emit('change', { ...action, curve: $event })"
    />
    <p class="soft">The same step again while it moves stops it.</p>
  </div>
</template>
