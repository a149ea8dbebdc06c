<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, nextTick, onMounted, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { count } from '#shared/words/counts'
import { wordsFor } from '~/text/words'

/** The words of the trade, one sentence and one comparison each; searched by typing. */
const route = useRoute()
const router = useRouter()
const query = ref('')
const found = computed(() => wordsFor(query.value))
const chosen = computed(() => route.hash.slice(1))

onMounted(async () => {
  await nextTick()
  document.getElementById(chosen.value)?.scrollIntoView({ block: 'center' })
})
</script>

<template>
  <main class="words">
    <header>
      <h1>Words of the trade</h1>
      <button type="button" class="word" @click="router.back()">Back</button>
      <RouterLink to="/rigs">All rigs</RouterLink>
    </header>
    <div class="field">
      <label for="look-up">Look a word up</label>
      <InputText id="look-up" v-model="query" type="search" placeholder="channel, PC, thru" />
    </div>
    <p role="status" class="soft">
      {{
        found.length === 0 ? `Nothing explains "${query}". Try a shorter word.` : count(found.length, 'word')
      }}
    </p>
    <dl>
      <div v-for="one in found" :id="one.key" :key="one.key" :class="{ chosen: one.key === chosen }">
        <dt>{{ one.word }} <span v-if="one.also.length > 0" class="soft">{{ one.also.join(', ') }}</span></dt>
        <dd>{{ one.is }}</dd>
        <dd class="soft">{{ one.like }}</dd>
      </div>
    </dl>
  </main>
</template>

<style scoped>
.words {
  display: grid;
  grid-template-rows: auto auto auto minmax(0, 1fr);
  gap: 8px;
  max-width: 760px;
  height: 100dvh;
  padding: 18px 24px 0;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
}

h1 {
  flex: 1;
}

.field {
  display: grid;
  gap: 3px;
  max-width: 320px;
}

label {
  font-size: 12px;
  font-weight: 600;
  color: var(--ink-soft);
}

dl {
  min-height: 0;
  margin: 0;
  overflow: auto;
}

dl div {
  padding: 8px 10px;
  border-bottom: 1px solid var(--line);
}

.chosen {
  background: var(--sheet);
  box-shadow: inset 4px 0 0 var(--tape-edge);
}

dt {
  font: 700 15.5px/1.4 var(--display);
}

dt span {
  font: 400 12.5px var(--text);
}

dd {
  margin: 0;
}

.soft {
  color: var(--ink-soft);
}
</style>
