<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import type { LogbookLine, Rig } from '#core'
import VirtualRows from '~/components/charts/VirtualRows.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { usePlatform } from '~/platform/platform'
import { lineAboutText, lineKindText, lineText } from '~/text/logbook'
import { dayOf, isoDate, shortTimeText } from '~/text/times'

/** Everything that was written down and everything the tool knows happened, the newest first. */
const { rig, lines, chosen } = defineProps<{
  rig: Rig
  lines: readonly LogbookLine[]
  chosen: string | null
}>()
const emit = defineEmits<{ choose: [key: string] }>()

const { clock } = usePlatform()
const search = ref('')
const EVERYTHING = '*'
const about = ref(EVERYTHING)

const told = computed(() =>
  lines.map((line) => ({
    key: line.key,
    day: isoDate(new Date(line.at)),
    time: shortTimeText(line.at),
    kind: lineKindText(line),
    isBad: line.kind === 'note' && (line.note.fact.kind === 'stage' || lineKindText(line) === 'Test failed'),
    about: lineAboutText(rig, line),
    text: lineText(line),
  })),
)
const subjects = computed(() => [
  { value: EVERYTHING, text: 'Everything' },
  ...[...new Set(told.value.map((one) => one.about))]
    .filter((one) => one !== '')
    .sort()
    .map((one) => ({ value: one, text: one })),
])
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return told.value
    .filter((one) => about.value === EVERYTHING || one.about === about.value)
    .filter((one) => {
      const all = `${one.kind} ${one.about} ${one.text} ${one.day}`.toLowerCase()
      return words.every((word) => all.includes(word))
    })
    .map((one, n, all) => ({ ...one, isFirst: all[n - 1]?.day !== one.day }))
})
const scrollTo = computed(() => found.value.findIndex(({ key }) => key === chosen))
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Logbook">
    <div class="head">
      <div class="field">
        <label for="log-search">Look for</label>
        <InputText id="log-search" v-model="search" size="small" placeholder="hum, firmware, 24 Nov" />
      </div>
      <ChoiceField label="About" :value="about" :choices="subjects" @choose="about = $event" />
    </div>
    <p v-if="lines.length === 0" class="soft">
      Nothing yet. Write the first line at the right; what you key in, hear, record and practise is put down
      by itself.
    </p>
    <p v-else-if="found.length === 0" class="soft">No line has all of these words.</p>
    <VirtualRows v-else v-slot="{ row }" :rows="found" :height="46" label="Logbook" :scroll-to="scrollTo">
      <button
        type="button"
        class="line"
        :class="{ chosen: row.key === chosen }"
        :aria-pressed="row.key === chosen"
        @click="emit('choose', row.key)"
      >
        <span class="when mono"
          ><b v-if="row.isFirst">{{ dayOf(row.day, clock.now()) }}</b
          >{{ row.time }}</span
        >
        <span class="what">
          <b :class="{ bad: row.isBad }">{{ row.kind }}</b>
          <span v-if="row.about" class="about">{{ row.about }}</span>
          <span class="text">{{ row.text }}</span>
        </span>
      </button>
    </VirtualRows>
  </div>
</template>

<style scoped>
.tab-pane {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.head {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: 12px;
  padding-bottom: 8px;
}

.line {
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

.line:hover {
  background: var(--hover);
}

.line:focus-visible {
  outline-offset: -2px;
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

.when b {
  display: block;
}

.when {
  font-size: 12px;
  line-height: 1.5;
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

.about {
  overflow: hidden;
  color: var(--ink-soft);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.text {
  grid-column: 1 / -1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
