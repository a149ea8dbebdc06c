<script setup lang="ts">
import { computed } from 'vue'
import { expectedOf, gestureKey, type HeardMessage } from '#core/listen'
import type { Controller, Rig } from '#core/rig'
import { useListenStore } from '~/stores/listen'
import { gestureText, hexText, howText, verdictText } from '~/text/keyIn'

/** What was asked for and what came, message by message. */
const { rig, controller } = defineProps<{ rig: Rig; controller: Controller }>()

const listen = useListenStore()
/** What is asked for; or, once it was heard, what was heard last. */
const judged = computed(() => {
  const lastKey = listen.takes.at(-1)
  const asked = listen.judged.find(({ gesture }) => gestureKey(gesture) === listen.asked)
  if (asked?.take) return asked
  return lastKey
    ? (listen.judged.find(({ gesture }) => gestureKey(gesture) === gestureKey(lastKey.gesture)) ?? null)
    : null
})
const rows = computed(() => {
  const one = judged.value
  if (!one) return []
  const planned = expectedOf(rig, one.gesture).sends
  const sent = one.take?.sent ?? []
  return Array.from({ length: Math.max(planned.length, sent.length) }, (_, n) => ({
    planned: planned[n] ?? null,
    sent: sent[n] ?? null,
    isSame: planned[n]?.hex === sent[n]?.hex,
  }))
})
const said = (one: HeardMessage | null) => (one ? hexText(one.hex) : '')
</script>

<template>
  <section v-if="judged" aria-label="Message by message">
    <h2>{{ gestureText(rig, controller, judged.gesture) }}</h2>
    <p class="soft">
      {{ howText(judged.gesture) }}: {{ judged.verdict ? verdictText(judged.verdict) : 'not heard yet' }}.
    </p>
    <p v-if="rows.length === 0" class="soft">Nothing is planned and nothing came.</p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">Planned</th>
          <th scope="col">Came</th>
          <th scope="col">After</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, n) in rows" :key="n" :class="{ other: !row.isSame }">
          <td>{{ said(row.planned) }}</td>
          <td>{{ said(row.sent) || 'nothing' }}{{ row.isSame ? '' : ' ≠' }}</td>
          <td class="mono">{{ row.sent ? `${row.sent.ms} ms` : '' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
  <p v-else class="soft">What comes in stands here beside what was planned, with its times.</p>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}

.other td {
  color: var(--error);
  font-weight: 600;
}
</style>
