<script setup lang="ts">
import { CircleAlert, Info, TriangleAlert } from '@lucide/vue'
import { computed } from 'vue'
import type { Finding } from '#core'
import { findingText, SEVERITY_TEXT } from '~/text/findings'

const { finding } = defineProps<{ finding: Finding }>()
const emit = defineEmits<{ fix: [] }>()

const text = computed(() => findingText(finding))
const ICONS = { error: CircleAlert, warning: TriangleAlert, hint: Info }
</script>

<template>
  <div class="note" :class="finding.severity">
    <component :is="ICONS[finding.severity]" :size="16" aria-hidden="true" />
    <div>
      <p class="title">
        <span class="unseen">{{ SEVERITY_TEXT[finding.severity] }}: </span>{{ text.title }}
      </p>
      <p>
        {{ text.body }}
        <button v-if="text.fix && finding.fix" type="button" class="word" @click="emit('fix')">
          {{ text.fix }}
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  gap: 10px;
  padding: 9px 12px;
  border-left: 3px solid currentcolor;
}

.note svg {
  flex: none;
  margin-top: 2px;
}

.note > div {
  color: var(--ink);
}

.title {
  font-weight: 700;
}

.note .word {
  text-align: left;
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
