<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'

/** The shift layer. */
const { action } = defineProps<{ rig: Rig; action: ActionOf<'layer'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'layer'>] }>()

const DOES = [
  { value: 'hold', text: 'while the foot is down' },
  { value: 'change', text: 'until the same again' },
  { value: 'shift', text: 'from now on' },
  { value: 'base', text: 'back to the base layer' },
] as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField
      label="The shift layer"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { ...action, does: $event })"
    />
    <p class="soft">On the shift layer this switch is there too, to come back.</p>
  </div>
</template>
