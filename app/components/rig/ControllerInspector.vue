<script setup lang="ts">
import Button from 'primevue/button'
import { editRow, removeRow, type Controller, type Finding, type Rig } from '#core'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'

/** What the controller's manual says it can do. */
const { rig, controller, found } = defineProps<{
  rig: Rig
  controller: Controller
  found: readonly Finding[]
}>()

const rigs = useRigStore()
const change = (fields: Partial<Controller>) =>
  rigs.edit(editRow(rig, 'changeController', 'controllers', controller.id, fields))

const COUNTS = [
  { value: 0, text: 'From 0' },
  { value: 1, text: 'From 1' },
] as const
const YES_NO = [
  { value: true, text: 'Yes' },
  { value: false, text: 'No' },
]
</script>

<template>
  <div class="inspector">
    <h2>{{ controller.name }}</h2>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <TextField label="Name" :value="controller.name" :max="60" required @take="change({ name: $event })" />
    <h3>What its manual says</h3>
    <div class="fields">
      <NumberField
        label="Rows of switches"
        :value="controller.rows"
        :min="1"
        :max="6"
        @take="change({ rows: $event })"
      />
      <NumberField
        label="Switches a row"
        :value="controller.columns"
        :min="1"
        :max="12"
        @take="change({ columns: $event })"
      />
      <NumberField
        label="Banks"
        :value="controller.bankCount"
        :min="1"
        :max="1000"
        @take="change({ bankCount: $event })"
      />
      <ChoiceField
        label="Counts banks"
        :value="controller.firstBank"
        :choices="COUNTS"
        @choose="change({ firstBank: $event })"
      />
      <NumberField
        label="Messages a step"
        :value="controller.messagesPerEvent"
        :min="1"
        :max="128"
        @take="change({ messagesPerEvent: $event })"
      />
      <NumberField
        label="Letters in a label"
        :value="controller.labelLength ?? 0"
        :min="0"
        :max="60"
        @take="change({ labelLength: $event === 0 ? null : $event })"
      />
      <ChoiceField
        label="Counts presets"
        :value="controller.firstPreset"
        :choices="COUNTS"
        @choose="change({ firstPreset: $event })"
      />
      <NumberField
        label="Highest preset shown"
        :value="controller.highestProgram + controller.firstPreset"
        :min="controller.firstPreset"
        :max="127 + controller.firstPreset"
        @take="change({ highestProgram: ($event - controller.firstPreset) as Controller['highestProgram'] })"
      />
      <ChoiceField
        label="Sends bank select"
        :value="controller.sendsBankSelect"
        :choices="YES_NO"
        @choose="change({ sendsBankSelect: $event })"
      />
    </div>
    <div>
      <Button
        label="Remove this controller"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(removeRow(rig, 'removeController', 'controllers', controller.id))"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
