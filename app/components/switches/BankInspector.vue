<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import type { Finding } from '#core/check'
import {
  byIndex,
  clearBank,
  copyBank,
  editRow,
  moveBank,
  removeRow,
  swapBanks,
  switchCount,
  type Bank,
  type BankId,
  type Controller,
  type Rig,
  type SwitchId,
} from '#core/rig'
import { bankAndSwitch, NOTHING_KNOWN, nthOf, type Doing } from '#core/switching'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { bankText } from '#shared/actions/travel'
import { count } from '#shared/words/counts'
import ActionList from './ActionList.vue'
import PutBar from './PutBar.vue'

const { rig, bank, controller, found } = defineProps<{
  rig: Rig
  bank: Bank
  controller: Controller
  found: readonly Finding[]
}>()
const emit = defineEmits<{ fill: [] }>()

const rigs = useRigStore()
const inBank = (id: string) => Object.values(rig.switches).filter(({ bankId }) => bankId === id)
const used = computed(() => inBank(bank.id).length)
const others = computed(() =>
  byIndex(rig.banks).filter(({ id, controllerId }) => id !== bank.id && controllerId === bank.controllerId),
)
const choices = computed(() =>
  others.value.map(({ id }) => ({ value: id as string, text: bankText(rig, id) })),
)
const pages = computed(() => [
  { value: '', text: 'no page: a bank of its own' },
  ...others.value
    .filter(({ pageOf }) => pageOf === null)
    .map(({ id }) => ({ value: id as string, text: bankText(rig, id) })),
])
const canBePage = computed(() => !others.value.some(({ pageOf }) => pageOf === bank.id))
const isHome = computed(() => controller.home === bank.id)
const doing = computed((): Doing => ({
  controller,
  known: { ...NOTHING_KNOWN, bankId: bank.id },
  at: 0,
  by: null,
}))
const alter = (fields: Partial<Bank>) => rigs.edit(editRow(rig, 'changeBank', 'banks', bank.id, fields))

/** What is about to be done to another bank, or to this one. */
const asked = ref<'copy' | 'swap' | 'clear' | 'remove' | null>(null)
const target = ref('')
const askText = computed(() => {
  const there = inBank(target.value).length
  const everywhere = inBank(bank.id).filter((one) => one.everywhere).length
  switch (asked.value) {
    case 'copy':
      return `Make ${bankText(rig, target.value)} do what this bank does${there ? `, over ${count(there, 'switch', 'switches')} there` : ''}?`
    case 'swap':
      return `Let this bank and ${bankText(rig, target.value)} change places?`
    case 'clear':
      return `Clear ${count(used.value, 'switch', 'switches')} of this bank?`
    default:
      return `Remove this bank with ${count(used.value, 'switch', 'switches')}${everywhere ? `, ${everywhere} of them in every bank` : ''}?`
  }
})

function go(): void {
  if (asked.value === 'copy')
    rigs.edit(copyBank(rig, bank.id, target.value as BankId, () => nanoid(12) as SwitchId))
  if (asked.value === 'swap') rigs.edit(swapBanks(rig, bank.id, target.value as BankId))
  if (asked.value === 'clear') rigs.edit(clearBank(rig, bank.id))
  if (asked.value === 'remove') rigs.edit(removeRow(rig, 'removeBank', 'banks', bank.id))
  asked.value = null
}

const ask = (what: 'copy' | 'swap', id: string) => {
  target.value = id
  asked.value = what
}

/** The arithmetic of presets laid out in banks. */
const nth = ref(24)
const perBank = ref(Math.max(1, switchCount(controller) - controller.keepsSwitches))
const spot = computed(() => bankAndSwitch(nth.value, perBank.value))
</script>

