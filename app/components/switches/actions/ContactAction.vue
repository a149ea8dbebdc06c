<script setup lang="ts">
import { computed } from 'vue'
import { contactsOf, inOrder, type ActionOf, type DeviceId, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NumberField from '~/components/common/NumberField.vue'

/** A contact of a switching output. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'contact'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'contact'>] }>()

const contacts = computed(() =>
  inOrder(rig.devices).flatMap((device) =>
    contactsOf(rig, device)
      .filter(({ output }) => output !== null)
      .map(({ id, name }) => ({ value: `${device.id}/${id}`, text: `${device.name}: ${name}` })),
  ),
)

function pick(key: string): void {
  const [deviceId = '', contactId = ''] = key.split('/')
  emit('change', { ...action, deviceId: deviceId as DeviceId, contactId })
}

const DOES = [
  { value: 'close', text: 'closed, and kept so' },
  { value: 'open', text: 'open, and kept so' },
  { value: 'change', text: 'changed over' },
  { value: 'pulse', text: 'closed and opened' },
] as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <ChoiceField
      label="Contact"
      :value="`${action.deviceId}/${action.contactId}`"
      :choices="contacts"
      @choose="pick"
    />
    <ChoiceField
      label="It is"
      :value="action.does"
      :choices="DOES"
      @choose="emit('change', { ...action, does: $event })"
    />
    <template v-if="action.does === 'pulse'">
      <NumberField
        label="How often"
        :value="action.times"
        :min="1"
        :max="16"
        @take="emit('change', { ...action, times: $event })"
      />
      <NumberField
        label="Closed for"
        suffix=" ms"
        :value="action.closedMs"
        :min="1"
        :max="2000"
        @take="emit('change', { ...action, closedMs: $event })"
      />
      <NumberField
        v-if="action.times > 1"
        label="One after"
        suffix=" ms"
        :value="action.everyMs"
        :min="2"
        :max="5000"
        @take="emit('change', { ...action, everyMs: $event })"
      />
    </template>
    <CautionLine caution="ampJack" />
  </div>
</template>
