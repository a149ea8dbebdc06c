<script setup lang="ts">
import RemoveUsed from '~/components/common/RemoveUsed.vue'
import { computed } from 'vue'
import type { Finding } from '#core/check'
import {
  editRow,
  formatDisplay,
  highestValue,
  removeRow,
  type Control,
  type ControlAddress,
  type Device,
  type Preset,
  type Rig,
} from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import UsedBy from '~/components/common/UsedBy.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { addressText, KIND_TEXT, SOURCE_TEXT } from '~/text/charts'
import AddressEditor from './AddressEditor.vue'
import { blankReading } from './readingForm'
import ReadingEditor from './ReadingEditor.vue'
import SendAndSee from './SendAndSee.vue'

/** One line of a chart: try it first, then everything that can be changed about it. */
const { rig, control, device, found, value } = defineProps<{
  rig: Rig
  control: Control
  device: Device
  found: readonly Finding[]
  value: number | null
}>()

const rigs = useRigStore()
const change = (fields: Partial<Control>) =>
  rigs.edit(editRow(rig, 'changeControl', 'controls', control.id, fields))

/** A value of 14 bits may become one of 7: then the reading begins anew. */
function changeAddress(address: ControlAddress): void {
  const isWide = highestValue(address) !== highestValue(control.address)
  change({ address, ...(isWide && { reading: blankReading(control.reading.kind, highestValue(address)) }) })
}

const choices = <Key extends string>(texts: Record<Key, string>) =>
  (Object.keys(texts) as Key[]).map((one) => ({ value: one, text: texts[one] }))
const presets = computed(() =>
  Object.values(rig.presets)
    .filter(({ deviceId }) => deviceId === device.id)
    .sort((a, b) => a.index - b.index),
)
type Entry = 'entered' | 'lacks' | 'no'
const entryOf = (preset: Preset): Entry =>
  preset.entered.includes(control.id) ? 'entered' : preset.lacks.includes(control.id) ? 'lacks' : 'no'
const without = (ids: Preset['entered']) => ids.filter((id) => id !== control.id)
const setEntry = (preset: Preset, entry: Entry) =>
  rigs.edit(
    editRow(rig, 'changePreset', 'presets', preset.id, {
      entered: entry === 'entered' ? [...without(preset.entered), control.id] : without(preset.entered),
      lacks: entry === 'lacks' ? [...without(preset.lacks), control.id] : without(preset.lacks),
    }),
  )
const ENTRIES = [
  { value: 'entered', text: 'Entered' },
  { value: 'no', text: 'Not entered yet' },
  { value: 'lacks', text: 'Lacks the block' },
] as const
</script>

<template>
  <div class="inspector">
    <div>
      <h2>{{ control.name }}</h2>
      <p class="soft">
        {{ device.name }}{{ control.section && `, ${control.section}` }},
        <span class="mono">{{ addressText(control.address) }}</span>
      </p>
    </div>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <SendAndSee :rig="rig" :control="control" :device="device" :start="value" />
    <div class="fields">
      <TextField label="Name" :value="control.name" :max="60" required @take="change({ name: $event })" />
      <TextField label="Section" :value="control.section" :max="60" @take="change({ section: $event })" />
    </div>
    <ChoiceField
      label="Where it comes from"
      :value="control.source"
      :choices="choices(SOURCE_TEXT)"
      @choose="change({ source: $event })"
    />
    <FoldSection title="What is sent" :summary="addressText(control.address)">
      <AddressEditor :rig="rig" :device="device" :address="control.address" @change="changeAddress" />
      <ChoiceField
        label="The number is"
        :value="control.kind"
        :choices="choices(KIND_TEXT)"
        @choose="change({ kind: $event })"
      />
    </FoldSection>
    <FoldSection title="How it reads values">
      <ReadingEditor
        :reading="control.reading"
        :highest="highestValue(control.address)"
        @change="change({ reading: $event })"
      />
    </FoldSection>
    <FoldSection
      title="Where it is mapped"
      :summary="control.map === 'device' ? 'Once for the device' : 'In each preset'"
      :open="control.map === 'preset'"
    >
      <ChoiceField
        label="The map is kept"
        :value="control.map"
        :choices="[
          { value: 'device', text: 'Once for the device' },
          { value: 'preset', text: 'In each preset' },
        ]"
        @choose="change({ map: $event })"
      />
      <template v-if="control.map === 'preset'">
        <p v-if="presets.length === 0" class="soft">Name the presets you use; each is listed here.</p>
        <ChoiceField
          v-for="preset in presets"
          :key="preset.id"
          :label="`${formatDisplay(device.numbering, preset.index)} ${preset.name}`"
          :value="entryOf(preset)"
          :choices="ENTRIES"
          @choose="setEntry(preset, $event)"
        />
      </template>
    </FoldSection>
    <TextField label="Note" :value="control.note" :max="400" @take="change({ note: $event })" />
    <p v-if="control.origin" class="soft">Copied from {{ control.origin }}.</p>
    <UsedBy :id="control.id" :rig="rig" table="controls" />
    <RemoveUsed
      :id="control.id"
      :rig="rig"
      table="controls"
      label="Remove this control"
      @remove="rigs.edit(removeRow(rig, 'removeControl', 'controls', control.id))"
    />
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 11px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px;
}

h2 {
  overflow-wrap: anywhere;
}
</style>
