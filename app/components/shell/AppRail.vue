<script setup lang="ts">
import { Redo2, Undo2 } from '@lucide/vue'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import FindingMark from '~/components/common/FindingMark.vue'
import { useRigStore } from '~/stores/rig'
import { useStageStore } from '~/stores/stage'
import { EDIT_TEXT } from '~/text/edits'
import { isProofFault } from '~/text/proof'
import { findingsOfStage, isEmptyStage, STAGES } from '~/text/stages'
import RigMenu from './RigMenu.vue'
import SaveState from './SaveState.vue'

const emit = defineEmits<{ shortcuts: [] }>()

const rigs = useRigStore()
const feet = useStageStore()
const stages = computed(() =>
  STAGES.map((stage) => ({
    ...stage,
    found:
      stage.page === 'proof'
        ? [...new Set([...rigs.report.flatMap(({ errors }) => errors), ...rigs.found.filter(isProofFault)])]
        : findingsOfStage(stage, rigs.found),
    isEmpty: rigs.rig !== null && isEmptyStage(stage.page, rigs.rig),
  })),
)
const undoText = computed(() => withLabel('Undo', rigs.history.past.at(-1)?.label))
const redoText = computed(() => withLabel('Redo', rigs.history.future.at(-1)?.label))

const withLabel = (word: string, label: keyof typeof EDIT_TEXT | undefined) =>
  label ? `${word}: ${EDIT_TEXT[label]}` : `Nothing to ${word.toLowerCase()}`

/** Stages some of whose findings are searched for: until that is done nothing is called all right. */
const SEARCHED: readonly string[] = ['sounds', 'switches', 'show', 'proof']
const lostWord = (page: string) =>
  (rigs.isFoundOld && rigs.isFoundLost) || (SEARCHED.includes(page) && rigs.isSearchLost)
    ? 'not known'
    : 'looking'
const unproven = computed(() => rigs.report.reduce((sum, { open }) => sum + open.length, 0))
</script>

<template>
  <nav class="rail" aria-label="Stages">
    <div class="head">
      <p class="brand">Wire Step</p>
      <RigMenu @shortcuts="emit('shortcuts')" />
    </div>
    <ul>
      <li v-for="stage in stages" :key="stage.page">
        <RouterLink class="stage" :to="`/rigs/${rigs.rigId}/${stage.page}`" :aria-keyshortcuts="stage.key">
          <kbd>{{ stage.key.toUpperCase() }}</kbd>
          <span class="name">{{ stage.name }}</span>
          <FindingMark v-if="stage.found.length > 0" :found="stage.found" />
          <span v-else-if="stage.isEmpty" class="looking">
            <span aria-hidden="true">—</span><span class="unseen">nothing there yet</span>
          </span>
          <span
            v-else-if="rigs.isFoundOld || (SEARCHED.includes(stage.page) && rigs.search !== null)"
            class="looking"
            >{{ lostWord(stage.page) }}</span
          >
          <span v-else-if="stage.page === 'stage'" class="looking">{{
            feet.followers > 0 ? `${feet.followers} following` : ''
          }}</span>
          <span
            v-else-if="stage.page === 'proof' && (unproven > 0 || rigs.proof.proved.length === 0)"
            class="looking"
            >{{ unproven > 0 ? `${unproven} open` : '' }}</span
          >
          <span v-else-if="stage.page === 'keyin' || stage.page === 'logbook'" class="looking" />
          <span v-else class="ok">ok</span>
        </RouterLink>
      </li>
    </ul>
    <div class="foot">
      <div class="travel">
        <button
          v-tooltip.top="`${undoText} (Ctrl Z)`"
          type="button"
          :aria-label="undoText"
          :disabled="rigs.history.past.length === 0"
          @click="rigs.undo()"
        >
          <Undo2 :size="15" aria-hidden="true" /> Undo
        </button>
        <button
          v-tooltip.top="`${redoText} (Ctrl Shift Z)`"
          type="button"
          :aria-label="redoText"
          :disabled="rigs.history.future.length === 0"
          @click="rigs.redo()"
        >
          <Redo2 :size="15" aria-hidden="true" /> Redo
        </button>
      </div>
      <SaveState />
    </div>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow: auto;
  border-right: 1px solid var(--line);
  background: var(--ground);
}

