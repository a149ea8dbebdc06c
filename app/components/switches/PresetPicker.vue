<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { computed, ref, shallowRef, useId, watch } from 'vue'
import { findPreset, parseDisplay, type Device, type Rig } from '#core/rig'
import { displayRefusalText } from '~/text/refusals'
import { presetChoice, presetChoices, type PresetChoice } from './presetChoices'

/** Chooses a preset of a device by its own number or by name; what cannot be read stays, with the reason. */
const { rig, device, index } = defineProps<{ rig: Rig; device: Device; index: number }>()
const emit = defineEmits<{ pick: [index: number] }>()

const id = useId()
const choices = shallowRef<PresetChoice[]>([])
const current = computed(() => presetChoice(device, index, findPreset(rig, device.id, index)?.name ?? ''))
const draft = ref<PresetChoice | string>(current.value)
const fault = ref('')
watch(current, (now) => {
  draft.value = now
  fault.value = ''
})

function take(choice: PresetChoice): void {
  fault.value = ''
  if (choice.index === index) draft.value = current.value
  else emit('pick', choice.index)
}

/** The field was left, or Enter pressed, with text in it and nothing picked from the list. */
function takeText(): void {
  if (typeof draft.value !== 'string') return
  const text = draft.value.trim()
  const [only, ...others] = presetChoices(rig, device, text).filter(
    ({ name }) => name.toLowerCase() === text.toLowerCase(),
  )
  const parsed = parseDisplay(device.numbering, text)
  if (parsed.ok) take(presetChoice(device, parsed.value, ''))
  else if (only && others.length === 0) take(only)
  else fault.value = displayRefusalText(parsed.refusal, device.name)
}
</script>

<template>
  <div class="picker">
    <AutoComplete
      v-model="draft"
      :suggestions="choices"
      option-label="text"
      dropdown
      complete-on-focus
      :delay="0"
      :min-length="0"
      :invalid="fault !== ''"
      :aria-label="`${device.name} preset`"
      :input-props="{ 'aria-describedby': fault ? `${id}-fault` : undefined }"
      fluid
      :pt="{ dropdown: { 'aria-label': `All presets of ${device.name}` } }"
      @complete="choices = presetChoices(rig, device, $event.query === current.text ? '' : $event.query)"
      @option-select="take($event.value)"
      @blur="takeText"
      @keydown.enter="takeText"
    >
      <template #option="{ option }">
        <span class="mono display">{{ option.display }}</span>
        <span class="name">{{ option.name || 'no name yet' }}</span>
        <span class="mono sent">{{ option.sent }}</span>
      </template>
    </AutoComplete>
    <p v-if="fault" :id="`${id}-fault`" class="fault" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
.picker {
  min-width: 0;
}

.display {
  width: 44px;
  font-weight: 600;
}

.name {
  flex: 1;
}

.sent {
  font-size: 12px;
}

.fault {
  padding-top: 3px;
  color: var(--error);
  font-size: 12px;
}
</style>
