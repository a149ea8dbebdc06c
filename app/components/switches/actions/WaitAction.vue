<script setup lang="ts">
import type { ActionOf, Rig } from '#core/rig'
import NumberField from '~/components/common/NumberField.vue'

/** A pause in a list. */
const { action } = defineProps<{ rig: Rig; action: ActionOf<'wait'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'wait'>] }>()

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <NumberField
      label="For"
      :value="action.ms"
      :min="1"
      :max="10000"
      suffix=" ms"
      @take="emit('change', { ...action, ms: $event })"
    />
  </div>
</template>
