<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { hexOf, readBytes } from '#core/midi'
import type { ActionOf, Rig } from '#core/rig'
import { channelText, messageText } from '#shared/words/messages'
import { hexRefusalText } from '~/text/refusals'
import DeviceField from './DeviceField.vue'

/** Messages as bytes, said back in plain words; bytes that are no whole messages stay, with the reason. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'raw'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'raw'>] }>()

const id = useId()
const draft = ref(action.hex)
watch(
  () => action.hex,
  (hex) => {
    draft.value = hex
  },
)
const read = computed(() => readBytes(draft.value))
const said = computed(() =>
  read.value.ok
    ? read.value.value.messages.map((one) => `${messageText(one)}, ${channelText(one)}`).join('; ')
    : hexRefusalText(read.value.refusal),
)

function take(): void {
  if (!read.value.ok) return
  const hex = hexOf(read.value.value.bytes)
  draft.value = hex
  if (hex !== action.hex) emit('change', { ...action, hex })
}

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <DeviceField
      :rig="rig"
      :value="action.deviceId"
      @choose="emit('change', { ...action, deviceId: $event })"
    />
    <div class="field">
      <label :for="id">Bytes, two hexadecimal digits each</label>
      <InputText
        :id="id"
        v-model="draft"
        class="mono"
        :invalid="!read.ok"
        :aria-describedby="`${id}-said`"
        fluid
        @blur="take"
        @keydown.enter="take"
        @keydown.escape="draft = action.hex"
      />
      <p :id="`${id}-said`" :class="read.ok ? 'soft' : 'fault'" role="status">{{ said }}</p>
    </div>
  </div>
</template>

<style scoped>
p {
  font-size: 12px;
  overflow-wrap: anywhere;
}

.fault {
  color: var(--error);
}
</style>
