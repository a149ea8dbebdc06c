<script setup lang="ts">
import { fixedText } from '#core/base'
import Button from 'primevue/button'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { RouterLink } from 'vue-router'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FilePick from '~/components/common/FilePick.vue'
import NumberField from '~/components/common/NumberField.vue'
import FailureNote from '~/components/start/FailureNote.vue'
import { usePlatform } from '~/platform/platform'
import { BACKUP_NOW, backupAddress, type Failure } from '~/platform/rigServer'
import {
  BACKUP_HOURS,
  BACKUP_LIMIT,
  type BackupSchedule,
  type BackupsReply,
  type RestoredReply,
} from '#shared/contract/backups'
import { count, listText } from '#shared/words/counts'
import { errorReply } from '#shared/errors'
import { dayText } from '#shared/words/times'

/** Everything in one file: made, kept on a schedule, opened again. */
const { server } = usePlatform()
const state = shallowRef<BackupsReply | null>(null)
const failure = shallowRef<Failure | null>(null)
const said = ref('')
const isBusy = ref(false)

async function refresh(): Promise<void> {
  const answer = await server.backups()
  if (answer.kind === 'done') state.value = answer.value
  else failure.value = answer
}
onMounted(refresh)

/** Does one thing after the other: a second press waits for nothing and does nothing. */
async function doing(work: () => Promise<Failure | string>): Promise<void> {
  if (isBusy.value) return
  isBusy.value = true
  said.value = ''
  const done = await work()
  isBusy.value = false
  failure.value = typeof done === 'string' ? null : done
  if (typeof done === 'string') said.value = done
  const answer = await server.backups()
  if (answer.kind === 'done') state.value = answer.value
}

const make = () =>
  doing(async () => {
    const answer = await server.makeBackup()
    if (answer.kind !== 'done') return answer
    return answer.value.isNew
      ? `${answer.value.file} was made, and read back.`
      : `Nothing has changed since ${answer.value.file}.`
  })

const open = (from: Blob | string) =>
  doing(async () => {
    if (typeof from !== 'string' && from.size > BACKUP_LIMIT)
      return { kind: 'refused', error: errorReply('tooBig', { limit: BACKUP_LIMIT }).error }
    const answer = await server.restore(from)
    return answer.kind === 'done' ? restoredText(answer.value) : answer
  })

function restoredText({ restored, same, beside }: RestoredReply): string {
  const names = (all: readonly { readonly name: string }[]) =>
    listText(all.slice(0, 5).map(({ name }) => name))
  const parts = [
    ...(restored.length > 0 ? [`${count(restored.length, 'rig')} back: ${names(restored)}.`] : []),
    ...(beside.length > 0
      ? [
          `${count(beside.length, 'rig')} had gone on here; what the backup has stands beside: ${names(beside)}.`,
        ]
      : []),
    ...(same > 0 ? [`${count(same, 'rig')} there already in the same state.`] : []),
  ]
  return parts.join(' ') || 'There is no rig in it.'
}

const schedule = (fields: Partial<BackupSchedule>) =>
  doing(async () => {
    const answer = await server.scheduleBackups({ ...state.value!.schedule, ...fields })
    return answer.kind === 'done' ? 'The schedule is kept.' : answer
  })

const EVERY: Record<(typeof BACKUP_HOURS)[number], string> = {
  0: 'never',
  1: 'every hour',
  6: 'every 6 hours',
  24: 'every day',
  168: 'every week',
}
const sizeText = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${fixedText(bytes / 1_000_000, 1)} MB`
const summary = computed(() =>
  state.value === null
    ? 'Looking.'
    : state.value.folder === null
      ? 'As files only'
      : count(state.value.kept.length, 'backup'),
)
</script>

<template>
  <main class="backups">
    <header>
      <h1>Backups</h1>
      <p class="soft">{{ summary }}</p>
      <RouterLink to="/rigs">All rigs</RouterLink>
    </header>
    <p>
      A backup is one file with all rigs, deleted ones too, with their dumps, their logbooks and their whole
      history. It is read back before it counts. Opening one writes nothing over.
    </p>
    <FailureNote v-if="failure" :failure="failure" @retry="refresh" />
    <p v-if="said" role="status" class="said">{{ said }}</p>
    <div class="does">
      <Button v-if="state?.folder" label="Back up now" size="small" :disabled="isBusy" @click="make" />
      <a class="button" :href="BACKUP_NOW" download="wire-step-backup.zip">Save a backup as a file</a>
      <FilePick label="Open a backup" accept=".zip,application/zip" @file="open($event)" />
    </div>
    <template v-if="state?.folder">
      <section aria-labelledby="by-itself">
        <h2 id="by-itself">By itself</h2>
        <div class="fields">
          <ChoiceField
            label="Make one"
            :value="state.schedule.everyHours"
            :choices="BACKUP_HOURS.map((value) => ({ value, text: EVERY[value] }))"
            @choose="schedule({ everyHours: $event })"
          />
          <NumberField
            label="How many are kept"
            :value="state.schedule.keep"
            :min="1"
            :max="100"
            @take="schedule({ keep: $event })"
          />
        </div>
        <p class="soft">
          While the server runs, when something has changed. Kept in
          <code class="mono">{{ state.folder }}</code>: copy them to another disk now and then.
        </p>
        <p v-if="state.fault" role="alert" class="fault">
          The last one was not made, {{ dayText(state.fault.at) }}: {{ state.fault.reason }}
        </p>
      </section>
      <section aria-labelledby="kept">
        <h2 id="kept">Kept</h2>
        <p v-if="state.kept.length === 0" class="soft">None yet.</p>
        <ul aria-label="Backups">
          <li v-for="one in state.kept" :key="one.file">
            <p>
              <b>{{ one.contents ? dayText(one.contents.madeAt) : 'Cannot be opened' }}</b>
              <span class="soft">
                {{
                  one.contents
                    ? `${count(one.contents.rigs, 'rig')}, ${count(one.contents.revisions, 'revision')}, ${sizeText(one.bytes)}`
                    : `${one.file} is no backup, or was cut short`
                }}
              </span>
            </p>
            <template v-if="one.contents">
              <a
                :href="backupAddress(one.file)"
                download
                :aria-label="`Save the backup of ${dayText(one.contents.madeAt)}`"
                >Save</a
              >
              <Button
                label="Open"
                size="small"
                severity="secondary"
                variant="outlined"
                :disabled="isBusy"
                :aria-label="`Open the backup of ${dayText(one.contents.madeAt)}`"
                @click="open(one.file)"
              />
            </template>
          </li>
        </ul>
      </section>
    </template>
    <p v-else-if="state" class="soft">
      The database is not a file on the server’s disk: its keeper backs it up. Save backups as files here.
    </p>
    <p class="soft">
      On an empty machine: start Wire Step and open the file here, or run
      <code class="mono">npm run restore FILE</code>.
    </p>
  </main>
</template>

<style scoped>
.backups {
  display: grid;
  align-content: start;
  gap: 14px;
  max-width: 780px;
  min-height: 100dvh;
  padding: 18px 24px 24px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
}

header p {
  flex: 1;
}

.does {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 12px;
}

section {
  display: grid;
  gap: 8px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 240px));
  gap: 12px;
}

.fault {
  color: var(--error);
}

.said {
  font-weight: 600;
}

code {
  overflow-wrap: anywhere;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}

li p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  flex: 1;
  min-width: 220px;
}
</style>
