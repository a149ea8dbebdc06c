<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import {
  keyingOf,
  sayAllKeyedIn,
  sayNothingKeyedIn,
  sayNothingKnown,
  tickLine,
  untick,
  type KeyInLine,
  type Said,
  type ToldSheet,
} from '#core/keyin'
import { inOrder, type Controller, type KeyInId, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import LineSteps from '~/components/keyin/LineSteps.vue'
import { usePlatform } from '~/platform/platform'
import { paperAddress } from '~/platform/rigServer'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import {
  baseText,
  durationText,
  fullPlaceText,
  groupText,
  keyedPlaceText,
  lineLabel,
} from '#shared/keyInText'
import { actionText } from '#shared/actions'
import { MANNER_TEXT } from '~/text/keyIn'
import { dayText } from '#shared/words/times'

/** What must still be keyed in, line by line, and what is in the controller already. */
const { rig, controller, sheet, isOld, chosenKey } = defineProps<{
  rig: Rig
  controller: Controller
  sheet: ToldSheet | null
  isOld: boolean
  chosenKey: string | null
}>()
const emit = defineEmits<{ choose: [key: string]; go: [tab: 'manner' | 'listen'] }>()

const rigs = useRigStore()
const { clock } = usePlatform()
/** Papers are of the first controller. */
const isFirst = computed(() => inOrder(rig.controllers)[0]?.id === controller.id)
const keying = computed(() => keyingOf(controller))

const said = (): Said => ({
  revision: rigs.revision,
  at: clock.now().toISOString(),
  newId: () => nanoid(12) as KeyInId,
})

/** Lines that follow one another in one bank stand together. */
const groups = computed(() => {
  const all: { text: string; key: string; lines: KeyInLine[]; presses: number }[] = []
  for (const line of sheet?.lines ?? []) {
    const text = groupText(rig, controller, line.place)
    const last = all.at(-1)
    if (last?.text === text) {
      last.lines.push(line)
      last.presses += line.presses
    } else all.push({ text, key: line.key, lines: [line], presses: line.presses })
  }
  return all
})
const done = computed(() => sheet?.right ?? [])
const all = computed(() => done.value.length + (sheet?.lines.length ?? 0))

const tick = (line: KeyInLine) => {
  const lines = sheet?.lines ?? []
  const next = lines[lines.indexOf(line) + 1]
  if (rigs.edit(tickLine(rig, controller, line, said())) && next) emit('choose', next.key)
}
const takeBack = (key: string) => rigs.edit(untick(rig, controller, key, said()))

/** What the front panel has no words or no room for: the sheet does not say it, so it is told here. */
const unsaid = computed(() =>
  (sheet?.unsaid ?? []).map((unit) => {
    const actions = unit.left.flatMap((one) => one.actions).map((action) => actionText(rig, action))
    return {
      key: unit.key,
      place: fullPlaceText(controller, unit.place),
      says: [
        ...(actions.length > 0 ? [`${actions.join('; ')} cannot be keyed in so; see the manual`] : []),
        ...(unit.over > 0 ? [`${unit.over} more than a list has room for`] : []),
      ].join('. '),
    }
  }),
)

const isSaying = ref(false)
const HOW = { tick: 'ticked', heard: 'heard', said: 'as you said' } as const

/** Where everything that was entered can be lost, in the player's words. */
const losses = computed(() => {
  const { losesOn, save } = keying.value
  const on = [
    ...(losesOn.includes('leave') ? ['leaving without saving'] : []),
    ...(losesOn.includes('bank') ? ['turning to another bank'] : []),
    ...(losesOn.includes('power') ? ['switching off'] : []),
  ]
  return [
    ...(save.when === 'end' ? ['Nothing is in the controller before it was sent at the end.'] : []),
    ...(on.length > 0 ? [`Lost by ${on.join(', or ')}: what is open and not saved.`] : []),
  ].join(' ')
})
const toldLeast = computed(() =>
  sheet?.isLeast === 'order'
    ? 'Shown to be the fewest: no choice of what is copied from what takes fewer presses.'
    : sheet?.isLeast === 'copies'
      ? 'What is copied from what is shown to be the best; the way from bank to bank was not tried in every order.'
      : '',
)
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Sheet">
    <header class="head">
      <p v-if="isOld" role="status" class="soft">Working it out again</p>
      <p class="mono">{{ done.length }} of {{ all }} in the controller</p>
      <progress :value="done.length" :max="Math.max(1, all)" aria-label="In the controller" />
      <a v-if="isFirst" class="word" :href="paperAddress(rigs.rigId ?? '', 'key-in', 'a4', rigs.stamp)"
        >Print (PDF)</a
      >
      <button type="button" class="word" :aria-expanded="isSaying" @click="isSaying = !isSaying">
        What is in the controller?
      </button>
    </header>
    <div v-if="isSaying" class="saying" role="group" aria-label="What is in the controller?">
      <Button
        label="All of the plan"
        size="small"
        severity="secondary"
        @click="rigs.edit(sayAllKeyedIn(rig, controller, said()))"
      />
      <Button
        label="Nothing: as it left the factory"
        size="small"
        severity="secondary"
        @click="rigs.edit(sayNothingKeyedIn(rig, controller))"
      />
      <Button
        label="Nobody knows"
        size="small"
        severity="secondary"
        @click="rigs.edit(sayNothingKnown(rig, controller, said()))"
      />
      <p class="soft">Each is one step that can be undone. Or let it be heard, under Listen.</p>
    </div>
    <p v-if="controller.separateOutputs && (sheet?.lines.length ?? 0) > 0" class="soft">
      This controller keeps its outputs apart: set the output of each message as its device is cabled. The
      sheet does not say it.
    </p>
    <p v-if="sheet && sheet.lines.length === 0 && all === 0" class="soft">
      Nothing to key in yet: no switch does anything.
    </p>
    <p v-else-if="sheet && sheet.lines.length === 0" class="soft">
      All of the plan is in the controller, as far as ticks, listening and you say. What changes next stands
      here.
    </p>
    <p v-if="losses && groups.length > 0" class="lost">{{ losses }}</p>
    <section v-for="group in groups" :key="group.key" class="group">
      <h2>
        {{ group.text }}
        <span class="mono soft">{{ count(group.presses, 'press', 'presses') }}</span>
      </h2>
      <ol>
        <li v-for="line in group.lines" :key="line.key" :class="{ chosen: line.key === chosenKey }">
          <input
            :id="`in-${line.key}`"
            type="checkbox"
            :checked="false"
            :aria-label="`${fullPlaceText(controller, line.place)} is keyed in`"
            @change="tick(line)"
          />
          <button
            type="button"
            class="line"
            :aria-expanded="line.key === chosenKey"
            @click="emit('choose', line.key)"
          >
            <b>{{ keyedPlaceText(controller, line.place) }}</b>
            <span class="label">{{ lineLabel(rig, line) }}</span>
            <span class="soft base">{{ baseText(controller, line) }}</span>
            <span class="mono presses">{{ line.presses }}</span>
          </button>
          <LineSteps v-if="line.key === chosenKey" :rig="rig" :controller="controller" :line="line" />
        </li>
      </ol>
    </section>
    <p v-if="sheet && sheet.end.length > 0" class="lost">
      At the end:
      {{ sheet.end.map(({ key }) => keying.keys.find(({ id }) => id === key)?.name ?? key).join(', ') }}. Only
      then is it in the controller.
    </p>
    <p v-if="toldLeast && groups.length > 0" class="soft least">
      {{ toldLeast }} {{ count(sheet?.presses ?? 0, 'press', 'presses') }} in all,
      {{ durationText(sheet?.seconds ?? 0) }}. A click of a dial counts as a press.
    </p>
    <CautionLine v-if="groups.length > 0" caution="saveFirst" />
    <section v-if="unsaid.length > 0" class="lost" aria-label="Not on the sheet">
      <h2>Not on the sheet</h2>
      <ul>
        <li v-for="one in unsaid" :key="one.key">{{ one.place }}: {{ one.says }}</li>
      </ul>
    </section>
    <details v-if="done.length > 0" class="right">
      <summary>In the controller: {{ count(done.length, 'place') }}</summary>
      <ul>
        <li v-for="{ key, place, keyIn } in done" :key="key">
          <span>{{ fullPlaceText(controller, place) }}</span>
          <span class="soft"
            >{{ HOW[keyIn.how] }} {{ dayText(keyIn.at) }}, revision {{ keyIn.revision }}</span
          >
          <button
            type="button"
            class="word"
            :aria-label="`Not in the controller: ${fullPlaceText(controller, place)}`"
            @click="takeBack(key)"
          >
            Not so
          </button>
        </li>
      </ul>
    </details>
    <p class="soft foot">
      {{ MANNER_TEXT[keying.manner].name }}:
      <button type="button" class="word" @click="emit('go', 'manner')">see and adapt the front panel</button>.
    </p>
  </div>
</template>

<style scoped>
.tab-pane {
  align-content: start;
}

.head,
.saying {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
}

progress {
  flex: 1 1 90px;
  max-width: 220px;
  height: 8px;
  accent-color: var(--good);
}

h2 {
  display: flex;
  align-items: baseline;
  gap: 12px;
  font: 700 14px/1.5 var(--display);
}

h2 span {
  font-size: 12px;
  font-weight: 400;
}

.group li {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  align-items: start;
  border-bottom: 1px solid var(--line);
  content-visibility: auto;
  contain-intrinsic-size: auto 34px;
}

.chosen {
  background: var(--sheet);
}

input {
  width: 20px;
  height: 20px;
  margin: 7px 4px;
  accent-color: var(--chosen);
}

.line {
  display: grid;
  grid-template-columns: minmax(70px, auto) minmax(0, 1fr) minmax(0, 1fr) 42px;
  gap: 10px;
  padding: 7px 6px;
  border: 0;
  background: none;
  text-align: left;
}

.line:hover {
  background: var(--hover);
}

.line span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.presses {
  text-align: right;
}

.lost {
  padding: 5px 10px;
  border-left: 3px solid var(--warning);
  background: var(--warning-ground);
}

.right li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 3px 0;
  content-visibility: auto;
  contain-intrinsic-size: auto 26px;
}

.right li span:first-child {
  min-width: 170px;
}

summary {
  cursor: pointer;
  font-weight: 600;
}

/* On a phone the page scrolls, not a part of it: the sheet lies beside the controller. */
@media (max-width: 620px) {
  .tab-pane {
    flex: none;
    overflow: visible;
  }

  .line {
    grid-template-columns: minmax(0, 1fr) 42px;
    gap: 0 8px;
    min-height: 44px;
  }

  .line b {
    grid-row: 1;
  }

  .line .label {
    grid-row: 2;
    grid-column: 1;
  }

  .line .base {
    grid-row: 3;
    grid-column: 1;
  }

  .presses {
    grid-row: 1;
    grid-column: 2;
  }

  .group li {
    grid-template-columns: 44px minmax(0, 1fr);
  }

  input {
    width: 28px;
    height: 28px;
    margin: 8px;
  }
}
</style>
