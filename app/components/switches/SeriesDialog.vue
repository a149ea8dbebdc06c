<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import type { Controller, Footswitch, PresetId, Rig, SwitchSlot } from '#core/rig'
import { switchName } from '#core/sound'
import { copySeries, SERIES, type Series } from '#core/switching'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NumberField from '~/components/common/NumberField.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { switchLines } from './switchLines'

/** Copies of one switch onto those after it, each a step further: what each will do, and what it is put over. */
const isOpen = defineModel<boolean>({ required: true })
const { rig, source, slots, controller } = defineProps<{
  rig: Rig
  source: Footswitch
  /** The places behind it, in order. */
  slots: readonly SwitchSlot[]
  controller: Controller
}>()
const emit = defineEmits<{ made: [copies: readonly Footswitch[]] }>()

const rigs = useRigStore()
const series = ref<Series>('preset')
const wanted = ref(Math.min(3, slots.length))

const TEXT: Record<Series, string> = {
  same: 'the same each time',
  preset: 'next preset',
  sound: 'next sound',
  controller: 'next CC number',
  value: 'next value',
  channel: 'next channel (bytes only)',
}
const choices = SERIES.map((value) => ({ value, text: TEXT[value] }))
const ids = computed(() => slots.map(() => nanoid(12) as PresetId))
const plan = computed(() => {
  let n = 0
  return copySeries(
    rig,
    source,
    slots.slice(0, wanted.value),
    series.value,
    () => ids.value[n++ % ids.value.length] ?? (nanoid(12) as PresetId),
  )
})
/** What copies say can only be read once they are there. */
const after = computed(() => {
  const { edit } = plan.value
  if (!edit) return rig
  const presets = { ...rig.presets }
  for (const { table, id, after: row } of edit.changes)
    if (table === 'presets' && row) presets[id] = row as (typeof presets)[string]
  return { ...rig, presets }
})
const lines = computed(() =>
  plan.value.copies.map(({ slot, after: row, over }) => ({
    number: slot.number,
    does: switchLines(after.value, row, 0)
      .map(({ device, preset, sent }) => `${device} ${preset} ${sent}`.trim())
      .join('; '),
    over: over ? switchName(rig, over, controller) || 'what it does now' : '',
  })),
)

function make(): void {
  if (!rigs.edit(plan.value.edit)) return
  emit(
    'made',
    plan.value.copies.map(({ after: row }) => row),
  )
  isOpen.value = false
}
</script>

<template>
  <Dialog v-model:visible="isOpen" modal header="Copy with series" :style="{ width: 'min(560px, 94vw)' }">
    <div class="form">
      <ChoiceField label="From copy to copy" :value="series" :choices="choices" @choose="series = $event" />
      <NumberField
        label="Onto how many switches behind it"
        :value="wanted"
        :min="1"
        :max="Math.max(1, slots.length)"
        @take="wanted = $event"
      />
    </div>
    <p v-if="plan.missing > 0" class="warn" role="status">
      The series ends after {{ count(plan.copies.length, 'copy', 'copies') }}: there is no further one.
    </p>
    <ul>
      <li v-for="line in lines" :key="line.number">
        <span class="mono number">{{ line.number }}</span>
        <span>{{ line.does || 'the same' }}</span>
        <span v-if="line.over" class="over">over {{ line.over }}</span>
      </li>
    </ul>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="isOpen = false" />
      <Button
        :label="`Make ${count(plan.copies.length, 'copy', 'copies')}`"
        :disabled="plan.copies.length === 0"
        @click="make"
      />
    </template>
  </Dialog>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.warn,
.over {
  color: var(--warning);
}

ul {
  max-height: 320px;
  margin-top: 10px;
  overflow: auto;
}

li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 8px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}

.number {
  color: var(--ink-faint);
}
</style>
