<script setup lang="ts">
import { LOOPER_FUNCTIONS, tapMeaning, type ActionOf, type Rig } from '#core/rig'
import ControlField from './ControlField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { LOOPER_TEXT } from '#shared/actions/looper'

/** A function of a looper. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'looper'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'looper'>] }>()

const DOES = LOOPER_FUNCTIONS.map((value) => ({ value, text: LOOPER_TEXT[value] }))

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ControlField
      :rig="rig"
      :value="action.controlId"
      :only="(control) => tapMeaning(rig, control) !== 'tempo' || control.id === action.controlId"
      @choose="emit('change', { ...action, controlId: $event })"
    />
    <ChoiceField
      label="It does"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { ...action, does: $event })"
    />
  </div>
</template>
