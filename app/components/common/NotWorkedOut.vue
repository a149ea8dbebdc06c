<script setup lang="ts">
import type { WorkFault } from '~/platform/workers'
import { workFaultText } from '~/text/workFault'

/** In the place of an answer that did not come. `what`: "The sheet". `isOldShown`: an older answer stands below it. */
const { what, fault, isOldShown } = defineProps<{ what: string; fault: WorkFault; isOldShown: boolean }>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <div class="fault" role="alert">
    <p>
      <b>{{ what }} could not be worked out.</b> {{ workFaultText(fault) }}
      <template v-if="isOldShown">What is shown is of before. </template>
      <button type="button" class="word" @click="emit('retry')">Try again</button>
    </p>
  </div>
</template>

<style scoped>
.fault {
  padding: 10px 14px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
}
</style>
