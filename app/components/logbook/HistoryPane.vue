<script setup lang="ts">
import Button from 'primevue/button'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import DatedRows, { type DatedRow } from '~/components/logbook/DatedRows.vue'
import FailureNote from '~/components/start/FailureNote.vue'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { labelText, rowsText } from '~/text/history'
import { isoDate, shortTimeText } from '#shared/words/times'
import type { NamedReply, RevisionTold } from '#shared/contract/history'

/** Every revision with what it changed, the newest first. */
const { chosen, renamed } = defineProps<{
  chosen: number | null
  /** Goes up whenever a version was named. */
  renamed: number
}>()
const emit = defineEmits<{ choose: [revision: number] }>()

const { server } = usePlatform()
const rigs = useRigStore()

const revisions = shallowRef<readonly RevisionTold[]>([])
const named = shallowRef<NamedReply['named']>([])
const failure = shallowRef<Failure | null>(null)
const isAsking = ref(false)
const onlyNamed = ref(false)
const isAll = computed(() => revisions.value.at(-1)?.revision === 1)

/** The newest page, and all older ones that were fetched before and still join it. */
async function refresh(): Promise<void> {
  const id = rigs.rigId
  if (!id) return
  const [answer, names] = await Promise.all([server.history(id, null), server.named(id)])
  if (rigs.rigId !== id) return
  failure.value = answer.kind === 'done' ? null : answer
  if (names.kind === 'done') named.value = names.value.named
  if (answer.kind !== 'done') return
  const fresh = answer.value.revisions
  const oldest = fresh.at(-1)?.revision ?? 1
  const older = revisions.value.filter(({ revision }) => revision < oldest)
  const joins = older.length === 0 || older[0]!.revision === oldest - 1
  revisions.value = [...fresh, ...(joins ? older : [])]
}

async function older(): Promise<void> {
  const id = rigs.rigId
  const last = revisions.value.at(-1)
  if (!id || !last || isAsking.value) return
  isAsking.value = true
  const answer = await server.history(id, last.revision)
  isAsking.value = false
  if (rigs.rigId !== id) return
  failure.value = answer.kind === 'done' ? null : answer
  if (answer.kind === 'done' && revisions.value.at(-1) === last)
    revisions.value = [...revisions.value, ...answer.value.revisions]
}

onMounted(refresh)
watch(
  () => [rigs.rigId, rigs.revision],
  ([id], [before]) => {
    if (id !== before) revisions.value = []
    void refresh()
  },
)
watch(
  () => renamed,
  () => void refresh(),
)

const rows = computed((): DatedRow[] => {
  const names = new Map(named.value.map(({ revision, name }) => [revision, name]))
  const row = (revision: number, at: string, title: string, text: string): DatedRow => ({
    key: String(revision),
    number: revision,
    day: isoDate(new Date(at)),
    time: shortTimeText(at),
    title,
    name: names.get(revision) ?? '',
    text,
  })
  const all = revisions.value.map((one) =>
    row(one.revision, one.at, labelText(one.label), rowsText(one.rows, one.more)),
  )
  if (!onlyNamed.value) return all
  const loaded = new Set(revisions.value.map(({ revision }) => revision))
  const others = named.value
    .filter(({ revision }) => !loaded.has(revision))
    .map(({ revision, at }) => row(revision, at, '', ''))
  return [...all, ...others].filter(({ name }) => name !== '')
})
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="History">
    <FailureNote v-if="failure" :failure="failure" @retry="refresh" />
    <div class="head">
      <label class="only"><input v-model="onlyNamed" type="checkbox" /> Named versions only</label>
      <Button
        v-if="!isAll && !onlyNamed && revisions.length > 0"
        label="Fetch older ones"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="isAsking"
        @click="older"
      />
    </div>
    <p v-if="rows.length === 0 && !failure" class="soft">
      {{ onlyNamed ? 'No version has a name yet: choose one and name it.' : 'Looking.' }}
    </p>
    <DatedRows
      v-else
      :rows="rows"
      :chosen="chosen === null ? null : String(chosen)"
      label="Revisions"
      @choose="emit('choose', Number($event))"
    />
  </div>
</template>

<style scoped>
.tab-pane {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 12px;
  min-height: 34px;
  padding-bottom: 4px;
}

.only {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
