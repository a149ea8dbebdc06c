<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { Printer } from '@lucide/vue'
import { computed } from 'vue'
import { rigName, type MarkId, type Rig } from '#core/rig'
import {
  lostTick,
  PHASE_CAUTIONS,
  PHASES,
  taskCautions,
  tickOf,
  toggleTick,
  type Caution,
  type ChecklistLine,
} from '#core/setup'
import CautionLine from '~/components/common/CautionLine.vue'
import { selectionOf, type Selection } from '~/composables/useSelection'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from '~/stores/rig'
import { PHASE_TEXT, taskText } from '~/text/checklist'
import { dayText } from '#shared/words/times'

/** Lines to tick, in the order in which they are best done; printed, they are one or two pages. */
const {
  rig,
  title,
  lines,
  nothing,
  canShow = false,
  isPart = false,
} = defineProps<{
  rig: Rig
  title: string
  lines: readonly ChecklistLine[]
  /** Said where there are none. */
  nothing: string
  /** What a line is about can be shown beside it. */
  canShow?: boolean
  /** One of several on a page: another prints them. */
  isPart?: boolean
}>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const rigs = useRigStore()
const { clock, page } = usePlatform()

const phases = computed(() => {
  const said = new Set<Caution>()
  const all = lines.map((line) => {
    // Once is enough.
    const cautions = taskCautions(line.task).filter((one) => !said.has(one))
    cautions.forEach((one) => said.add(one))
    return {
      line,
      text: taskText(line.task),
      tick: tickOf(rig, line),
      lost: lostTick(rig, line),
      cautions,
    }
  })
  return PHASES.map((phase) => ({ phase, lines: all.filter(({ line }) => line.phase === phase) })).filter(
    (one) => one.lines.length > 0,
  )
})
const done = computed(() => {
  const all = phases.value.flatMap(({ lines }) => lines)
  return { ticked: all.filter(({ tick }) => tick).length, of: all.length }
})

const toggle = (line: ChecklistLine) =>
  rigs.edit(
    toggleTick(rig, line, {
      newId: nanoid(12) as MarkId,
      revision: rigs.revision,
      at: clock.now().toISOString(),
    }),
  )
const show = ({ about }: ChecklistLine) => {
  const choice = selectionOf(about.table, about.id)
  if (choice) emit('choose', choice)
}
</script>

<template>
  <div class="pane printed" :role="isPart ? 'region' : 'tabpanel'" :aria-label="title">
    <header>
      <h2>{{ title }}</h2>
      <p class="name">{{ isPart ? '' : `${rigName(rig)}, revision ${rigs.revision}` }}</p>
      <p class="mono count">{{ done.ticked }} of {{ done.of }} done</p>
      <slot />
      <Button
        v-if="!isPart"
        class="unprinted"
        label="Print"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="page.print()"
      >
        <template #icon><Printer :size="14" aria-hidden="true" /></template>
      </Button>
    </header>
    <p v-if="phases.length === 0">
      {{ nothing }}
    </p>
    <section v-for="{ phase, lines: ofPhase } in phases" :key="phase">
      <h3>{{ PHASE_TEXT[phase] }}</h3>
      <CautionLine v-for="caution in PHASE_CAUTIONS[phase]" :key="caution" :caution="caution" />
      <ul>
        <li v-for="{ line, text, tick, lost, cautions } in ofPhase" :key="line.key" :class="{ done: tick }">
          <input
            :id="`tick-${line.key}`"
            type="checkbox"
            :checked="tick !== null"
            :aria-describedby="`look-${line.key}`"
            @change="toggle(line)"
          />
          <div class="what">
            <label :for="`tick-${line.key}`">{{ text.does }}</label>
            <button
              v-if="canShow"
              type="button"
              class="word unprinted"
              :aria-label="`Show: ${text.does}`"
              @click="show(line)"
            >
              Show
            </button>
            <p v-if="text.note" class="note">{{ text.note }}</p>
            <slot name="line" :line="line" />
            <p v-if="lost" class="lost">
              Was ticked {{ dayText(lost.at) }} at revision {{ lost.revision }}; it has changed since.
            </p>
            <CautionLine v-for="caution in cautions" :key="caution" :caution="caution" />
          </div>
          <p :id="`look-${line.key}`" class="look">
            {{ text.look }} <span class="otherwise"><b>If not:</b> {{ text.otherwise }}</span>
          </p>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.pane {
  flex: 1 1 0;
  min-height: 0;
  overflow: auto;
  padding: 8px 2px;
}

header {
  display: flex;
  align-items: baseline;
  gap: 12px;
}

.name {
  flex: 1;
  color: var(--ink-soft);
}

section {
  padding-top: 10px;
}

section h3 {
  font: 700 14px/1.5 var(--display);
  color: var(--ink);
}

li {
  display: grid;
  grid-template-columns: 22px minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 0 8px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  break-inside: avoid;
}

input {
  width: 16px;
  height: 16px;
  margin: 2px 0;
  accent-color: var(--chosen);
}

label {
  font-weight: 600;
}

.done label {
  font-weight: 400;
  color: var(--ink-soft);
}

.word {
  margin-left: 8px;
  font-size: 12px;
}

.note,
.look,
.lost {
  font-size: 12.5px;
  line-height: 1.35;
}

.note,
.look {
  color: var(--ink-soft);
}

.lost {
  color: var(--warning);
}

@media print {
  ul {
    columns: 3;
    column-gap: 14px;
    font-size: 11.5px;
    line-height: 1.3;
  }

  section {
    padding-top: 3px;
  }

  li {
    grid-template-columns: 16px minmax(0, 1fr);
    padding: 1px 0;
  }

  li label {
    font-size: 10.5px;
    line-height: 1.2;
  }

  .look {
    grid-column: 2;
  }

  .note,
  .look {
    font-size: 9px;
    line-height: 1.2;
  }

  input {
    width: 11px;
    height: 11px;
    border: 1px solid #000;
    appearance: none;
  }

  input:checked {
    background: #000;
  }
}

.otherwise b {
  font-weight: 600;
  color: var(--ink);
}
</style>
