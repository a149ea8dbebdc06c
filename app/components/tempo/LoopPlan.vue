<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { findSwitch, switchCount, type Device, type Rig, type SwitchId } from '#core/rig'
import { loopSwitches } from '#core/simulate'
import { plannedLoop, planLooper } from '#core/switching'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { loopRefusalText } from '~/text/tempo'

/** Puts a looper on one, two or three switches of the bank under the foot. */
const { rig, device } = defineProps<{ rig: Rig; device: Device }>()

const rigs = useRigStore()
const floor = useFloorStore()
const count = ref<1 | 2 | 3>(2)
const last = computed(() => (floor.controller ? switchCount(floor.controller) : 0))
const wanted = ref<number | null>(null)
const isFree = (number: number): boolean => {
  const one = floor.bank && findSwitch(rig, floor.bank.id, number)
  return !one || (one.label === '' && one.positions.every((all) => all.length === 0))
}
/** The one chosen; else where it is already; else the first with enough free ones behind it. */
const first = computed(() => {
  if (wanted.value !== null) return wanted.value
  const there = floor.bank
    ? loopSwitches(rig, device.id, floor.bank.id, 'base')[0]?.footswitch.number
    : undefined
  if (there !== undefined) return there
  for (let at = 1; at + count.value - 1 <= last.value; at++)
    if (Array.from({ length: count.value }, (_, n) => isFree(at + n)).every(Boolean)) return at
  return 1
})
const plan = computed(() => plannedLoop(rig, device.id, floor.controller, count.value))
const numbers = computed(() =>
  Array.from({ length: count.value }, (_, n) => Math.min(first.value, last.value) + n),
)
const fits = computed(() => numbers.value.every((number) => number <= last.value))
const taken = computed(() =>
  numbers.value.flatMap((number) => {
    const one = floor.bank && findSwitch(rig, floor.bank.id, number)
    return one && !isFree(number) ? [floor.nameOf(one) || `switch ${number}`] : []
  }),
)
const COUNTS = [1, 2, 3].map((value) => ({ value: value as 1 | 2 | 3, text: String(value) }))
const said = ref('')

function put(): void {
  if (!plan.value.ok || !floor.bank) return
  const places = numbers.value.map((number) => ({ number, newId: nanoid(12) as SwitchId }))
  const edit = planLooper(rig, floor.bank.id, plan.value.value, places)
  said.value = rigs.edit(edit) ? 'Put on switches. Try them below.' : 'They are so already.'
}
</script>

<template>
  <section class="plan" aria-label="Switches for the looper">
    <ChoiceRow label="Switches for it" :value="count" :choices="COUNTS" @choose="count = $event" />
    <template v-if="plan.ok && floor.bank">
      <ChoiceField
        label="From switch"
        :value="Math.min(first, last)"
        :choices="Array.from({ length: last }, (_, n) => ({ value: n + 1, text: String(n + 1) }))"
        @choose="wanted = $event"
      />
      <p class="soft">
        {{ plan.value.map(({ label }, n) => `${numbers[n]} ${label}`).join(', ') }}
        <template v-if="taken.length > 0 && fits">in place of {{ taken.join(', ') }}</template>
      </p>
      <Button label="Put on these switches" size="small" :disabled="!fits" @click="put" />
      <p v-if="!fits" class="warn">The controller has {{ last }} switches.</p>
      <p v-else role="status">{{ said }}</p>
    </template>
    <p v-else-if="!plan.ok" class="warn">{{ loopRefusalText(plan.refusal) }}</p>
    <p v-else class="soft">Add a bank first.</p>
  </section>
</template>

<style scoped>
.plan {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 14px;
}

.plan > .field {
  width: 110px;
}

.plan > p {
  flex-basis: 100%;
  font-size: 13px;
}

.warn {
  color: var(--warning);
}
</style>
