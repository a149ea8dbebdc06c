<script setup lang="ts">
import type { Saving } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { SAVING_TEXT } from '~/text/saving'

const { saving } = defineProps<{ saving: Saving }>()
const emit = defineEmits<{ change: [saving: Saving] }>()

const CHOICES = (['itself', 'explicit', 'powerOff'] as const).map((value) => ({
  value,
  text: SAVING_TEXT[value],
}))
</script>

<template>
  <ChoiceField
    label="Keeps what is set"
    :value="saving.how"
    :choices="CHOICES"
    @choose="emit('change', { ...saving, how: $event })"
  />
  <CheckField
    label="Calling another preset loses edits not saved"
    :value="saving.losesEdits"
    @take="emit('change', { ...saving, losesEdits: $event })"
  />
</template>
