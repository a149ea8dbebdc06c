<script setup lang="ts">
import { X } from '@lucide/vue'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { own } from '#core/base'
import { controlsOf } from '#core/chart'
import { highestValue, shownText, valueFor, type Control, type Rig, type SetValue } from '#core/rig'
import IconButton from '~/components/common/IconButton.vue'
import { addressText, shownRefusalText } from '~/text/charts'

/** Controls of a device at values, in its own terms. */
const { rig, deviceId, values, label } = defineProps<{
  rig: Rig
  deviceId: string
  values: readonly SetValue[]
  label: string
}>()
const emit = defineEmits<{ change: [values: SetValue[]] }>()

const fault = ref('')
const lines = computed(() =>
  values.flatMap(({ controlId, value }) => {
    const control = own(rig.controls, controlId)
    return control
      ? [{ control, text: shownText(control.reading, value, highestValue(control.address)) }]
      : []
  }),
)
const others = computed(() =>
  controlsOf(rig, deviceId)
    .filter(({ id }) => !values.some(({ controlId }) => controlId === id))
    .map((control) => ({ control, text: `${control.name}  ${addressText(control.address)}` })),
)

function take(control: Control, event: Event): void {
  const input = event.target as HTMLInputElement
  const value = valueFor(control.reading, input.value, highestValue(control.address))
  fault.value = value.ok ? '' : shownRefusalText(value.refusal)
  if (value.ok)
    emit(
      'change',
      values.map((one) => (one.controlId === control.id ? { ...one, value: value.value } : one)),
    )
}
const add = (control: Control) => emit('change', [...values, { controlId: control.id, value: 0 }])
const drop = (control: Control) =>
  emit(
    'change',
    values.filter(({ controlId }) => controlId !== control.id),
  )
</script>

<template>
  <div class="values" role="group" :aria-label="label">
    <ul>
      <li v-for="{ control, text } in lines" :key="control.id">
        <span class="name"
          >{{ control.name }} <span class="mono soft">{{ addressText(control.address) }}</span></span
        >
        <InputText
          :model-value="text"
          size="small"
          :aria-label="`${control.name}, ${label}`"
          class="value mono"
          @change="take(control, $event)"
        />
        <IconButton :icon="X" :name="`Take ${control.name} out`" @click="drop(control)" />
      </li>
    </ul>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <Select
      v-if="others.length > 0"
      :model-value="null"
      :options="others"
      option-label="text"
      placeholder="Add a control"
      :aria-label="`Add a control to ${label}`"
      :filter="others.length > 8"
      size="small"
      @update:model-value="add($event.control)"
    />
  </div>
</template>

<style scoped>
.values {
  display: grid;
  gap: 6px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 104px 24px;
  align-items: center;
  gap: 6px;
  padding: 2px 0;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.value {
  width: 104px;
}

.soft {
  font-size: 12px;
  color: var(--ink-soft);
}
</style>
