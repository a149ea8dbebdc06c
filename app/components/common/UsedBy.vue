<script setup lang="ts">
import { computed } from 'vue'
import type { Rig } from '#core/rig'
import { usedBy, type UsedTable } from '#core/sound'
import { namesText, useNames, useText } from '~/text/sounds'

/** What a change here touches, said before it is made. */
const { rig, table, id } = defineProps<{ rig: Rig; table: UsedTable; id: string }>()

const use = computed(() => usedBy(rig, table, id))
const names = computed(() => namesText(useNames(rig, use.value)))
</script>

<template>
  <section class="used" aria-label="Used by">
    <p>{{ useText(use) }}</p>
    <p v-if="names" class="soft">{{ names }}</p>
  </section>
</template>

<style scoped>
.used {
  display: grid;
  gap: 2px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
  font-size: 12.5px;
}
</style>
