<script setup lang="ts">
import { ChevronDown, ChevronRight, CircleCheck, CircleDashed, TriangleAlert } from '@lucide/vue'
import { computed, ref } from 'vue'
import { own } from '#core/base'
import type { Finding, LineReport } from '#core/check'
import type { Rig } from '#core/rig'
import { count } from '#shared/words/counts'
import { placeShort } from '#shared/placeText'
import { findingText } from '~/text/findings'
import { isProofFault, notLookedText, notProvenText, PROOF_TEXT, provedName } from '~/text/proof'

/** One sentence with its verdict and what it leaves out; what speaks against it below, and all it was shown of on request. */
const { rig, report, faults, isDone, isLost, chosenKey, keyOf } = defineProps<{
  rig: Rig
  report: LineReport
  faults: readonly Finding[]
  isDone: boolean
  /** The search broke off: what is not told here is not known. */
  isLost: boolean
  chosenKey: string | null
  keyOf: (one: Finding) => string
}>()
const emit = defineEmits<{ choose: [key: string] }>()

const line = computed(() => report.line)
const holding = computed(() => report.holds)
const open = computed(() => report.open)
const within = computed(() =>
  Math.max(0, ...holding.value.map(({ verdict }) => (verdict.kind === 'holds' ? (verdict.presses ?? 0) : 0))),
)
const verdict = computed((): 'fails' | 'open' | 'looking' | 'none' | 'holds' => {
  if (faults.length > 0) return 'fails'
  if (!isDone) return 'looking'
  if (open.value.length > 0) return 'open'
  return holding.value.length === 0 ? 'none' : 'holds'
})
const SAID: Record<typeof verdict.value, () => string> = {
  fails: () => `${count(faults.length, 'thing')} against it`,
  looking: () =>
    isLost ? 'not known' : holding.value.length > 0 ? `${holding.value.length} so far` : 'looking',
  open: () => `not proven of ${open.value.length}`,
  none: () => 'nothing was asked',
  holds: () =>
    line.value === 'ways'
      ? `holds, within ${count(within.value, 'step')}`
      : `holds for ${holding.value.length}`,
}
const said = computed(() => SAID[verdict.value]())
const ICONS = {
  fails: TriangleAlert,
  open: CircleDashed,
  looking: CircleDashed,
  none: CircleDashed,
  holds: CircleCheck,
}
const isOpen = ref(false)
/** Where a switch is that it is about: names come more than once. */
function placeOf({ about }: Finding): string {
  const footswitch = about.table === 'switches' ? own(rig.switches, about.id) : undefined
  return footswitch ? placeShort(rig, footswitch, footswitch.jack) : ''
}
</script>

<template>
  <section :class="verdict">
    <header>
      <component :is="ICONS[verdict]" :size="18" aria-hidden="true" />
      <h2>{{ PROOF_TEXT[line] }}</h2>
      <span class="said">{{ said }}</span>
      <button
        v-if="open.length + holding.length > 0"
        type="button"
        class="fold"
        :aria-expanded="isOpen"
        :aria-label="`What was shown: ${PROOF_TEXT[line]}`"
        @click="isOpen = !isOpen"
      >
        <component :is="isOpen ? ChevronDown : ChevronRight" :size="16" aria-hidden="true" />
      </button>
    </header>
    <p v-if="isDone && report.notLooked.length > 0" class="beside">{{ notLookedText(report.notLooked) }}</p>
    <ul v-if="faults.length > 0" :aria-label="`Against: ${PROOF_TEXT[line]}`">
      <li v-for="one in faults" :key="keyOf(one)">
        <button
          type="button"
          class="fault"
          :aria-current="keyOf(one) === chosenKey ? 'true' : undefined"
          @click="emit('choose', keyOf(one))"
        >
          <span>{{ findingText(one).title }}</span>
          <span v-if="isProofFault(one) && one.code !== 'runDiffers'" class="steps">{{
            [placeOf(one), count(one.facts.moves.length, 'step')].filter(Boolean).join(', ')
          }}</span>
        </button>
      </li>
    </ul>
    <slot />
    <dl v-if="isOpen" class="shown">
      <div v-for="(one, n) in open" :key="`open ${n}`">
        <dt>{{ provedName(rig, one) }}</dt>
        <dd>
          {{ one.verdict.kind === 'notProven' ? notProvenText(one.verdict) : '' }}
        </dd>
      </div>
      <div v-for="(one, n) in holding" :key="`holds ${n}`">
        <dt>{{ provedName(rig, one) }}</dt>
        <dd>
          holds{{
            one.verdict.kind === 'holds' && one.verdict.presses !== undefined
              ? `, within ${count(one.verdict.presses, 'step')}`
              : ''
          }}
        </dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
section {
  padding: 10px 0;
  border-bottom: 1px solid var(--line);
}

header {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr) auto 24px;
  align-items: center;
  gap: 8px;
}

h2 {
  font: 600 15px/1.35 var(--text);
}

.said {
  font: 600 12px var(--mono);
}

.holds header svg:first-child,
.holds .said {
  color: var(--good);
}

.fails header svg:first-child,
.fails .said {
  color: var(--warning);
}

.open header svg:first-child,
.open .said,
.looking .said,
.none .said {
  color: var(--ink-soft);
}

.fold {
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 0;
  background: none;
  color: var(--ink);
  cursor: pointer;
}

.beside {
  margin-left: 30px;
  font-size: 12px;
  color: var(--ink-soft);
}

ul {
  display: grid;
  gap: 1px;
  margin: 6px 24px 0 30px;
}

.fault {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  width: 100%;
  padding: 5px 10px;
  border: 0;
  border-left: 3px solid var(--warning);
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.fault:hover {
  background: var(--hover);
}

.fault[aria-current] {
  background: var(--sheet);
  font-weight: 600;
}

.fault .steps {
  flex: none;
  color: var(--ink-soft);
  font: 500 12px/20px var(--mono);
}

.shown {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 2px 20px;
  margin: 8px 24px 0 30px;
  font-size: 13px;
}

.shown div {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}

.shown dt {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.shown dd {
  flex: none;
  max-width: 60%;
  color: var(--ink-soft);
}
</style>
