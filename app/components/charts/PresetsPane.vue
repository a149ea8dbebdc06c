<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { fillPresets, nextFreePreset, unreachablePresets, usedPresets } from '#core/chart'
import { formatDisplay, parseDisplay, type Device, type PresetId, type Rig } from '#core/rig'
import { useRigStore } from '~/stores/rig'
import { PURPOSE_TEXT } from '~/text/charts'
import { sentText } from '~/text/presets'
import { displayRefusalText } from '~/text/refusals'
import VirtualRows from './VirtualRows.vue'

/** Every place of a device, with its name, what it is for, and whether the controller reaches it. */
const { rig, device, chosen } = defineProps<{ rig: Rig; device: Device; chosen: number | null }>()
const emit = defineEmits<{ choose: [index: number] }>()

const rigs = useRigStore()
const named = computed(
  () =>
    new Map(
      Object.values(rig.presets)
        .filter(({ deviceId }) => deviceId === device.id)
        .map((preset) => [preset.index, preset]),
    ),
)
const unreachable = computed(() => unreachablePresets(rig, device))
const WHY = { listStops: 'beyond the controller’s list', noBankSelect: 'needs bank select' }
const rows = computed(() =>
  Array.from({ length: device.numbering.count }, (_, index) => {
    const why = unreachable.value.find(({ from, to }) => index >= from && index <= to)?.why
    const preset = named.value.get(index) ?? null
    const isUnused = preset !== null && !usedPresets(rig).has(preset.id)
    return { index, preset, why: why ? WHY[why] : '', isUnused }
  }),
)

const [from, to, name] = [ref(''), ref(''), ref('')]
const fault = ref('')
function fill(): void {
  const [first, last] = [from.value, to.value || from.value].map((text) =>
    parseDisplay(device.numbering, text),
  )
  for (const one of [first!, last!])
    if (!one.ok) {
      fault.value = displayRefusalText(one.refusal, device.name)
      return
    }
  fault.value = ''
  if (first!.ok && last!.ok)
    rigs.edit(fillPresets(rig, device, first!.value, last!.value, name.value, () => nanoid(12) as PresetId))
}

function goToFree(): void {
  const free = nextFreePreset(rig, device, chosen ?? -1)
  if (free !== null) emit('choose', free)
}
</script>

<template>
  <div class="tools">
    <form @submit.prevent="fill">
      <InputText
        v-model="from"
        size="small"
        class="mono short"
        aria-label="Name presets from"
        :placeholder="formatDisplay(device.numbering, 0)"
      />
      to
      <InputText
        v-model="to"
        size="small"
        class="mono short"
        aria-label="Name presets up to"
        :placeholder="formatDisplay(device.numbering, device.numbering.count - 1)"
      />
      <InputText
        v-model="name"
        size="small"
        aria-label="Name for all of them; # becomes the number"
        placeholder="Name, # is the number"
        maxlength="60"
      />
      <Button
        type="submit"
        label="Name them"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="from.trim() === '' || name.trim() === ''"
      />
    </form>
    <button type="button" class="word" @click="goToFree">Next free one</button>
  </div>
  <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
  <VirtualRows :rows="rows" :height="29" :label="`Presets of ${device.name}`" :scroll-to="chosen ?? -1">
    <template #default="{ row }">
      <button
        type="button"
        class="line"
        :class="{ chosen: row.index === chosen, free: !row.preset }"
        :aria-pressed="row.index === chosen"
        @click="emit('choose', row.index)"
      >
        <b class="mono">{{ formatDisplay(device.numbering, row.index) }}</b>
        <span class="mono program">{{ sentText(device, row.index) }}</span>
        <span class="name">{{ row.preset ? row.preset.name || 'No name' : 'Free' }}</span>
        <span class="soft">{{ row.preset?.purpose ? PURPOSE_TEXT[row.preset.purpose] : '' }}</span>
        <span class="mono soft">{{ row.preset?.level ?? '' }}</span>
        <span v-if="row.why" class="why">{{ row.why }}</span>
        <span v-else class="soft unused">{{ row.isUnused ? 'no switch uses it' : '' }}</span>
      </button>
    </template>
  </VirtualRows>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 8px 0;
}

form {
  display: flex;
  align-items: center;
  gap: 6px;
}

.short {
  width: 62px;
}

.line {
  display: grid;
  grid-template-columns: 52px 110px minmax(0, 1fr) 110px 34px auto;
  align-items: center;
  gap: 10px;
  width: 100%;
  height: 28px;
  padding: 0 8px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  font-size: 13px;
}

.line:hover {
  background: var(--hover);
}

.line:focus-visible {
  outline-offset: -2px;
}

.chosen {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--ink);
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-weight: 600;
}

.free .name {
  font-weight: 400;
  color: var(--ink-faint);
}

.unused {
  font-size: 12px;
}

.why {
  font-size: 12px;
  color: var(--error);
}
</style>
