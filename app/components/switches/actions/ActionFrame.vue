<script setup lang="ts">
import { ArrowDown, ArrowUp, X } from '@lucide/vue'
import IconButton from '~/components/common/IconButton.vue'
import type { ActionLine } from '#shared/actions/actionText'

/** One action of a list: what it does and sends, in a line; its fields below when it is open. */
const {
  lines,
  name,
  sent,
  isFirst,
  isLast,
  isOpen = false,
} = defineProps<{
  lines: readonly ActionLine[]
  /** What buttons call it. */
  name: string
  sent: string
  isFirst: boolean
  isLast: boolean
  isOpen?: boolean
}>()
const emit = defineEmits<{ move: [by: 1 | -1]; remove: [] }>()
</script>

<template>
  <li class="row">
    <div class="top">
      <details :open="isOpen">
        <summary>
          <span v-for="line in lines" :key="line.key" class="line">
            <b>{{ line.device }}</b> {{ line.state }}
          </span>
          <span class="sent mono">{{ sent }}</span>
        </summary>
        <slot />
      </details>
      <span class="tools">
        <IconButton
          :icon="ArrowUp"
          :name="`Send ${name} earlier`"
          :disabled="isFirst"
          @click="emit('move', -1)"
        />
        <IconButton
          :icon="ArrowDown"
          :name="`Send ${name} later`"
          :disabled="isLast"
          @click="emit('move', 1)"
        />
        <IconButton :icon="X" :name="`Take ${name} off`" @click="emit('remove')" />
      </span>
    </div>
  </li>
</template>

<style scoped>
.row {
  border-bottom: 1px solid var(--line);
}

.top {
  display: flex;
  align-items: start;
  gap: 4px;
}

details {
  flex: 1;
  min-width: 0;
}

summary {
  display: grid;
  padding: 4px 0;
  cursor: pointer;
  list-style: none;
}

summary::-webkit-details-marker {
  display: none;
}

summary:hover b {
  text-decoration: underline;
}

.line {
  overflow-wrap: anywhere;
}

.sent {
  overflow: hidden;
  font-size: 12px;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--ink-soft);
}

:slotted(.fields) {
  display: grid;
  gap: 8px;
  padding: 2px 0 9px;
}

.tools {
  display: flex;
  padding-top: 2px;
}
</style>
