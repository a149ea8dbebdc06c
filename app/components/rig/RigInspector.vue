<script setup lang="ts">
import { computed } from 'vue'
import type { Finding } from '#core/check'
import { ABOUT_ID, editRow, rigName, type Rig } from '#core/rig'
import FindingNote from '~/components/common/FindingNote.vue'
import TextField from '~/components/common/TextField.vue'
import { selectionOf, type Selection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { findingsOfStage, STAGES } from '~/text/stages'

/** What the inspector shows while nothing on the floor is chosen: the rig's name and all there is to look at. */
const { rig, found } = defineProps<{ rig: Rig; found: readonly Finding[] }>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const rigs = useRigStore()
const ours = computed(() => findingsOfStage(STAGES[0]!, found))

function show({ about }: Finding): void {
  const choice = selectionOf(about.table, about.id)
  if (choice) emit('choose', choice)
}
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
    <template v-if="ours.length > 0">
      <h3>To look at</h3>
      <div v-for="(one, n) in ours" :key="n">
        <FindingNote :finding="one" @fix="rigs.edit(one.fix ?? null)" />
        <button type="button" class="word show" @click="show(one)">Show it</button>
      </div>
    </template>
    <p v-else class="soft">
      Choose a box or a cable to see its channel, its jacks and what it must have set.
    </p>
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

.show {
  padding: 3px 12px;
  font-size: 13px;
}
</style>
