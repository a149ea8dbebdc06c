<script setup lang="ts">
import { nanoid } from 'nanoid'
import Button from 'primevue/button'
import { computed, ref, watch } from 'vue'
import {
  own,
  labelSwitch,
  modeOf,
  removeRow,
  setMode,
  switchAt,
  switchName,
  type Bank,
  type Controller,
  type Finding,
  type Rig,
  type SwitchId,
} from '#core'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import { useRigStore } from '~/stores/rig'
import { ordinal } from '~/text/counts'
import CopySwitch from './CopySwitch.vue'
import LabelField from './LabelField.vue'
import PressEditor from './PressEditor.vue'

const { rig, bank, controller, number, found } = defineProps<{
  rig: Rig
  bank: Bank
  controller: Controller
  number: number
  found: readonly Finding[]
}>()

const rigs = useRigStore()
const newId = ref(nanoid(12) as SwitchId)
watch(
  () => [bank.id, number],
  () => {
    newId.value = nanoid(12) as SwitchId
  },
)
const slot = computed(() => ({ bankId: bank.id, number, newId: newId.value }))
const footswitch = computed(() => switchAt(rig, slot.value))
const isStored = computed(() => own(rig.switches, footswitch.value.id) !== undefined)
const mode = computed(() => modeOf(footswitch.value))
const place = computed(() => `Bank ${bank.index + controller.firstBank} ${bank.name}, switch ${number}`)
const pressTitle = (position: number) =>
  footswitch.value.positions.length === 1 ? 'On every press' : `On the ${ordinal(position + 1)} press`

const MODES = [
  { value: 'recall', text: 'Recall' },
  { value: 'alternate', text: 'Alternate' },
] as const
</script>

<template>
  <div class="inspector">
    <div>
      <LabelField
        :key="`${bank.id}/${number}`"
        :label="footswitch.label"
        :name="switchName(rig, footswitch, controller)"
        :max="controller.labelLength"
        @take="rigs.edit(labelSwitch(rig, slot, $event))"
      />
      <p class="place">{{ place }}</p>
    </div>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <ChoiceRow
      label="How it works"
      :value="mode === 'alternate' ? 'alternate' : 'recall'"
      :choices="MODES"
      @choose="rigs.edit(setMode(rig, slot, $event))"
    />
    <PressEditor
      v-for="(_, position) in footswitch.positions"
      :key="position"
      :rig="rig"
      :at="slot"
      :position="position"
      :title="pressTitle(position)"
      :controller="controller"
    />
    <div v-if="isStored" class="foot">
      <CopySwitch :rig="rig" :from="footswitch" :bank="bank" :controller="controller" />
      <Button
        label="Clear this switch"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(removeRow(rig, 'clearSwitch', 'switches', footswitch.id))"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}

.place {
  padding-top: 4px;
  color: var(--ink-soft);
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
