<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, shallowRef, toRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { goBack, type BackTo } from '#core/history'
import { byIndex, formatRigFile, inOrder, NAME_MAX, rigName, type Rig } from '#core/rig'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import TextField from '~/components/common/TextField.vue'
import RigDifferenceList from '~/components/logbook/RigDifferenceList.vue'
import FailureNote from '~/components/start/FailureNote.vue'
import { useAnswer } from '~/platform/useAnswer'
import { usePlatform } from '~/platform/platform'
import type { Failure } from '~/platform/rigServer'
import { saveFile } from '~/platform/saveFile'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { useThen } from './useThen'

/** One revision: what the rig was then, how another state differs from it, and the way back. */
const { rig, revision } = defineProps<{ rig: Rig; revision: number | null }>()
const emit = defineEmits<{ named: [] }>()

const { server } = usePlatform()
const rigs = useRigStore()
const router = useRouter()
const { answer, fault, ask, again, forget } = useAnswer('compare')
const difference = computed(() => answer.value?.value ?? null)

const { then, failure } = useThen(toRef(() => revision))
/** What it is held against: the rig as it is now, or the revision before. */
const against = ref<'now' | 'before'>('before')
const before = useThen(
  computed(() => (against.value === 'before' && revision !== null && revision > 1 ? revision - 1 : null)),
)
const sides = shallowRef<{ readonly before: Rig; readonly after: Rig } | null>(null)

watch(
  [
    () => then.value?.rig,
    () => before.then.value?.rig,
    against,
    () => (against.value === 'now' ? rig : null),
  ],
  ([was, earlier, mode]) => {
    forget()
    const pair =
      mode === 'now' ? was && { before: was, after: rig } : was && earlier && { before: earlier, after: was }
    sides.value = pair ?? null
    if (pair) ask(rig, { before: pair.before, after: mode === 'now' ? null : pair.after })
  },
  { immediate: true },
)

const holds = computed(() => {
  const one = then.value?.rig
  if (!one) return ''
  const parts = [
    count(Object.keys(one.devices).length, 'device'),
    count(inOrder(one.sounds).length, 'sound'),
    `${count(Object.keys(one.switches).length, 'switch', 'switches')} in ${count(byIndex(one.banks).length, 'bank')}`,
  ]
  return parts.join(', ')
})

const name = ref('')
const trouble = shallowRef<Failure | null>(null)
async function readName(): Promise<void> {
  name.value = ''
  trouble.value = null
  const [id, asked] = [rigs.rigId, revision]
  if (!id || asked === null) return
  const answer = await server.named(id)
  if (answer.kind === 'done' && revision === asked)
    name.value = answer.value.named.find((one) => one.revision === asked)?.name ?? ''
}
watch([() => rigs.rigId, () => revision], readName, { immediate: true })

async function nameIt(text: string): Promise<void> {
  const [id, asked] = [rigs.rigId, revision]
  if (!id || asked === null) return
  const answer = await server.nameRevision(id, asked, text)
  trouble.value = answer.kind === 'done' ? null : answer
  if (answer.kind !== 'done') return
  if (revision === asked) name.value = text
  emit('named')
}

const isGoing = ref(false)
const what = ref<BackTo>('plan')
const back = computed(() => (then.value ? goBack(rig, then.value.rig, what.value) : null))
/** What the way back takes away that was made in the world. */
const loses = computed(() => {
  const gone = (table: 'notes' | 'dumps' | 'keyIns' | 'marks') =>
    (back.value?.changes ?? []).filter((one) => one.table === table && one.after === null).length
  const parts = [
    ...(gone('notes') > 0 ? [count(gone('notes'), 'logbook line')] : []),
    ...(gone('dumps') > 0 ? [count(gone('dumps'), 'dump')] : []),
    ...(gone('keyIns') > 0 ? [`what is known of ${count(gone('keyIns'), 'place')} in the controller`] : []),
    ...(gone('marks') > 0 ? [count(gone('marks'), 'tick')] : []),
  ]
  return parts.join(', ')
})
function go(): void {
  isGoing.value = false
  rigs.edit(back.value)
}

async function openAsCopy(): Promise<void> {
  const one = then.value
  if (!one) return
  const answer = await server.importFile(new Blob([formatRigFile(one.rig)]))
  trouble.value = answer.kind === 'done' ? null : answer
  if (answer.kind === 'done') await router.push(`/rigs/${answer.value.id}/rig`)
}
const save = () => {
  if (then.value)
    saveFile(
      `revision-${then.value.revision}.rig.json`,
      'application/json',
      new TextEncoder().encode(formatRigFile(then.value.rig)),
    )
}
</script>

<template>
  <p v-if="revision === null" class="soft">
    Choose a revision: what it changed is told in full here, it can be held against the rig as it is now,
    named, opened as a rig of its own, and gone back to. Going back is one edit like any other and can be
    undone.
  </p>
  <section v-else :aria-label="`Revision ${revision}`">
    <h2>Revision {{ revision }}</h2>
    <FailureNote v-if="failure ?? trouble" :failure="(failure ?? trouble)!" @retry="readName" />
    <template v-if="then">
      <p class="soft">{{ rigName(then.rig) }}: {{ holds }}</p>
      <TextField label="Name of this version" :value="name" :max="NAME_MAX" @take="nameIt" />
      <div class="does">
        <Button
          label="Go back to it"
          size="small"
          :disabled="revision === rigs.revision && rigs.pending.length === 0"
          @click="isGoing = true"
        />
        <Button
          label="Open as a copy"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="openAsCopy"
        />
        <Button label="Save rig.json" size="small" severity="secondary" variant="outlined" @click="save" />
      </div>
      <ChoiceRow
        label="What differs"
        :value="against"
        :choices="[
          { value: 'before', text: 'What it changed' },
          { value: 'now', text: 'From it to now' },
        ]"
        @choose="against = $event"
      />
      <p v-if="against === 'before' && revision === 1" class="soft">The rig begins here.</p>
      <NotWorkedOut
        v-else-if="fault"
        what="What differs"
        :fault="fault"
        :is-old-shown="false"
        @retry="again"
      />
      <p v-else-if="!difference || !sides" class="soft" role="status">Comparing.</p>
      <RigDifferenceList v-else :difference="difference" :before="sides.before" :after="sides.after" />
    </template>
    <p v-else-if="!failure" class="soft" role="status">Looking it up.</p>
  </section>
  <Dialog v-model:visible="isGoing" modal header="Go back" :draggable="false" :style="{ width: '460px' }">
    <ChoiceRow
      label="What goes back"
      :value="what"
      :choices="[
        { value: 'plan', text: 'The plan' },
        { value: 'everything', text: 'Everything' },
      ]"
      @choose="what = $event"
    />
    <p class="about">
      {{
        what === 'plan'
          ? 'Sounds, switches, cables and the like are as they were at that revision. What was keyed in, ticked, recorded and written since stays: your controller has not gone back.'
          : 'The rig is exactly as it was, with its ticks, dumps and logbook of then.'
      }}
    </p>
    <p v-if="loses" class="about"><b>Not in it any more: {{ loses }}.</b> The history still has them.</p>
    <p v-if="!back" class="about">Nothing would change.</p>
    <template #footer>
      <Button label="Stay here" severity="secondary" variant="outlined" @click="isGoing = false" />
      <Button :label="`Go back to ${revision}`" :disabled="!back" @click="go" />
    </template>
  </Dialog>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  justify-items: start;
}

section > :deep(.field) {
  width: 100%;
}

.does {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.about {
  padding-top: 10px;
}
</style>
