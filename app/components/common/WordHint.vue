<script setup lang="ts">
import { CircleQuestionMark } from '@lucide/vue'
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { wordOf } from '~/text/words'

/** What a word of the trade means, where it stands; a press opens the page of all words at it. */
const { of } = defineProps<{ of: string }>()

const word = computed(() => wordOf(of))
</script>

<template>
  <NuxtLink
    v-if="word"
    v-tooltip.bottom="{ value: `${word.is} ${word.like}`, class: 'word-hint' }"
    class="hint"
    :to="`/words#${word.key}`"
    :aria-label="`What is ${word.word}? ${word.is}`"
  >
    <CircleQuestionMark :size="14" aria-hidden="true" />
  </NuxtLink>
</template>

<style scoped>
.hint {
  display: inline-grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border-radius: 50%;
  color: var(--ink-soft);
  vertical-align: middle;
}

.hint:hover {
  background: var(--hover);
  color: var(--ink);
}
</style>
