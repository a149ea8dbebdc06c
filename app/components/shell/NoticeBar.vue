<script setup lang="ts">
import { computed } from 'vue'
import { useRigStore } from '~/stores/rig'
import { setbackText } from '~/text/refusals'

/** What stands between the player and a saved rig, and the ways out. Nothing typed is dropped without a word. */
const rigs = useRigStore()
const refusal = computed(() => (rigs.outboxState.kind === 'refused' ? rigs.outboxState.error : null))
</script>

<template>
  <div class="bar" role="alert">
    <p v-if="refusal" class="bad">
      <span>
        <b>{{ refusal.message }}</b>
        <template v-for="fault in refusal.faults" :key="fault.path">
          {{ fault.path }}: {{ fault.reason }}</template
        >
      </span>
      <button type="button" class="word" @click="rigs.takeNewest()">Take the new state</button>
      <button type="button" class="word" @click="rigs.retry()">Try again</button>
    </p>
    <p v-else-if="rigs.isBehind">
      <span><b>This rig was changed elsewhere.</b> You see revision {{ rigs.revision }}.</span>
      <button type="button" class="word" @click="rigs.takeNewest()">Take the new state</button>
    </p>
    <p v-if="rigs.outboxState.kind === 'away'" class="bad">
      <span><b>The server is away.</b> Your edits are kept in this tab and sent when it is back.</span>
      <button type="button" class="word" @click="rigs.retry()">Try now</button>
    </p>
    <p v-for="(setback, n) in rigs.setbacks" :key="n" class="bad">
      <span>{{ setbackText(setback) }}</span>
      <button type="button" class="word" @click="rigs.clearSetbacks()">Close</button>
    </p>
  </div>
</template>

<style scoped>
.bar {
  max-height: 140px;
  overflow: auto;
}

p {
  display: flex;
  gap: 14px;
  padding: 8px 22px;
  border-bottom: 1px solid var(--line);
  background: var(--warning-ground);
}

p span {
  flex: 1;
}

.bad {
  background: var(--error-ground);
}
</style>
