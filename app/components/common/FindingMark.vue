<script setup lang="ts">
import { CircleAlert, Info, TriangleAlert } from '@lucide/vue'
import { computed } from 'vue'
import type { Finding, Severity } from '#core/check'
import { count } from '#shared/words/counts'

/** How much needs attention, and how badly: the worst one's shape, the number, and a word for readers. */
const { found } = defineProps<{ found: readonly Finding[] }>()

const ICONS = { error: CircleAlert, warning: TriangleAlert, hint: Info }
const WORST: readonly Severity[] = ['error', 'warning', 'hint']
const worst = computed(() => WORST.find((severity) => found.some((one) => one.severity === severity)) ?? null)
</script>

<template>
  <span v-if="worst" class="mark" :class="worst">
    <component :is="ICONS[worst]" :size="13" aria-hidden="true" />
    {{ found.length }}
    <span class="unseen">{{ count(found.length, 'thing') }} to look at</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  padding: 0 7px;
  border-radius: 999px;
  font: 600 12px/18px var(--mono);
}

.error {
  color: var(--error);
  background: var(--error-ground);
}

.warning {
  color: var(--warning);
  background: var(--warning-ground);
}

.hint {
  color: var(--hint);
  background: var(--hint-ground);
}
</style>
