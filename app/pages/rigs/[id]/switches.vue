<script setup lang="ts">
import { nanoid } from 'nanoid'
import Button from 'primevue/button'
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { addRow, byIndex, isProgrammed, nextBankIndex, type Bank, type BankId } from '#core'
import BankInspector from '~/components/switches/BankInspector.vue'
import BankTabs from '~/components/switches/BankTabs.vue'
import SwitchGrid from '~/components/switches/SwitchGrid.vue'
import SwitchInspector from '~/components/switches/SwitchInspector.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { useSelection } from '~/composables/useSelection'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '~/text/counts'

const rigs = useRigStore()
const floor = useFloorStore()
const { selection, select } = useSelection()

const rig = computed(() => rigs.rig!)
const banks = computed(() => byIndex(rig.value.banks))
const summary = computed(() => {
  const { controller } = floor
  if (!controller) return ''
  const programmed = Object.values(rig.value.switches).filter(isProgrammed).length
  return `${count(controller.rows * controller.columns, 'switch', 'switches')}, ${banks.value.length} of ${count(controller.bankCount, 'bank')} used, ${count(programmed, 'switch', 'switches')} programmed`
})
const chosenNumber = computed(() => {
  const one = selection.value
  return one?.kind === 'switch' && one.bankId === floor.bank?.id ? one.number : null
})
const chosenFindings = computed(() => {
  const row = floor.switches.get(chosenNumber.value ?? 0)
  return rigs.found.filter(({ about }) => about.table === 'switches' && about.id === row?.id)
})

function goTo(bank: Bank): void {
  floor.goToBank(bank.id)
  const one = selection.value
  select(one?.kind === 'switch' ? { ...one, bankId: bank.id } : { kind: 'bank', bankId: bank.id })
}

function addBank(): void {
  const { controller } = floor
  const index = controller && nextBankIndex(rig.value, controller)
  if (!controller || index === null) return
  const bank: Bank = { id: nanoid(12) as BankId, controllerId: controller.id, index, name: '' }
  if (!rigs.edit(addRow('addBank', 'banks', bank))) return
  floor.goToBank(bank.id)
  select({ kind: 'bank', bankId: bank.id })
}

const canAdd = computed(
  () => floor.controller !== null && nextBankIndex(rig.value, floor.controller) !== null,
)
</script>

<template>
  <ViewFrame title="Switches" :summary="summary" inspector="What is chosen">
    <p v-if="!floor.controller" class="empty">
      There is no foot controller yet. <NuxtLink :to="`/rigs/${rigs.rigId}/rig`">Choose one in Rig</NuxtLink>,
      then come back to say what its switches do.
    </p>
    <template v-else>
      <BankTabs
        :banks="banks"
        :current-id="floor.bank?.id ?? null"
        :first="floor.controller.firstBank"
        :can-add="canAdd"
        @go="goTo"
        @add="addBank"
      />
      <div v-if="!floor.bank" class="empty">
        <p>
          This controller has no bank yet. The first one holds the switches you step on when the show begins.
        </p>
        <Button label="Add the first bank" @click="addBank" />
      </div>
      <SwitchGrid
        v-else
        :rig="rig"
        :controller="floor.controller"
        :switches="floor.switches"
        :chosen="chosenNumber"
        :found="rigs.found"
        @choose="select({ kind: 'switch', bankId: floor.bank.id, number: $event })"
      />
    </template>
    <template #inspector>
      <SwitchInspector
        v-if="floor.bank && floor.controller && chosenNumber !== null"
        :rig="rig"
        :bank="floor.bank"
        :controller="floor.controller"
        :number="chosenNumber"
        :found="chosenFindings"
      />
      <BankInspector
        v-else-if="floor.bank && floor.controller"
        :rig="rig"
        :bank="floor.bank"
        :controller="floor.controller"
      />
      <p v-else class="soft">Nothing to show yet.</p>
    </template>
  </ViewFrame>
</template>

<style scoped>
.empty {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 460px;
  padding: 28px 0;
}

p.empty {
  display: block;
}
</style>
