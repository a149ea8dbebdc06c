<script setup lang="ts">
import { onMounted } from 'vue'
import { useRouter } from 'vue-router'
import { lastRig } from '~/platform/lastRig'
import { usePlatform } from '~/platform/platform'

/** Opens the rig this browser had last, else the newest one, else the list. */
const router = useRouter()
onMounted(async () => {
  const answer = await usePlatform().server.list()
  const rigs = answer.kind === 'done' ? answer.value.rigs : []
  const rig = rigs.find(({ id }) => id === lastRig()) ?? rigs[0]
  // Away: the rig that was open last may be kept here.
  const kept = answer.kind === 'away' ? lastRig() : null
  if (kept) return router.replace(`/rigs/${kept}/switches`)
  await router.replace(rig ? `/rigs/${rig.id}/switches` : '/rigs')
})
</script>

<template>
  <main class="opening" role="status">Opening.</main>
</template>

<style scoped>
.opening {
  padding: 24px;
}
</style>