<template>
  <div class="inspector">
    <h2>Bank {{ bankText(rig, bank.id) }}</h2>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <TextField
      label="Name"
      :value="bank.name"
      :max="60"
      @take="rigs.edit(editRow(rig, 'nameBank', 'banks', bank.id, { name: $event }))"
    />
    <TextField label="Colour" :value="bank.colour" :max="60" @take="alter({ colour: $event })" />
    <CheckField
      label="Home"
      note="Where the controller starts, and where home leads."
      :value="isHome"
      @take="
        rigs.edit(
          editRow(rig, 'changeController', 'controllers', controller.id, { home: $event ? bank.id : null }),
        )
      "
    />
    <ChoiceField
      v-if="canBePage && others.length > 0"
      label="A further page of"
      :value="(bank.pageOf ?? '') as string"
      :choices="pages"
      @choose="alter({ pageOf: $event === '' ? null : ($event as BankId) })"
    />
    <p class="soft">{{ count(used, 'switch', 'switches') }} here. Choose one to say what it does.</p>
    <div class="buttons">
      <Button label="Fill with sounds" size="small" @click="emit('fill')" />
      <Button
        label="Earlier"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(moveBank(rig, bank.id, -1))"
      />
      <Button
        label="Later"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(moveBank(rig, bank.id, 1))"
      />
      <Button
        v-if="used > 0"
        label="Clear"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="asked = 'clear'"
      />
      <Button
        label="Remove this bank"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="used > 0 ? (asked = 'remove') : rigs.edit(removeRow(rig, 'removeBank', 'banks', bank.id))"
      />
    </div>
    <PutBar
      v-if="asked"
      :text="askText"
      :ways="[{ key: 'go', text: 'Do it' }]"
      @go="go"
      @cancel="asked = null"
    />
    <template v-if="others.length > 0">
      <ChoiceField label="Copy it over" value="" :choices="choices" @choose="ask('copy', $event)" />
      <ChoiceField label="Change places with" value="" :choices="choices" @choose="ask('swap', $event)" />
    </template>
    <FoldSection title="On coming and leaving" :summary="String(bank.enter.length + bank.leave.length || '')">
      <ActionList
        :rig="rig"
        :place="{ of: 'bank', bankId: bank.id, when: 'enter' }"
        :doing="doing"
        :controller="controller"
        title="When the foot comes here"
      />
      <ActionList
        :rig="rig"
        :place="{ of: 'bank', bankId: bank.id, when: 'leave' }"
        :doing="doing"
        :controller="controller"
        title="When it leaves"
      />
    </FoldSection>
    <FoldSection title="When it is switched on" :summary="String(controller.onPower.length || '')">
      <CheckField
        label="It does what its first bank does when the foot comes there"
        :value="controller.entersAtPower"
        @take="
          rigs.edit(editRow(rig, 'changeController', 'controllers', controller.id, { entersAtPower: $event }))
        "
      />
      <ActionList
        :rig="rig"
        :place="{ of: 'controller', controllerId: controller.id }"
        :doing="doing"
        :controller="controller"
        title="When the controller is switched on"
      />
    </FoldSection>
    <FoldSection
      title="Where does preset n stand?"
      :summary="`${nth}: bank ${spot.bank}, switch ${spot.number}`"
    >
      <NumberField label="Preset, counted from 1" :value="nth" :min="1" :max="10000" @take="nth = $event" />
      <NumberField label="So many a bank" :value="perBank" :min="1" :max="72" @take="perBank = $event" />
      <NumberField
        label="Bank"
        :value="spot.bank"
        :min="1"
        :max="10000"
        @take="nth = nthOf($event, spot.number, perBank)"
      />
      <NumberField
        label="Switch"
        :value="spot.number"
        :min="1"
        :max="perBank"
        @take="nth = nthOf(spot.bank, $event, perBank)"
      />
      <p role="status">
        Preset {{ nth }}, {{ perBank }} a bank: bank {{ spot.bank }}, switch {{ spot.number }}.
      </p>
    </FoldSection>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 12px;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 7px;
}
</style>
