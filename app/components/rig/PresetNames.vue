<script setup lang="ts">
import RemoveUsed from '~/components/common/RemoveUsed.vue'
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import {
  addRow,
  BLANK_PRESET,
  editRow,
  findPreset,
  formatDisplay,
  parseDisplay,
  removeRow,
  type Device,
  type PresetId,
  type Rig,
} from '#core/rig'
import { useRigStore } from '~/stores/rig'
import { displayRefusalText } from '~/text/refusals'
import { sentText } from '~/text/presets'

/** The presets of a device that have a name or are used, by the device's own number. */
const { rig, device } = defineProps<{ rig: Rig; device: Device }>()

const rigs = useRigStore()
const rows = computed(() =>
  Object.values(rig.presets)
    .filter(({ deviceId }) => deviceId === device.id)
    .sort((a, b) => a.index - b.index),
)
const number = ref('')
const name = ref('')
const fault = ref('')

function add(): void {
  const parsed = parseDisplay(device.numbering, number.value)
  fault.value = parsed.ok ? '' : displayRefusalText(parsed.refusal, device.name)
  if (!parsed.ok) return
  const there = findPreset(rig, device.id, parsed.value)
  const made = there
    ? editRow(rig, 'namePreset', 'presets', there.id, { name: name.value.trim() })
    : addRow('addPreset', 'presets', {
        ...BLANK_PRESET,
        id: nanoid(12) as PresetId,
        deviceId: device.id,
        index: parsed.value,
        name: name.value.trim(),
      })
  if (!rigs.edit(made)) return
  number.value = ''
  name.value = ''
}
</script>

<template>
  <section>
    <ul v-if="rows.length > 0" class="list">
      <li v-for="row in rows" :key="row.id">
        <b class="mono">{{ formatDisplay(device.numbering, row.index) }}</b>
        <InputText
          :model-value="row.name"
          :aria-label="`Name of preset ${formatDisplay(device.numbering, row.index)}`"
          maxlength="60"
          size="small"
          fluid
          @change="
            rigs.edit(
              editRow(rig, 'namePreset', 'presets', row.id, {
                name: ($event.target as HTMLInputElement).value.trim(),
              }),
            )
          "
        />
        <span class="mono program">{{ sentText(device, row.index) }}</span>
        <RemoveUsed
          :id="row.id"
          :rig="rig"
          table="presets"
          :label="`Forget preset ${formatDisplay(device.numbering, row.index)}, also on switches`"
          small
          @remove="rigs.edit(removeRow(rig, 'removePreset', 'presets', row.id))"
        />
      </li>
    </ul>
    <p v-else class="soft">None yet. Name the ones you use.</p>
    <form @submit.prevent="add">
      <InputText
        v-model="number"
        aria-label="Number of the preset, as the device shows it"
        :placeholder="formatDisplay(device.numbering, 0)"
        size="small"
        class="mono number"
      />
      <InputText
        v-model="name"
        aria-label="Name of the preset"
        placeholder="Name"
        maxlength="60"
        size="small"
        fluid
      />
      <Button
        type="submit"
        label="Add"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="number.trim() === ''"
      />
    </form>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}

.list {
  display: grid;
  gap: 3px;
  max-height: 190px;
  overflow: auto;
}

li {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) 108px 24px;
  align-items: center;
  gap: 6px;
}

li .program {
  font-size: 12px;
  white-space: nowrap;
}

form {
  display: flex;
  gap: 6px;
}

.number {
  flex: none;
  width: 64px;
}
</style>
