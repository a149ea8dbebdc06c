<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import NumberField from '~/components/common/NumberField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** The tempo the controller keeps. */
const { action } = defineProps<{ rig: Rig; action: ActionOf<'tempo'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'tempo'>] }>()

const DOES = [
  { value: 'set', text: 'set to' },
  { value: 'nudge', text: 'faster or slower by' },
  { value: 'stored', text: 'back to what song or sound stored' },
] as const

const FIRST = { set: 120, nudge: 1, stored: 0 } as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField
      label="The tempo is"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { does: $event, kind: 'tempo', bpm: FIRST[$event] })"
    />
    <NumberField
      v-if="action.does !== 'stored'"
      label="Beats a minute"
      :value="action.bpm"
      :min="action.does === 'set' ? 20 : -100"
      :max="action.does === 'set' ? 400 : 100"
      :decimals="1"
      @take="emit('change', { ...action, bpm: $event })"
    />
  </div>
</template>
