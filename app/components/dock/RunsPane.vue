<script setup lang="ts">
import { fixedText } from '#core/base'
import { Circle, Play, Square, Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import {
  addRow,
  editRow,
  inOrder,
  lastOrder,
  removeRow,
  SEEN_MESSAGES_MAX,
  type Run,
  type RunId,
  type RunStep,
} from '#core/rig'
import { playSteps, runDifferences, seenIn } from '#core/simulate'
import FindingNote from '~/components/common/FindingNote.vue'
import IconButton from '~/components/common/IconButton.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { differenceText } from '~/text/runs'

/** Runs of presses: recorded, named, played again, held against what they did when they were recorded. */
const floor = useFloorStore()
const rigs = useRigStore()

/** A run that was recorded and has no name yet. */
const draft = ref<{ steps: readonly RunStep[]; length: number } | null>(null)
const name = ref('')
const refusal = ref('')
const openId = ref<string | null>(null)

const runs = computed(() => (rigs.rig ? inOrder(rigs.rig.runs) : []))
const recorded = computed(() => (floor.version >= 0 ? (floor.recorder?.count ?? 0) : 0))
const found = (run: Run) => rigs.found.filter(({ about }) => about.table === 'runs' && about.id === run.id)
const differences = computed(() => {
  const run = runs.value.find(({ id }) => id === openId.value)
  return run && rigs.rig ? runDifferences(rigs.rig, run) : []
})

function end(): void {
  draft.value = floor.endRecording()
  refusal.value = draft.value ? '' : 'Nothing was done, so there is nothing to keep.'
  name.value = `Run ${runs.value.length + 1}`
}

function keep(): void {
  const { rig } = rigs
  if (!rig || !draft.value || name.value.trim() === '') return
  const steps = [...draft.value.steps]
  const { length } = draft.value
  const seen = seenIn(rig, playSteps(rig, steps, length))
  if (seen.wire.length > SEEN_MESSAGES_MAX) {
    refusal.value = `It sends ${seen.wire.length} messages; a run that is kept sends ${SEEN_MESSAGES_MAX} at most. Record a shorter one.`
    return
  }
  const row: Run = {
    id: nanoid(12) as RunId,
    order: lastOrder(rig.runs),
    name: name.value.trim(),
    steps,
    length,
    seen,
  }
  if (rigs.edit(addRow('addRun', 'runs', row))) draft.value = null
}

const remove = (run: Run) => rigs.rig && rigs.edit(removeRow(rigs.rig, 'removeRun', 'runs', run.id))
const rename = (run: Run, to: string) =>
  rigs.rig &&
  to.trim() !== '' &&
  rigs.edit(editRow(rigs.rig, 'renameRun', 'runs', run.id, { name: to.trim() }))
const isPlaying = (run: Run) => floor.playing?.name === run.name
</script>

<template>
  <div class="runs">
    <div class="tools">
      <button v-if="!floor.recorder" type="button" @click="floor.record()">
        <Circle :size="12" aria-hidden="true" /> Record a run
      </button>
      <button v-else type="button" class="on" @click="end">
        <Square :size="12" aria-hidden="true" /> End it
      </button>
      <span class="soft" role="status">
        {{
          floor.recorder
            ? `Everything was switched off and on. ${count(recorded, 'step')} noted.`
            : floor.playing
              ? `Playing "${floor.playing.name}", ${floor.playing.next} of ${floor.playing.steps.length}.`
              : 'A recording begins with everything switched off and on.'
        }}
      </span>
    </div>
    <form v-if="draft" class="draft" @submit.prevent="keep">
      <label for="run-name">Name of the run</label>
      <InputText id="run-name" v-model="name" size="small" maxlength="60" />
      <button type="submit">Keep it</button>
      <button type="button" @click="draft = null">Throw it away</button>
    </form>
    <p v-if="refusal" class="fault" role="alert">{{ refusal }}</p>
    <p v-if="runs.length === 0" class="soft">
      No runs yet. Record what you step through in a song: after every edit it is played again, and what comes
      out otherwise is shown.
    </p>
    <ul v-else aria-label="Runs" tabindex="0">
      <li v-for="run in runs" :key="run.id">
        <div class="line">
          <IconButton
            :icon="Play"
            :name="`Play ${run.name}`"
            @click="floor.play(run.name, run.steps, run.length)"
          />
          <input
            :value="run.name"
            :aria-label="`Name of ${run.name}`"
            maxlength="60"
            @change="rename(run, ($event.target as HTMLInputElement).value)"
          />
          <span class="mono soft">
            {{ count(run.steps.length, 'step') }}, {{ fixedText(run.length / 1_000_000, 1) }} s,
            {{ count(run.seen.wire.length, 'message') }}{{ isPlaying(run) ? ', playing' : '' }}
          </span>
          <button
            type="button"
            class="word"
            :aria-expanded="openId === run.id"
            @click="openId = openId === run.id ? null : run.id"
          >
            {{ found(run).length > 0 ? 'Differs' : 'Compare' }}
          </button>
          <IconButton :icon="Trash2" :name="`Remove ${run.name}`" @click="remove(run)" />
        </div>
        <template v-if="openId === run.id">
          <p v-if="differences.length === 0" class="same">It does what it did when it was recorded.</p>
          <ol v-else class="differences">
            <li v-for="(one, n) in differences.slice(0, 200)" :key="n">
              {{ differenceText(rigs.rig!, one) }}
            </li>
          </ol>
          <FindingNote
            v-for="(one, n) in found(run)"
            :key="n"
            :finding="one"
            @fix="rigs.edit(one.fix ?? null)"
          />
        </template>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.runs {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-height: 0;
  overflow: auto;
}

.tools,
.draft,
.line {
  display: flex;
  align-items: center;
  gap: 9px;
}

.tools button,
.draft button {
  display: flex;
  align-items: center;
  gap: 5px;
  min-height: 24px;
  padding: 1px 9px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  font-size: 12px;
}

.tools .on {
  border-color: var(--tape);
}

.line :deep(button) {
  color: var(--dock-ink);
}

.line :deep(button:hover:enabled) {
  background: var(--dock-sheet);
}

.line input {
  min-width: 60px;
  flex: 0 1 220px;
  padding: 0 5px;
  border: 1px solid transparent;
  border-radius: var(--corner);
  background: none;
  color: var(--dock-ink);
  font: 600 13px/20px var(--text);
}

.line input:hover,
.line input:focus {
  border-color: var(--dock-line);
  background: var(--dock-sheet);
}

.line .mono {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.word {
  min-height: 24px;
  border: 0;
  background: none;
  text-decoration: underline;
  font-size: 12px;
}

.soft,
.same {
  color: var(--dock-soft);
  font-size: 12px;
}

.fault {
  color: var(--dock-fault);
  font-size: 12px;
}

.differences {
  padding-left: 34px;
  font-size: 12px;
  list-style: square;
}

label {
  font-size: 12px;
}
</style>
