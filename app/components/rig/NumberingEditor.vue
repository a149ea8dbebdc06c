<script setup lang="ts">
import WordHints from '~/components/common/WordHints.vue'
import { computed } from 'vue'
import { formatDisplay, PRESET_COUNT_MAX, reach, type Device, type Numbering } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import NumberField from '~/components/common/NumberField.vue'
import { sentText } from '~/text/presets'
import {
  BANK_SELECT_TEXT,
  COUNTER_CHOICES,
  counterKey,
  counterOf,
  separatorKey,
  separatorOf,
  SEPARATORS,
  withStyle,
} from './numberingForm'

/** How the device counts its presets, with the first and last as shown and as sent. */
const { device } = defineProps<{ device: Device }>()
const emit = defineEmits<{ change: [numbering: Numbering] }>()

const numbering = computed(() => device.numbering)
const most = computed(() =>
  Math.min(PRESET_COUNT_MAX, reach(numbering.value.bankSelect, numbering.value.programsPerBank)),
)
const ends = computed(() =>
  [0, numbering.value.count - 1].map((index) => ({
    index,
    display: formatDisplay(numbering.value, index),
    sent: sentText(device, index),
  })),
)

/** Fields of either style; the schema refuses what does not belong together. */
const change = (fields: object) => emit('change', { ...numbering.value, ...fields } as Numbering)

const FIRST = [
  { value: 0, text: 'From 0' },
  { value: 1, text: 'From 1' },
]
</script>

<template>
  <section>
    <ul class="ends">
      <li v-for="(end, n) in ends" :key="end.index">
        {{ n === 0 ? 'First' : 'Last' }} <b class="mono">{{ end.display }}</b>
        <span class="mono program">{{ end.sent }}</span>
      </li>
    </ul>
    <ChoiceRow
      label="Shown as"
      :value="numbering.style"
      :choices="[
        { value: 'plain', text: 'A number' },
        { value: 'banked', text: 'Bank and slot' },
      ]"
      @choose="emit('change', withStyle(numbering, $event))"
    />
    <div class="fields">
      <NumberField
        label="Presets"
        :value="numbering.count"
        :min="1"
        :max="most"
        @take="change({ count: $event })"
      />
      <template v-if="numbering.style === 'plain'">
        <ChoiceField
          label="Counts"
          :value="numbering.first"
          :choices="FIRST"
          @choose="change({ first: $event })"
        />
        <NumberField
          label="Digits shown"
          :value="numbering.digits"
          :min="1"
          :max="5"
          @take="change({ digits: $event })"
        />
      </template>
      <template v-else>
        <NumberField
          label="Slots a bank"
          :value="numbering.slots"
          :min="1"
          :max="128"
          @take="change({ slots: $event })"
        />
        <ChoiceField
          label="Between them"
          :value="separatorKey(numbering.separator)"
          :choices="SEPARATORS"
          @choose="change({ separator: separatorOf($event) })"
        />
        <ChoiceField
          label="Bank is"
          :value="counterKey(numbering.bank)"
          :choices="COUNTER_CHOICES"
          @choose="change({ bank: counterOf($event) })"
        />
        <ChoiceField
          label="Slot is"
          :value="counterKey(numbering.slot)"
          :choices="COUNTER_CHOICES"
          @choose="change({ slot: counterOf($event) })"
        />
      </template>
      <WordHints :of="['numbering', 'bank-select', 'program-change']" />
      <ChoiceField
        label="Bank select"
        :value="numbering.bankSelect"
        :choices="BANK_SELECT_TEXT"
        @choose="
          change({
            bankSelect: $event,
            count: Math.min(numbering.count, reach($event, numbering.programsPerBank)),
          })
        "
      />
      <NumberField
        v-if="numbering.bankSelect !== 'none'"
        label="Programs a bank"
        :value="numbering.programsPerBank"
        :min="1"
        :max="128"
        @take="change({ programsPerBank: $event })"
      />
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

.ends {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}

.ends .mono {
  padding-left: 6px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
</style>
