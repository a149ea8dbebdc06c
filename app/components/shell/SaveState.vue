<script setup lang="ts">
import { computed } from 'vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { shortTimeText } from '#shared/words/times'

const rigs = useRigStore()
const text = computed(() => {
  const waiting = count(rigs.pending.length, 'edit')
  switch (rigs.outboxState.kind) {
    case 'empty':
      if (rigs.isFromShelf) return `Server away: revision ${rigs.revision}, as kept here`
      return rigs.savedAt ? `Saved ${shortTimeText(rigs.savedAt)}, revision ${rigs.revision}` : ''
    case 'sending':
      return `Saving ${waiting}`
    case 'away':
      return `${rigs.outboxState.error ? 'Not saved yet' : 'Server away'}, ${waiting} kept here`
    case 'refused':
      return `${waiting} not saved`
  }
  return ''
})
</script>

<template>
  <p class="state" role="status" :class="rigs.isFromShelf ? 'away' : rigs.outboxState.kind">{{ text }}</p>
</template>

<style scoped>
.state {
  font-size: 12px;
  color: var(--ink-soft);
  font-variant-numeric: tabular-nums;
}

@media (max-width: 900px) {
  .state {
    max-width: 118px;
    line-height: 1.25;
  }
}

.away,
.refused {
  color: var(--error);
  font-weight: 600;
}
</style>
