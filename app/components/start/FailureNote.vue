<script setup lang="ts">
import { signInAddress, type Failure } from '~/platform/rigServer'

/** Why the server did not do what was asked, with what would help. */
const { failure } = defineProps<{ failure: Failure }>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <div class="fault" role="alert">
    <p v-if="failure.kind === 'away'">
      <b>{{ failure.error?.message ?? 'The server does not answer. Start it again.' }}</b>
      Then <button class="word" @click="emit('retry')">try again</button>.
    </p>
    <p v-else-if="failure.error.code === 'notSignedIn'">
      <b>{{ failure.error.message }}</b> <a :href="signInAddress('/rigs')">Sign in</a>
    </p>
    <template v-else>
      <p>
        <b>{{ failure.error.message }}</b>
        <template v-if="failure.error.limit">
          The most is {{ Math.floor(failure.error.limit / 1e6) }} MB.</template
        >
      </p>
      <ul>
        <li v-for="fault in failure.error.faults" :key="fault.path + fault.reason">
          <code v-if="fault.path" class="mono">{{ fault.path }}</code> {{ fault.reason }}
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.fault {
  padding: 10px 14px;
  border-left: 3px solid var(--error);
  background: var(--error-ground);
}

code {
  font-size: 12px;
}
</style>
