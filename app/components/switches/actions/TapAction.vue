<script setup lang="ts">
import { tapMeaning, type ActionOf, type Control, type Rig } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import ControlField from './ControlField.vue'

/** A tap of the tempo. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'tap'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'tap'>] }>()

/** What a looper records by is no tap of the tempo. */
const canTap = (control: Control) =>
  control.reading.kind !== 'range' &&
  control.reading.kind !== 'named' &&
  (tapMeaning(rig, control) !== 'looper' || control.id === action.controlId)

function tell(isTold: boolean): void {
  const first = Object.values(rig.controls).find((one) => tapMeaning(rig, one) === 'tempo' && canTap(one))
  emit('change', { ...action, controlId: isTold ? (first?.id ?? null) : null })
}

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <CheckField label="A device hears the tap too" :value="action.controlId !== null" @take="tell" />
    <ControlField
      v-if="action.controlId !== null"
      :rig="rig"
      :value="action.controlId"
      :only="canTap"
      @choose="emit('change', { ...action, controlId: $event })"
    />
    <p class="soft">"Tap" in a looper's part of a chart is not the tempo.</p>
  </div>
</template>
