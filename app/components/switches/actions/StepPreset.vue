<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { own } from '#core/base'
import { formatDisplay, parseDisplay, type ActionOf, type DeviceId, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { displayRefusalText } from '~/text/refusals'
import DeviceField from './DeviceField.vue'

/** The next or previous preset of a device, in a range or a list of its own numbers. */
const { rig, action } = defineProps<{ rig: Rig; action: ActionOf<'stepPreset'> }>()
const emit = defineEmits<{ change: [action: ActionOf<'stepPreset'>] }>()

const id = useId()
const device = computed(() => own(rig.devices, action.deviceId))
const shown = computed(() => {
  if (!device.value) return ''
  const { numbering } = device.value
  const of = (index: number) => formatDisplay(numbering, Math.min(index, numbering.count - 1))
  return action.list.length > 0 ? action.list.map(of).join(', ') : `${of(action.from)} to ${of(action.to)}`
})
const draft = ref(shown.value)
const fault = ref('')
watch(shown, (now) => {
  draft.value = now
  fault.value = ''
})

function take(): void {
  if (!device.value || draft.value.trim() === shown.value) return
  const range = /^(.+?)\s+to\s+(.+)$/i.exec(draft.value.trim())
  const words = range ? [range[1]!, range[2]!] : draft.value.split(/[\s,;]+/).filter((word) => word !== '')
  const indexes: number[] = []
  for (const word of words) {
    const read = parseDisplay(device.value.numbering, word)
    if (!read.ok) {
      fault.value = displayRefusalText(read.refusal, device.value.name)
      return
    }
    indexes.push(read.value)
  }
  fault.value = ''
  if (range) emit('change', { ...action, from: indexes[0]!, to: indexes[1]!, list: [] })
  else if (indexes.length > 0) emit('change', { ...action, list: indexes })
}

const of = (deviceId: DeviceId) => {
  const count = own(rig.devices, deviceId)?.numbering.count ?? 1
  emit('change', { ...action, deviceId, from: 0, to: count - 1, list: [] })
}

const WAYS = [
  { value: 1, text: 'the next' },
  { value: -1, text: 'the previous' },
] as const
const ENDS = [
  { value: 'wrap', text: 'goes round' },
  { value: 'stop', text: 'stops' },
] as const

defineOptions({ inheritAttrs: false })
</script>

<template>
  <div class="fields">
    <DeviceField :rig="rig" :value="action.deviceId" @choose="of" />
    <ChoiceField
      label="Preset"
      :value="action.by"
      :choices="WAYS"
      @choose="emit('change', { ...action, by: $event })"
    />
    <div class="field">
      <label :for="id">Among, as the device shows them: "1 to 8", or "3, 7, 12"</label>
      <InputText
        :id="id"
        v-model="draft"
        :invalid="fault !== ''"
        :aria-describedby="`${id}-fault`"
        fluid
        @blur="take"
        @keydown.enter="take"
        @keydown.escape="draft = shown"
      />
      <p :id="`${id}-fault`" class="fault" role="status">{{ fault }}</p>
    </div>
    <ChoiceField
      label="At the end"
      :value="action.atEnd"
      :choices="ENDS"
      @choose="emit('change', { ...action, atEnd: $event })"
    />
  </div>
</template>

<style scoped>
.fault {
  color: var(--error);
  font-size: 12px;
}
</style>
