<script setup lang="ts">
import { nanoid } from 'nanoid'
import Select from 'primevue/select'
import { computed } from 'vue'
import {
  copySwitch,
  findSwitch,
  switchCount,
  type Bank,
  type Controller,
  type Footswitch,
  type Rig,
  type SwitchId,
} from '#core'
import { useRigStore } from '~/stores/rig'

/** Makes another switch of the bank do the same; what it did before is named in the list. */
const { rig, from, bank, controller } = defineProps<{
  rig: Rig
  from: Footswitch
  bank: Bank
  controller: Controller
}>()

const rigs = useRigStore()
const targets = computed(() =>
  Array.from({ length: switchCount(controller) }, (_, n) => n + 1)
    .filter((number) => number !== from.number)
    .map((number) => {
      const there = findSwitch(rig, bank.id, number)
      return { number, text: there?.label ? `Switch ${number}, over ${there.label}` : `Switch ${number}` }
    }),
)

const copy = (number: number) =>
  rigs.edit(copySwitch(rig, from.id, { bankId: bank.id, number, newId: nanoid(12) as SwitchId }))
</script>

<template>
  <Select
    :model-value="null"
    :options="targets"
    option-label="text"
    option-value="number"
    placeholder="Copy to"
    aria-label="Copy this switch to"
    size="small"
    @update:model-value="copy"
  />
</template>
