<script setup lang="ts">
import WordHints from '~/components/common/WordHints.vue'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { takenNumbers } from '#core/chart'
import { nrpnReadings, type ControlAddress, type Device, type Rig } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import HeardControl from '~/components/common/HeardControl.vue'
import { takenText } from '~/text/charts'

/** What is sent for a control: a CC number, with who else has it, or an NRPN, with every way to read its number. */
const { rig, device, address } = defineProps<{ rig: Rig; device: Device; address: ControlAddress }>()
const emit = defineEmits<{ change: [address: ControlAddress] }>()

const id = useId()
const taken = computed(() => takenNumbers(rig, device))
const numbers = computed(() =>
  taken.value.map((one, value) => ({
    value,
    text: `CC ${value}${one ? `  (${takenText(one)})` : '  free'}`,
  })),
)
const typed = ref('')
watch(
  () => address,
  (now) => (typed.value = now.kind === 'nrpn' ? String(now.parameter) : ''),
  { immediate: true },
)
const readings = computed(() => nrpnReadings(typed.value))

const changeNrpn = (fields: object) => emit('change', { ...address, ...fields } as ControlAddress)
const setKind = (kind: ControlAddress['kind']) =>
  emit(
    'change',
    kind === 'cc'
      ? { kind, number: 20 as never }
      : { kind, parameter: 0 as never, written: 'number', value: 'msb', nullAfter: true },
  )
</script>

<template>
  <div class="address">
    <WordHints :of="['control-change', 'nrpn']" />
    <ChoiceRow
      label="Sent as"
      :value="address.kind"
      :choices="[
        { value: 'cc', text: 'CC' },
        { value: 'nrpn', text: 'NRPN' },
      ]"
      @choose="setKind($event)"
    />
    <template v-if="address.kind === 'cc'">
      <ChoiceField
        label="Number"
        :value="address.number as number"
        :choices="numbers"
        @choose="emit('change', { kind: 'cc', number: $event as never })"
      />
      <HeardControl
        :number="address.number"
        @take="emit('change', { kind: 'cc', number: $event as never })"
      />
    </template>
    <template v-else>
      <div class="field">
        <label :for="id">Number or pair, as the manual writes it</label>
        <InputText :id="id" v-model="typed" size="small" fluid class="mono" placeholder="12588 or 98/44" />
      </div>
      <ul aria-label="Ways to read it">
        <li v-for="one in readings" :key="one.written + one.parameter">
          <button
            type="button"
            :aria-pressed="address.parameter === one.parameter"
            @click="changeNrpn({ parameter: one.parameter, written: one.written })"
          >
            {{ one.written === 'number' ? 'As one number' : 'As a pair' }}:
            <span class="mono">{{ one.parameter }} = {{ one.msb }}, {{ one.lsb }}</span>
          </button>
        </li>
      </ul>
      <p v-if="readings.length === 0" class="fault" role="alert">
        Write a number up to 16383, or a pair of numbers up to 127 such as 98/44.
      </p>
      <ChoiceField
        label="Value has"
        :value="address.value"
        :choices="[
          { value: 'msb', text: 'One half (CC 6): 0 to 127' },
          { value: 'both', text: 'Both halves (CC 6, CC 38): 0 to 16383' },
        ]"
        @choose="changeNrpn({ value: $event })"
      />
      <CheckField
        label="Send the null number behind it"
        :value="address.nullAfter"
        @take="changeNrpn({ nullAfter: $event })"
      />
    </template>
  </div>
</template>

<style scoped>
.address {
  display: grid;
  gap: 8px;
}

ul {
  display: grid;
  gap: 4px;
}

button {
  width: 100%;
  padding: 4px 8px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: none;
  text-align: left;
}

button[aria-pressed='true'] {
  background: var(--chosen);
  color: var(--on-chosen);
}
</style>
