<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { revisionsAsked, type BoxState } from '#core/history'
import type { MarkId, Rig } from '#core/rig'
import { checklist, saveAgain, type ChecklistLine } from '#core/setup'
import NotWorkedOut from '~/components/common/NotWorkedOut.vue'
import { useAnswer } from '~/platform/useAnswer'
import { usePlatform } from '~/platform/platform'
import { useFactsStore } from '~/stores/facts'
import { useRigStore } from '~/stores/rig'
import { taskText } from '~/text/checklist'
import { count } from '#shared/words/counts'
import { dayText } from '#shared/words/times'
import { fetchThen } from './useThen'

/** For each box what has changed since it was last saved or keyed in. */
const { rig } = defineProps<{ rig: Rig }>()

const { server, clock } = usePlatform()
const rigs = useRigStore()
const facts = useFactsStore()
const { answer, done, fault, ask, again, cancel } = useAnswer('saveStates')
const states = computed(() => answer.value?.value ?? null)
/** The history is asked for what was, before the answer is worked out. */
const isFetching = ref(true)
const isOld = computed(() => isFetching.value || done.value !== null)
let asked = 0

watch(
  [() => rig, () => facts.facts, () => facts.revision],
  async () => {
    isFetching.value = true
    cancel()
    const mine = ++asked
    const id = rigs.rigId
    // Nothing is called saved before the history was heard.
    if (!id || facts.revision === 0) return
    const told = facts.facts
    const rigsThen: (readonly [number, Rig])[] = []
    for (const revision of revisionsAsked(rig, told)) {
      const found = await fetchThen(server, id, revision)
      if (mine !== asked) return
      if ('rig' in found) rigsThen.push([revision, found.rig])
    }
    isFetching.value = false
    ask(rig, { facts: told, rigs: rigsThen })
  },
  { immediate: true },
)

/** Edits of this tab the server does not have yet are not in its history. */
const isAhead = computed(() => rigs.pending.length > 0)

const HOW = {
  itself: 'saves by itself',
  explicit: 'is saved by hand',
  powerOff: 'saves when it is switched off',
} as const

function headline(state: BoxState): { text: string; tone: 'good' | 'todo' | 'open' } {
  const { changed, unsaved, unknown, places, saved, how } = state
  const todo = changed.length + unsaved.length + places
  const isNew = how !== 'itself' && saved === null
  if (todo > 0 || isNew) {
    const parts = [
      ...(isNew ? ['Nobody said yet that it was saved'] : []),
      ...(changed.length > 0 && !isNew ? [`${count(changed.length, 'line')} changed`] : []),
      ...(unsaved.length > 0 ? [`${count(unsaved.length, 'line')} set and not saved`] : []),
      ...(places > 0 ? [`${count(places, 'place')} to key in`] : []),
    ]
    return { text: `${parts.join('; ')}.`, tone: 'todo' }
  }
  if (unknown.length > 0)
    return { text: 'Cannot tell: what was planned when it was saved is not known here.', tone: 'open' }
  return { text: 'As planned, as far as was said.', tone: 'good' }
}

const told = computed(() =>
  (states.value ?? []).map((state) => ({
    ...state,
    head: headline(state),
    lines: [
      ...state.changed.map((one) => ({
        ...one,
        mark: one.change === 'gone' ? 'not planned any more' : 'to set',
      })),
      ...state.unsaved.map((one) => ({ ...one, mark: 'set, not saved' })),
      ...state.unknown.map((one) => ({ ...one, mark: 'cannot tell' })),
    ].map(({ key, line, mark }) => ({ key, mark, text: taskText(line.task).does })),
  })),
)

const saveLine = (id: string): ChecklistLine | null =>
  checklist(rig).find(({ key }) => key === `save/${id}`) ?? null

function savedNow(id: string): void {
  const line = saveLine(id)
  if (line)
    rigs.edit(
      saveAgain(rig, line, {
        newId: nanoid(12) as MarkId,
        revision: rigs.revision,
        at: clock.now().toISOString(),
      }),
    )
}
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="What is saved">
    <p v-if="facts.failure && states === null" class="soft">
      What was saved when is in the history, which cannot be reached now: nothing is called saved.
    </p>
    <NotWorkedOut
      v-else-if="fault"
      what="What is saved"
      :fault="fault"
      :is-old-shown="states !== null"
      @retry="again"
    />
    <p v-else-if="isOld || isAhead" class="soft" role="status">Looking through the history.</p>
    <p v-if="states?.length === 0" class="soft">No box keeps anything yet: add some under Rig.</p>
    <section v-for="state in told" :key="state.id" :aria-label="state.name" :class="{ old: isOld || fault }">
      <header>
        <h2>{{ state.name }}</h2>
        <p :class="state.head.tone">{{ state.head.text }}</p>
        <Button
          v-if="state.how !== 'itself' && saveLine(state.id)"
          label="Saved now"
          size="small"
          severity="secondary"
          variant="outlined"
          :aria-label="`${state.name} was saved now`"
          :disabled="isAhead"
          @click="savedNow(state.id)"
        />
      </header>
      <p class="soft">
        It {{ HOW[state.how] }}.
        {{ state.saved ? `Last saved ${dayText(state.saved.at)}, at revision ${state.saved.revision}.` : '' }}
        {{ state.sent ? `“${state.sent.name}” was sent back ${dayText(state.sent.at)}.` : '' }}
        {{
          state.copy
            ? `Newest dump: “${state.copy.name}”, ${dayText(state.copy.at)}${
                state.copy.changed === null
                  ? '; how far the plan has gone on since is not known.'
                  : state.copy.changed === 0
                    ? '; nothing has changed since.'
                    : `; ${count(state.copy.changed, 'line')} changed since.`
              }`
            : state.table === 'devices'
              ? 'No dump of it.'
              : ''
        }}
        {{
          state.untold > 0
            ? `${count(state.untold, 'line')} never ticked: taken as held because it was saved.`
            : ''
        }}
      </p>
      <ul v-if="state.lines.length > 0">
        <li v-for="line in state.lines.slice(0, 12)" :key="line.key">
          <span class="mark">{{ line.mark }}</span> {{ line.text }}
        </li>
        <li v-if="state.lines.length > 12" class="soft">and {{ state.lines.length - 12 }} more</li>
      </ul>
      <p v-if="state.places > 0 || state.lines.length > 0">
        <RouterLink :to="`/rigs/${rigs.rigId}/keyin`">To the key-in sheet</RouterLink>
      </p>
    </section>
  </div>
</template>

<style scoped>
section {
  display: grid;
  gap: 3px;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--line);
}

.old {
  opacity: 0.75;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 10px;
}

header p {
  flex: 1;
  font-weight: 600;
}

.good {
  color: var(--good);
}

.todo {
  color: var(--warning);
}

.mark {
  display: inline-block;
  min-width: 104px;
  font-size: 12px;
  color: var(--ink-soft);
}
</style>
