<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { editRow, removeRow, type Bank, type Controller, type Rig } from '#core'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '~/text/counts'

const { rig, bank, controller } = defineProps<{ rig: Rig; bank: Bank; controller: Controller }>()

const rigs = useRigStore()
const used = computed(() => Object.values(rig.switches).filter(({ bankId }) => bankId === bank.id).length)
</script>

<template>
  <div class="inspector">
    <h2>Bank {{ bank.index + controller.firstBank }} {{ bank.name }}</h2>
    <TextField
      label="Name"
      :value="bank.name"
      :max="60"
      @take="rigs.edit(editRow(rig, 'nameBank', 'banks', bank.id, { name: $event }))"
    />
    <p class="soft">
      {{ count(used, 'switch', 'switches') }} programmed here. Choose a switch to say what it does.
    </p>
    <div>
      <Button
        label="Remove this bank"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(removeRow(rig, 'removeBank', 'banks', bank.id))"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}
</style>
