<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import {
  OFF_DELAY_MAX,
  type AutoOff,
  type ControlId,
  type OffKind,
  type Rig,
  type SwitchId,
  type Works,
} from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import NumberField from '~/components/common/NumberField.vue'
import ControlField from '~/components/switches/actions/ControlField.vue'
import ValueField from '~/components/switches/actions/ValueField.vue'
import { OFF_TEXT } from '~/text/pedals'

/** When a pedal switches off by itself, and what. */
const { rig, off, isLocal, firstWorks } = defineProps<{
  rig: Rig
  off: AutoOff
  /** The device does it, which has no switches of the controller. */
  isLocal: boolean
  /** The control first offered; null where there is none. */
  firstWorks: Works | null
}>()
const emit = defineEmits<{ change: [fields: Partial<AutoOff>]; leave: [] }>()

const switches = computed(() =>
  Object.values(rig.switches).map(({ id, label, number, bankId }) => ({
    value: id,
    text: `${own(rig.banks, bankId)?.name ?? ''}, ${label || `switch ${number}`}`,
  })),
)
</script>

<template>
  <div class="settings">
    <ChoiceField
      label="Off when the foot"
      class="wide"
      :value="off.kind"
      :choices="(Object.keys(OFF_TEXT) as OffKind[]).map((value) => ({ value, text: OFF_TEXT[value] }))"
      @choose="emit('change', { kind: $event })"
    />
    <NumberField
      class="narrow"
      label="For"
      :value="off.delayMs"
      :min="0"
      :max="OFF_DELAY_MAX"
      suffix=" ms"
      @take="emit('change', { delayMs: $event })"
    />
    <NumberField
      v-if="off.kind === 'heel' || off.kind === 'toe'"
      label="The end is the last"
      class="narrow"
      :value="off.zone"
      :min="0"
      :max="25"
      suffix=" %"
      @take="emit('change', { zone: $event })"
    />
    <ChoiceRow
      v-if="off.kind === 'switch'"
      label="The toe switch"
      :value="off.toe"
      :choices="[
        { value: 'latching', text: 'stays' },
        { value: 'momentary', text: 'springs back' },
      ]"
      @choose="emit('change', { toe: $event })"
    />
    <ChoiceRow
      v-if="!isLocal"
      label="It works"
      :value="off.works.kind"
      :choices="[
        { value: 'control', text: 'a control' },
        { value: 'switch', text: 'a switch' },
      ]"
      @choose="
        emit('change', {
          works:
            $event === 'switch' && switches[0]
              ? { kind: 'switch', switchId: switches[0].value }
              : (firstWorks ?? off.works),
        })
      "
    />
    <template v-if="off.works.kind === 'control'">
      <ControlField
        class="wide"
        :rig="rig"
        :value="off.works.controlId"
        :only="({ reading }) => reading.kind !== 'trigger' && reading.kind !== 'increment'"
        @choose="
          emit('change', { works: { kind: 'control', controlId: $event as ControlId, off: 0, on: 127 } })
        "
      />
      <ValueField
        class="narrow"
        :rig="rig"
        :control-id="off.works.controlId"
        label="Off is"
        :value="off.works.off"
        @take="emit('change', { works: { ...off.works, off: $event } as Works })"
      />
      <ValueField
        class="narrow"
        :rig="rig"
        :control-id="off.works.controlId"
        label="On is"
        :value="off.works.on"
        @take="emit('change', { works: { ...off.works, on: $event } as Works })"
      />
    </template>
    <ChoiceField
      v-else
      class="wide"
      label="Switch"
      :value="off.works.switchId"
      :choices="switches"
      @choose="emit('change', { works: { kind: 'switch', switchId: $event as SwitchId } })"
    />
    <button type="button" class="word" @click="emit('leave')">Leave it to the foot</button>
  </div>
</template>

<style scoped>
.settings {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 12px;
}

.settings > .field {
  width: 150px;
}

.settings > .wide {
  width: 210px;
}

.settings > .narrow {
  width: 96px;
}
</style>