.head {
  padding: 18px 14px 12px 18px;
}

.brand {
  font: 700 19px/1.2 var(--display);
}

.stage {
  display: flex;
  align-items: center;
  gap: 10px;
  height: 31px;
  padding: 0 14px 0 15px;
  border-left: 3px solid transparent;
  color: var(--ink);
  text-decoration: none;
}

.stage:hover {
  background: var(--hover);
}

.stage:focus-visible {
  outline-offset: -2px;
}

.stage.router-link-active {
  border-left-color: var(--ink);
  background: var(--sheet);
  font-weight: 700;
}

kbd {
  width: 14px;
  font: 500 12px var(--mono);
  color: var(--ink-faint);
}

.name {
  flex: 1;
}

.looking {
  font-size: 12px;
  color: var(--ink-faint);
}

.ok {
  font: 600 12px/18px var(--mono);
  color: var(--good);
}

.foot {
  display: grid;
  gap: 8px;
  margin-top: auto;
  padding: 12px 14px 14px 18px;
}

.travel {
  display: flex;
  gap: 6px;
}

.travel button {
  display: flex;
  align-items: center;
  gap: 5px;
  padding: 2px 8px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  font-size: 13px;
}

.travel button:hover:enabled {
  background: var(--hover);
}

.travel button:disabled {
  border-color: var(--line);
  background: none;
  color: var(--ink-faint);
  cursor: default;
}

@media (max-width: 900px) {
  .rail {
    flex-direction: row;
    align-items: center;
    overflow: visible;
    border-right: 0;
    border-bottom: 1px solid var(--line);
  }

  .brand,
  kbd {
    display: none;
  }

  .head {
    padding: 4px 8px;
  }

  .rail > ul {
    display: flex;
  }

  .stage {
    flex-direction: column;
    justify-content: center;
    gap: 0;
    height: 48px;
    padding: 0 7px;
    border-left: 0;
    border-bottom: 3px solid transparent;
    font-size: 13px;
  }

  /* A name of several words takes a line for each. */
  .name {
    flex: none;
    line-height: 1.15;
    text-align: center;
  }

  .rail li {
    min-width: min-content;
  }

  .stage.router-link-active {
    border-bottom-color: var(--ink);
  }

  .foot {
    display: flex;
    align-items: center;
    margin: 0 0 0 auto;
    padding: 4px 10px;
  }

  .head {
    flex: 0 1 150px;
    min-width: 92px;
  }

  .travel button {
    font-size: 0;
    gap: 0;
  }
}

/* Name and saving above, every stage in a row of its own below. */
@media (max-width: 800px) {
  .rail {
    flex-wrap: wrap;
  }

  .rail > ul {
    order: 1;
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(62px, 1fr));
    width: 100%;
  }

  .stage {
    padding: 0 1px;
  }

  .head {
    flex: 1;
  }
}

@media (max-width: 620px) {
  .travel {
    display: none;
  }
}

/* In a low window the stages are one low line under the name; it scrolls sideways where it must. */
@media (max-width: 900px) {
  .short .rail {
    flex-wrap: wrap;
  }

  .short .rail > ul {
    order: 1;
    display: flex;
    justify-content: space-between;
    width: 100%;
    overflow-x: auto;
    scrollbar-width: none;
  }

  .short .name {
    white-space: nowrap;
  }

  .short .stage {
    height: 38px;
    padding: 0 4px;
    font-size: 12px;
  }

  .short .stage :deep(.looking:empty) {
    display: none;
  }

  .short .head {
    flex: 1;
    padding: 0 8px;
  }

  .short .foot {
    padding: 2px 10px;
  }

  .short .foot :deep(.state) {
    max-width: none;
  }
}
</style>
