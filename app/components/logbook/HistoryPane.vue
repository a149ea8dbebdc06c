<script setup lang="ts">
import Button from 'primevue/button'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import VirtualRows from '~/components/charts/VirtualRows.vue'
import FailureNote from '~/components/start/FailureNote.vue'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { labelText, rowsText } from '~/text/history'
import { dayOf, isoDate, shortTimeText } from '~/text/times'
import type { NamedReply, RevisionTold } from '#shared/contract/history'

/** Every revision with what it changed, the newest first. */
const { chosen, renamed } = defineProps<{
  chosen: number | null
  /** Goes up whenever a version was named. */
  renamed: number
}>()
const emit = defineEmits<{ choose: [revision: number] }>()

const { server, clock } = usePlatform()
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

const rows = computed(() => {
  const names = new Map(named.value.map(({ revision, name }) => [revision, name]))
  const all = revisions.value.map((one) => ({
    revision: one.revision,
    day: isoDate(new Date(one.at)),
    time: shortTimeText(one.at),
    label: labelText(one.label),
    name: names.get(one.revision) ?? '',
    says: rowsText(one.rows, one.more),
  }))
  const loaded = new Set(all.map(({ revision }) => revision))
  const others = named.value
    .filter(({ revision }) => !loaded.has(revision))
    .map((one) => ({
      revision: one.revision,
      day: isoDate(new Date(one.at)),
      time: shortTimeText(one.at),
      label: '',
      name: one.name,
      says: '',
    }))
  const kept = onlyNamed.value ? [...all, ...others].filter(({ name }) => name !== '') : all
  return kept.map((one, n) => ({ ...one, isFirst: kept[n - 1]?.day !== one.day }))
})
const scrollTo = computed(() => rows.value.findIndex(({ revision }) => revision === chosen))
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
    <VirtualRows v-else v-slot="{ row }" :rows="rows" :height="46" label="Revisions" :scroll-to="scrollTo">
      <button
        type="button"
        class="line"
        :class="{ chosen: row.revision === chosen }"
        :aria-pressed="row.revision === chosen"
        @click="emit('choose', row.revision)"
      >
        <span class="when mono"
          ><b v-if="row.isFirst">{{ dayOf(row.day, clock.now()) }}</b
          >{{ row.time }}</span
        >
        <span class="number mono">{{ row.revision }}</span>
        <span class="what">
          <b>{{ row.label }}</b>
          <span v-if="row.name" class="tape">{{ row.name }}</span>
          <span class="text">{{ row.says }}</span>
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

.line {
  display: grid;
  grid-template-columns: 84px 44px minmax(0, 1fr);
  gap: 10px;
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

.when,
.number {
  font-size: 12px;
  line-height: 1.5;
  color: var(--ink-soft);
}

.number {
  font-size: 14px;
  text-align: right;
}

.what {
  display: grid;
  grid-template: auto auto / auto minmax(0, 1fr);
  gap: 0 8px;
  line-height: 1.35;
}

.tape {
  justify-self: start;
  overflow: hidden;
  max-width: 100%;
  padding: 0 7px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 13px/1.35 var(--display);
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
