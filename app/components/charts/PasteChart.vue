<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, toRaw, useTemplateRef, watch } from 'vue'
import { useDropZone } from '@vueuse/core'
import {
  COLUMN_KINDS,
  controlsByAddress,
  takeChart,
  takingOf,
  type ChartRow,
  type ColumnKind,
} from '#core/chart'
import { highestValue, type ControlId, type Device, type Rig } from '#core/rig'
import FilePick from '~/components/common/FilePick.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import { useAnswer } from '~/platform/useAnswer'
import { useRigStore } from '~/stores/rig'
import { addressText, badCellText, COLUMN_TEXT, DOUBT_TEXT, readingText } from '~/text/charts'
import { count } from '#shared/words/counts'
import VirtualRows from './VirtualRows.vue'

/** Gets a chart in: pasted or dropped, columns recognised or mapped by hand, every row looked at before anything is written. */
const { rig, device, isOpen } = defineProps<{ rig: Rig; device: Device; isOpen: boolean }>()
const emit = defineEmits<{ close: [] }>()

const rigs = useRigStore()
const reader = useAnswer('chart')

const FILE_MAX = 4_000_000
const text = ref('')
const fault = ref('')
const isReading = computed(() => reader.done.value !== null)
/** Of a text that could not be read there is nothing to take: not the text before it either. */
const chart = computed(() => (reader.fault.value ? null : (reader.answer.value?.value ?? null)))

function read(columns: readonly ColumnKind[] | null): void {
  if (text.value.trim() === '') reader.forget()
  else reader.ask(rig, { text: text.value, columns })
}
watch(text, () => read(null))
watch(chart, () => (chosen.value = new Set()))

async function takeFile(file: File | undefined): Promise<void> {
  if (!file) return
  fault.value = file.size > FILE_MAX ? 'This file is larger than 4 MB. A chart is a few pages.' : ''
  if (!fault.value) text.value = await file.text()
}

const zone = useTemplateRef<HTMLElement>('zone')
useDropZone(zone, { onDrop: (files) => void takeFile(files?.[0]) })

function setColumn(n: number, kind: ColumnKind): void {
  if (chart.value) read(chart.value.columns.map((one, at) => (at === n ? kind : one)))
}

const existing = computed(() => controlsByAddress(rig, device.id))
const TAKING = { new: 'new', changes: 'changes it', same: 'as it is' }
const PASSED = {
  head: 'column heads',
  blank: 'empty',
  footnote: 'words beside the table',
  joined: 'taken with the line above',
  repeated: 'the same as a line above',
}
/** Of lines with one number, those the player takes. */
const chosen = shallowRef<ReadonlySet<ChartRow>>(new Set())
/** The list hands rows out wrapped. */
const isChosen = (row: ChartRow) => chosen.value.has(toRaw(row))
function choose(row: ChartRow): void {
  if (row.kind !== 'control') return
  const others = [...chosen.value].filter((one) => one.kind !== 'control' || !row.twins.includes(one.line))
  chosen.value = new Set([...others, toRaw(row)])
}
const lineOf = (row: ChartRow) => {
  switch (row.kind) {
    case 'control': {
      const { draft, doubts, twins } = row
      const isOpen = twins.length > 0 && !isChosen(row)
      const says = [
        readingText(draft.reading, highestValue(draft.address)),
        ...doubts.map((one) => DOUBT_TEXT[one]),
      ]
      return {
        tone: isOpen ? 'bad' : doubts.length > 0 ? 'doubtful' : takingOf(existing.value, draft),
        mark: isOpen ? 'not taken' : TAKING[takingOf(existing.value, draft)],
        what: `${addressText(draft.address)}  ${[draft.section, draft.name].filter(Boolean).join(', ')}`,
        why:
          twins.length > 0
            ? `the same number as line ${twins.join(', ')}: take one of them`
            : says.join('; '),
      }
    }
    case 'section':
      return { tone: 'passed', mark: 'section', what: row.name, why: '' }
    case 'passed':
      return {
        tone: 'passed',
        mark: 'left out',
        what: '',
        why: PASSED[row.why],
      }
    case 'bad':
      return { tone: 'bad', mark: 'not taken', what: '', why: badCellText(row.bad) }
  }
}
const drafts = computed(
  () =>
    chart.value?.rows.flatMap((row) =>
      row.kind === 'control' && (row.twins.length === 0 || chosen.value.has(row)) ? [row.draft] : [],
    ) ?? [],
)
const open = computed(
  () =>
    chart.value?.rows.filter(
      (row) => row.kind === 'control' && row.twins.length > 0 && !chosen.value.has(row),
    ).length ?? 0,
)
const doubtful = computed(
  () => chart.value?.rows.filter((row) => row.kind === 'control' && row.doubts.length > 0).length ?? 0,
)
const bad = computed(() => chart.value?.rows.filter(({ kind }) => kind === 'bad').length ?? 0)
const changing = computed(
  () => drafts.value.filter((draft) => takingOf(existing.value, draft) !== 'same').length,
)

