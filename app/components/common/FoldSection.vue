<script setup lang="ts">
/** A part of the inspector that can be folded away. */
const {
  title,
  summary = '',
  open = false,
} = defineProps<{ title: string; summary?: string; open?: boolean }>()
</script>

<template>
  <details :open="open">
    <summary>
      <h3>{{ title }}</h3>
      <span class="mono">{{ summary }}</span>
    </summary>
    <div class="inside"><slot /></div>
  </details>
</template>

<style scoped>
details {
  border-top: 1px solid var(--line);
}

summary {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 6px 0;
  cursor: pointer;
  list-style: none;
}

summary::-webkit-details-marker {
  display: none;
}

summary h3::before {
  content: '+';
  display: inline-block;
  width: 14px;
  font-family: var(--mono);
}

details[open] > summary h3::before {
  content: '\2212';
}

summary span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 12px;
  color: var(--ink-soft);
}

.inside {
  display: grid;
  gap: 10px;
  padding: 2px 0 12px;
}
</style>
