<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** MIDI clock. */
const { action } = defineProps<{ rig: Rig; action: ActionOf<'clock'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'clock'>] }>()

const DOES = [
  { value: 'start', text: 'started' },
  { value: 'stop', text: 'stopped' },
  { value: 'continue', text: 'continued' },
  { value: 'change', text: 'started or stopped' },
] as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField
      label="The clock is"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { ...action, does: $event })"
    />
  </div>
</template>
