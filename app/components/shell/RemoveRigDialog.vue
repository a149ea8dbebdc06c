<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import type { RigSummary } from '#shared/contract/rigs'

const { rig } = defineProps<{ rig: RigSummary | null }>()
const emit = defineEmits<{ cancel: []; remove: [] }>()
</script>

<template>
  <Dialog
    :visible="rig !== null"
    modal
    header="Delete this rig"
    :draggable="false"
    :style="{ width: '420px' }"
    @update:visible="emit('cancel')"
  >
    <p>
      {{ rig?.name }} goes from the list, with all its history. It can be brought back under Deleted rigs.
    </p>
    <template #footer>
      <Button label="Keep it" severity="secondary" variant="outlined" @click="emit('cancel')" />
      <Button label="Delete" @click="emit('remove')" />
    </template>
  </Dialog>
</template>
