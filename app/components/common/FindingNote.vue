<script setup lang="ts">
import { CircleAlert, Info, TriangleAlert } from '@lucide/vue'
import { computed } from 'vue'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import type { Edit } from '#core/rig'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { findingText, SEVERITY_TEXT } from '~/text/findings'
import { CURE_TEXT } from '~/text/lies'

const { finding } = defineProps<{ finding: Finding }>()
const emit = defineEmits<{ fix: [] }>()

const rigs = useRigStore()
const floor = useFloorStore()
const text = computed(() => findingText(finding))
/** Other ways than the first, with their words. */
const others = computed(() =>
  (finding.cures?.slice(1) ?? []).flatMap((edit): { edit: Edit; text: string }[] => {
    const words = CURE_TEXT[edit.label]
    return words ? [{ edit, text: words }] : []
  }),
)
/** The steps that show it. */
const run = computed(() => {
  if (finding.code === 'runDiffers') return own(rigs.rig?.runs ?? {}, finding.about.id) ?? null
  return finding.code === 'lyingLamp'
    ? { name: `${finding.facts.switch}, its lamp`, ...finding.facts }
    : finding.code === 'provenFault'
      ? { name: text.value.title.replace(/\.$/, ''), ...finding.facts }
      : null
})
const ICONS = { error: CircleAlert, warning: TriangleAlert, hint: Info }
</script>

<template>
  <div class="note" :class="finding.severity">
    <component :is="ICONS[finding.severity]" :size="16" aria-hidden="true" />
    <div>
      <p class="title"><span class="unseen">{{ SEVERITY_TEXT[finding.severity] }}: </span>{{ text.title }}</p>
      <p>
        {{ text.body }}
        <button v-if="text.fix && finding.fix" type="button" class="word" @click="emit('fix')">
          {{ text.fix }}
        </button>
        <button v-for="one in others" :key="one.text" type="button" class="word" @click="rigs.edit(one.edit)">
          {{ one.text }}
        </button>
        <button
          v-if="run && run.steps.length > 0"
          type="button"
          class="word"
          @click="floor.play(run.name, run.steps, run.length)"
        >
          Play it on the floor
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.note {
  display: flex;
  gap: 10px;
  padding: 9px 12px;
  border-left: 3px solid currentcolor;
}

.note svg {
  flex: none;
  margin-top: 2px;
}

.note > div {
  color: var(--ink);
}

.title {
  font-weight: 700;
}

.note .word {
  margin-right: 10px;
  text-align: left;
}

.error {
  color: var(--error);
  background: var(--error-ground);
}

.warning {
  color: var(--warning);
  background: var(--warning-ground);
}

.hint {
  color: var(--hint);
  background: var(--hint-ground);
}
</style>
