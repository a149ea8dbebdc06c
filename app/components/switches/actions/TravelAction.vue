<script setup lang="ts">
import { computed } from 'vue'
import { byIndex, type ActionOf, type BankId, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { bankText } from '#shared/actions/travel'

/** To another bank. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'travel'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'travel'>] }>()

const banks = computed(() =>
  byIndex(rig.banks).map(({ id }) => ({ value: id as string, text: bankText(rig, id) })),
)

const TO = [
  { value: 'next', text: 'the next bank' },
  { value: 'previous', text: 'the previous bank' },
  { value: 'bank', text: 'this bank' },
  { value: 'back', text: 'the one before' },
  { value: 'home', text: 'home' },
  { value: 'page', text: 'the next page of this bank' },
] as const

const go = (to: ActionOf<'travel'>['to']) =>
  emit('change', {
    ...action,
    to,
    bankId: to === 'bank' ? (action.bankId ?? ((banks.value[0]?.value ?? null) as BankId | null)) : null,
  })

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField label="To" :value="action.to" :choices="TO" @choose="go" />
    <ChoiceField
      v-if="action.to === 'bank' && action.bankId"
      label="Bank"
      :value="action.bankId as string"
      :choices="banks"
      @choose="emit('change', { ...action, bankId: $event as BankId })"
    />
  </div>
</template>
