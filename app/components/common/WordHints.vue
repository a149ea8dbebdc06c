<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { wordOf } from '~/text/words'

/** What words of the trade mean, where they stand: each in a sentence, and the page of all of them behind it. */
const { of } = defineProps<{ of: readonly string[] }>()

const words = computed(() => of.flatMap((key) => wordOf(key) ?? []))
</script>

<template>
  <p class="hints">
    What is
    <template v-for="(word, n) in words" :key="word.key">
      <RouterLink
        v-tooltip.bottom="`${word.is} ${word.like}`"
        :to="`/words#${word.key}`"
        :aria-description="`${word.is} ${word.like}`"
        >{{
          word.word.toLowerCase() === word.word || /[A-Z]{2}/.test(word.word)
            ? word.word
            : word.word.toLowerCase()
        }}</RouterLink
      >{{ n < words.length - 1 ? ', ' : '?' }}
    </template>
  </p>
</template>

<style scoped>
.hints {
  padding-top: 4px;
  font-size: 12.5px;
  color: var(--ink-soft);
}

a {
  color: inherit;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}

a:hover {
  color: var(--link);
}
</style>
