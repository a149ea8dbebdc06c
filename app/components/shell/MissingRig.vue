<script setup lang="ts">
import Button from 'primevue/button'
import { NuxtLink } from '#components'
import type { Failure } from '~/platform/rigServer'

const { failure } = defineProps<{ failure: Failure }>()
const emit = defineEmits<{ retry: [] }>()
</script>

<template>
  <main class="missing">
    <h1>{{ failure.kind === 'away' ? 'The server does not answer.' : 'This rig cannot be opened.' }}</h1>
    <p v-if="failure.kind === 'away'">Start it again with npm run demo or npm start, then try again.</p>
    <p v-else>{{ failure.error.message }}</p>
    <p class="ways">
      <Button label="Try again" @click="emit('retry')" />
      <NuxtLink to="/rigs">All rigs</NuxtLink>
    </p>
  </main>
</template>

<style scoped>
.missing {
  display: grid;
  gap: 12px;
  max-width: 560px;
  padding: 48px;
}

.ways {
  display: flex;
  align-items: center;
  gap: 16px;
}
</style>
