<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { signInAddress, type Failure } from '~/platform/rigServer'

const { failure } = defineProps<{ failure: Failure }>()
const emit = defineEmits<{ retry: [] }>()

const route = useRoute()
const isSignedOut = computed(() => failure.error?.code === 'notSignedIn')
const title = computed(() =>
  failure.kind === 'away' && !failure.error ? 'The server does not answer.' : 'This rig cannot be opened.',
)
</script>

<template>
  <main class="missing">
    <h1>{{ title }}</h1>
    <p v-if="failure.error">{{ failure.error.message }}</p>
    <p v-else>Start it again with npm run demo or npm start, then try again.</p>
    <p class="ways">
      <a v-if="isSignedOut" :href="signInAddress(route.fullPath)">Sign in</a>
      <Button label="Try again" @click="emit('retry')" />
      <RouterLink to="/rigs">All rigs</RouterLink>
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
