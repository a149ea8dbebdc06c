<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { findings } from '#core/check'
import type { Device, Rig } from '#core/rig'
import { guide, type Answer, type Question } from '#core/setup'
import FindingNote from '~/components/common/FindingNote.vue'
import { useRigStore } from '~/stores/rig'
import { questionText, verdictText } from '~/text/guide'

/** "Why is nothing happening?" for one device: what the rig knows first, then what only the player can see. */
const { rig, device } = defineProps<{ rig: Rig; device: Device | null }>()
const emit = defineEmits<{ close: [] }>()

const rigs = useRigStore()
const answers = ref<Partial<Record<Question, Answer>>>({})
watch(
  () => device?.id,
  () => (answers.value = {}),
)
/** Worked out here and now: nothing may be called right by what was found before the last edit. */
const state = computed(() => (device ? guide(rig, findings(rig), device.id, answers.value) : null))

const ANSWER_TEXT: Record<Answer, string> = { yes: 'Yes', no: 'No', unknown: 'Cannot tell' }
const give = (question: Question, answer: Answer) =>
  (answers.value = { ...answers.value, [question]: answer })

/** Takes back an answer and all that came after it. */
function takeBack(question: Question): void {
  const settled = state.value?.settled.map((one) => one.question) ?? []
  const gone = settled.slice(settled.indexOf(question))
  answers.value = Object.fromEntries(
    Object.entries(answers.value).filter(([key]) => !gone.includes(key as Question)),
  )
}
</script>

<template>
  <Dialog
    :visible="device !== null"
    modal
    :header="`Why does ${device?.name ?? ''} do nothing?`"
    :draggable="false"
    :style="{ width: '560px', maxWidth: '94vw' }"
    @update:visible="emit('close')"
  >
    <div v-if="state" class="guide">
      <ol v-if="state.settled.length > 0">
        <li v-for="one in state.settled" :key="one.question">
          <span>{{ questionText(one.question, state.facts) }}</span>
          <b>{{ ANSWER_TEXT[one.answer] }}</b>
          <span v-if="one.by === 'tick'" class="soft">ticked on the checklist</span>
          <button v-else type="button" class="word" @click="takeBack(one.question)">Change</button>
        </li>
      </ol>
      <div v-if="state.ask" class="ask" role="group" aria-label="Question">
        <p role="status">{{ questionText(state.ask, state.facts) }}</p>
        <div class="answers">
          <Button
            v-for="(text, answer) in ANSWER_TEXT"
            :key="answer"
            :label="text"
            size="small"
            :severity="answer === 'unknown' ? 'secondary' : undefined"
            :variant="answer === 'unknown' ? 'outlined' : undefined"
            @click="give(state.ask, answer)"
          />
        </div>
      </div>
      <FindingNote
        v-else-if="state.verdict?.kind === 'finding'"
        :finding="state.verdict.finding"
        @fix="rigs.edit(state.verdict.finding.fix ?? null)"
      />
      <p v-else-if="state.verdict" class="verdict" role="status">
        {{ verdictText(state.verdict, state.facts) }}
      </p>
    </div>
  </Dialog>
</template>

<style scoped>
.guide {
  display: grid;
  gap: 12px;
}

li {
  display: flex;
  gap: 10px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}

li span:first-child {
  flex: 1;
}

.ask {
  display: grid;
  gap: 10px;
}

.ask p {
  font: 600 16px/1.4 var(--text);
}

.answers {
  display: flex;
  gap: 8px;
}

.verdict {
  padding: 10px 12px;
  border-left: 3px solid var(--ink);
  background: var(--ground);
}
</style>
