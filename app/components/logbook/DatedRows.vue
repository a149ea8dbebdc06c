<script setup lang="ts">
import { computed } from 'vue'
import VirtualRows from '~/components/charts/VirtualRows.vue'
import { usePlatform } from '~/platform/platform'
import { dayOf } from '#shared/words/times'

export interface DatedRow {
  readonly key: string
  /** As it is stored, "2026-11-24"; said once for all of a day. */
  readonly day: string
  readonly time: string
  readonly title: string
  readonly text: string
  /** Beside the title; a name is on tape. */
  readonly about?: string
  readonly name?: string
  readonly number?: number
  readonly isBad?: boolean
}

/** A long list of what was when, the newest first; one of them is chosen. */
const { rows, chosen, label } = defineProps<{
  rows: readonly DatedRow[]
  chosen: string | null
  label: string
}>()
const emit = defineEmits<{ choose: [key: string] }>()

const { clock } = usePlatform()
const dated = computed(() => rows.map((row, n) => ({ ...row, isFirst: rows[n - 1]?.day !== row.day })))
const scrollTo = computed(() => rows.findIndex(({ key }) => key === chosen))
</script>

<template>
  <VirtualRows v-slot="{ row }" :rows="dated" :height="46" :label="label" :scroll-to="scrollTo">
    <button
      type="button"
      :class="{ chosen: row.key === chosen, numbered: row.number !== undefined }"
      :aria-pressed="row.key === chosen"
      @click="emit('choose', row.key)"
    >
      <span class="when mono"><b v-if="row.isFirst">{{ dayOf(row.day, clock.now()) }}</b>{{ row.time }}</span>
      <span v-if="row.number !== undefined" class="number mono">{{ row.number }}</span>
      <span class="what">
        <b :class="{ bad: row.isBad }">{{ row.title }}</b>
        <span v-if="row.about" class="about">{{ row.about }}</span>
        <span v-if="row.name" class="tape">{{ row.name }}</span>
        <span class="text">{{ row.text }}</span>
      </span>
    </button>
  </VirtualRows>
</template>

<style scoped>
button {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 12px;
  width: 100%;
  height: 45px;
  padding: 3px 6px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
}

.numbered {
  grid-template-columns: 84px 44px minmax(0, 1fr);
}

button:hover {
  background: var(--hover);
}

button:focus-visible {
  outline-offset: -2px;
}

.when b {
  display: block;
}

.when {
  font-size: 12px;
  line-height: 1.5;
  color: var(--ink-soft);
}

.number {
  text-align: right;
  color: var(--ink-soft);
}

.what {
  display: grid;
  grid-template: auto auto / auto minmax(0, 1fr);
  gap: 0 8px;
  line-height: 1.35;
}

.bad {
  color: var(--error);
}

.about,
.text,
.tape {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.about {
  color: var(--ink-soft);
}

.tape {
  justify-self: start;
  max-width: 100%;
  padding: 0 7px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 13px/1.35 var(--display);
}

.text {
  grid-column: 1 / -1;
}

.chosen,
.chosen:hover {
  background: var(--chosen);
  color: var(--on-chosen);
}

.chosen span:not(.tape),
.chosen b {
  color: inherit;
}
</style>
