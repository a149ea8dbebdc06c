<script setup lang="ts">
import Button from 'primevue/button'
import type { Finding } from '#core/check'
import { editRow, removeRow, type Controller, type ControllerEvent, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import CheckField from '~/components/common/CheckField.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import { useRigStore } from '~/stores/rig'
import JackList from './jacks/JackList.vue'
import SavingFields from './SavingFields.vue'
import { SAVING_TEXT } from '~/text/saving'

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
const LATE = [
  { value: 'press', text: 'Fires at once' },
  { value: 'release', text: 'Fires on release' },
] as const
const EVENTS: readonly { value: ControllerEvent; text: string }[] = [
  { value: 'press', text: 'Foot down' },
  { value: 'release', text: 'Foot up' },
  { value: 'longPress', text: 'Long press' },
  { value: 'doublePress', text: 'Double press' },
]
const toggled = (event: ControllerEvent) =>
  controller.events.includes(event)
    ? controller.events.filter((one) => one !== event)
    : [...controller.events, event]
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
    <JackList :rig="rig" :box="controller" />
    <FoldSection
      title="What its manual says"
      :summary="`${controller.rows} x ${controller.columns}, ${controller.messagesPerEvent} messages a step`"
    >
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
          @take="
            change({ highestProgram: ($event - controller.firstPreset) as Controller['highestProgram'] })
          "
        />
        <ChoiceField
          label="Sends bank select"
          :value="controller.sendsBankSelect"
          :choices="YES_NO"
          @choose="change({ sendsBankSelect: $event })"
        />
        <NumberField
          label="Switches it keeps"
          :value="controller.keepsSwitches"
          :min="0"
          :max="12"
          @take="change({ keepsSwitches: $event })"
        />
        <NumberField
          label="Lamp colours"
          :value="controller.colours"
          :min="0"
          :max="64"
          @take="change({ colours: $event })"
        />
        <NumberField
          label="Built-in pedals"
          :value="controller.builtInPedals"
          :min="0"
          :max="4"
          @take="change({ builtInPedals: $event })"
        />
        <ChoiceField
          label="With a long press set"
          :value="controller.pressWithLong"
          :choices="LATE"
          @choose="change({ pressWithLong: $event })"
        />
      </div>
      <fieldset>
        <legend>It can tell apart</legend>
        <CheckField
          v-for="one in EVENTS"
          :key="one.value"
          :label="one.text"
          :value="controller.events.includes(one.value)"
          @take="change({ events: toggled(one.value) })"
        />
      </fieldset>
      <NumberField
        label="Longest pause between messages"
        :value="controller.waitMs"
        :min="0"
        :max="5000"
        suffix=" ms"
        @take="change({ waitMs: $event })"
      />
      <CheckField
        label="Leaves out repeated status bytes"
        note="Running status; few foot controllers do."
        :value="controller.runningStatus"
        @take="change({ runningStatus: $event })"
      />
      <CheckField
        label="Sends MIDI clock"
        :value="controller.sendsClock"
        @take="change({ sendsClock: $event })"
      />
      <CheckField
        label="Keeps its MIDI outputs apart"
        note="Each output has 16 channels of its own."
        :value="controller.separateOutputs"
        @take="change({ separateOutputs: $event })"
      />
      <TextField
        label="Gesture that opens editing"
        :value="controller.editGesture"
        :max="120"
        @take="change({ editGesture: $event })"
      />
      <TextField
        label="Chords it keeps for itself"
        :value="controller.chords"
        :max="120"
        @take="change({ chords: $event })"
      />
    </FoldSection>
    <FoldSection title="Where it saves" :summary="SAVING_TEXT[controller.saving.how]">
      <SavingFields :saving="controller.saving" @change="change({ saving: $event })" />
    </FoldSection>
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

fieldset {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
  margin: 0;
  padding: 0;
  border: 0;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
