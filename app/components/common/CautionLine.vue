<script setup lang="ts">
import { ShieldAlert } from '@lucide/vue'
import type { Caution } from '#core/setup'
import { CAUTION_TEXT } from '~/text/cautions'

const { caution } = defineProps<{ caution: Caution }>()
</script>

<template>
  <p class="caution">
    <ShieldAlert :size="14" aria-hidden="true" />
    <span><span class="unseen">Caution: </span>{{ CAUTION_TEXT[caution] }}</span>
  </p>
</template>

<style scoped>
.caution {
  display: flex;
  gap: 6px;
  font-size: 12px;
  color: var(--warning);
}

.caution svg {
  flex: none;
  margin-top: 2px;
}
</style>
