<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import type { LogbookLine } from '#core/logbook'
import type { Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import DatedRows from '~/components/logbook/DatedRows.vue'
import { lineAboutText, lineKindText, lineText } from '~/text/logbook'
import { dateText, isoDate, shortTimeText } from '#shared/words/times'

/** Everything that was written down and everything the tool knows happened, the newest first. */
const { rig, lines, chosen } = defineProps<{
  rig: Rig
  lines: readonly LogbookLine[]
  chosen: string | null
}>()
const emit = defineEmits<{ choose: [key: string] }>()

const search = ref('')
const EVERYTHING = '*'
const about = ref(EVERYTHING)

const told = computed(() =>
  lines.map((line) => ({
    key: line.key,
    day: isoDate(new Date(line.at)),
    time: shortTimeText(line.at),
    title: lineKindText(line),
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
      const all = `${one.title} ${one.about} ${one.text} ${one.day} ${dateText(one.day)}`.toLowerCase()
      return words.every((word) => all.includes(word))
    })
})
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
    <DatedRows v-else :rows="found" :chosen="chosen" label="Logbook" @choose="emit('choose', $event)" />
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
</style>
