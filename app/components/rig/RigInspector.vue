<script setup lang="ts">
import { ABOUT_ID, editRow, rigName, type Rig } from '#core'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'

/** What the inspector shows while nothing on the floor is chosen. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
</script>

<template>
  <div class="inspector">
    <h2>{{ rigName(rig) }}</h2>
    <TextField
      label="Name of this rig"
      :value="rigName(rig)"
      :max="60"
      required
      @take="rigs.edit(editRow(rig, 'renameRig', 'about', ABOUT_ID, { name: $event }))"
    />
    <p>Choose something on the floor to see its channel, its numbers and what it must have set.</p>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}

h2 {
  overflow-wrap: anywhere;
}

p {
  color: var(--ink-soft);
}
</style>