function accept(): void {
  if (!rigs.edit(takeChart(rig, device.id, drafts.value, () => nanoid(12) as ControlId))) return
  text.value = ''
  emit('close')
}
const COLUMNS = COLUMN_KINDS.map((value) => ({ value, text: COLUMN_TEXT[value] }))
</script>

<template>
  <Dialog
    :visible="isOpen"
    modal
    :header="`A chart for ${device.name}`"
    :draggable="false"
    :style="{ width: '920px', maxWidth: '96vw' }"
    @update:visible="emit('close')"
  >
    <div ref="zone" class="paste">
      <label>
        <span>Paste the table from the manual, or drop a CSV file here</span>
        <textarea v-model="text" rows="5" class="mono" spellcheck="false" />
      </label>
      <FilePick
        class="file"
        label="Or choose a file"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        @file="takeFile"
      />
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <NotWorkedOut
        v-if="reader.fault.value"
        what="This chart"
        :fault="reader.fault.value"
        :is-old-shown="false"
        @retry="reader.again"
      />
      <template v-else-if="chart">
        <div class="columns" role="group" aria-label="What each column holds">
          <div v-for="(kind, n) in chart.columns" :key="n">
            <ChoiceField
              :label="`Column ${n + 1}`"
              :value="kind"
              :choices="COLUMNS"
              @choose="setColumn(n, $event)"
            />
            <p class="mono sample">{{ chart.sample.map((cells) => cells[n] ?? '').join(' · ') }}</p>
          </div>
        </div>
        <p role="status">
          {{ count(drafts.length, 'line') }} read, {{ changing }} to be written,
          {{ count(bad + open, 'line') }} not taken{{ doubtful > 0 ? `, ${doubtful} to look at` : '' }}.
        </p>
        <VirtualRows class="preview" :rows="chart.rows" :height="24" label="What was read">
          <template #default="{ row }">
            <p class="line" :class="lineOf(row).tone">
              <span class="mono">{{ row.line }}</span>
              <b>{{ lineOf(row).mark }}</b>
              <span class="cut">{{ lineOf(row).what }}</span>
              <span class="cut why" :title="lineOf(row).why">{{ lineOf(row).why }}</span>
              <button
                v-if="row.kind === 'control' && row.twins.length > 0"
                type="button"
                :aria-pressed="isChosen(row)"
                :aria-label="`Take line ${row.line}`"
                @click="choose(row)"
              >
                take it
              </button>
            </p>
          </template>
        </VirtualRows>
      </template>
      <p v-else-if="isReading" role="status">Reading.</p>
    </div>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="emit('close')" />
      <Button :label="`Take ${count(changing, 'line')}`" :disabled="changing === 0" @click="accept" />
    </template>
  </Dialog>
</template>

<style scoped>
.paste {
  display: grid;
  gap: 10px;
}

label {
  display: grid;
  gap: 3px;
}

label span {
  font-weight: 600;
  font-size: 12px;
  color: var(--ink-soft);
}

.file {
  justify-self: start;
}

textarea {
  white-space: pre;
  overflow: auto;
}

.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
  gap: 8px;
}

.sample {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 11px;
  color: var(--ink-soft);
}

.preview {
  height: 220px;
  flex: none;
}

.line {
  display: grid;
  grid-template-columns: 48px 84px minmax(0, 1fr) minmax(0, 1.4fr) auto;
  gap: 8px;
  height: 23px;
  font-size: 12.5px;
  line-height: 23px;
  border-bottom: 1px solid var(--line);
}

.cut {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.why,
.passed,
.same {
  color: var(--ink-soft);
}

.bad,
.bad .why,
.fault {
  color: var(--error);
}

.new b {
  color: var(--good);
}

.changes b,
.doubtful .why {
  color: var(--warning);
}
</style>
