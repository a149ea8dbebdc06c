<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { Finding } from '#core/check'
import type { ProofLine } from '#core/prove'
import { rigName } from '#core/rig'
import FindingNote from '~/components/common/FindingNote.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import NeverList from '~/components/proof/NeverList.vue'
import ProofLineRow from '~/components/proof/ProofLineRow.vue'
import RunBoards from '~/components/proof/RunBoards.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import {
  isProofFault,
  notLookedText,
  proofHeadline,
  proofKey as keyOf,
  waysText,
  type ProofFault,
} from '~/text/proof'

const rigs = useRigStore()
const rig = computed(() => rigs.rig!)

const lineOf = (one: ProofFault): ProofLine =>
  one.code === 'provenFault' ? one.facts.line : one.code === 'lyingLamp' ? 'lamps' : 'checks'

const proven = computed(() => rigs.found.filter(isProofFault))
const lines = computed(() =>
  rigs.report.map((report) => ({
    report,
    faults: [...report.errors, ...proven.value.filter((one) => lineOf(one) === report.line)],
  })),
)
/** Each once, though an error may stand against several lines. */
const faults = computed(() => [...new Set(lines.value.flatMap((one): Finding[] => one.faults))])
const rows = computed(() => rigs.proof.proved)
const holding = computed(() => rigs.report.reduce((sum, { holds }) => sum + holds.length, 0))
const notLooked = computed(() => [...new Set(rigs.report.flatMap((one) => one.notLooked))])
const isDone = computed(() => rigs.search === null)
const hasAny = computed(() => Object.keys(rig.value.switches).length > 0)
const summary = computed(() => {
  if (!hasAny.value) return 'Nothing to prove yet'
  if (rigs.isSearchLost) return 'Not known'
  if (!isDone.value) return `Looking: ${Math.round((rigs.search ?? 0) * 100)} %`
  if (rows.value.length === 0) return 'Nothing to prove yet'
  return proofHeadline(rigs.report, faults.value.length)
})

const chosenKey = ref<string | null>(null)
const chosen = computed(
  () => faults.value.find((one) => keyOf(one) === chosenKey.value) ?? faults.value[0] ?? null,
)
watch(
  () => rigs.rigId,
  () => (chosenKey.value = null),
)
const today = new Date().toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric' })
</script>

<template>
  <ViewFrame title="Proof" :summary="summary" inspector="What can go wrong">
    <p v-if="!hasAny" class="empty">
      Here every way of stepping is tried on the simulated floor, until each sound is shown to come out right
      from everywhere, or the fewest steps are found that show it does not. It begins with your first
      <RouterLink :to="`/rigs/${rigs.rigId}/switches`">switch</RouterLink>.
    </p>
    <div v-else class="lines" tabindex="0" role="region" aria-label="What is proven">
      <ProofLineRow
        v-for="one in lines"
        :key="one.report.line"
        :rig="rig"
        :report="one.report"
        :faults="one.faults"
        :is-done="isDone"
        :is-lost="rigs.isSearchLost"
        :chosen-key="chosen ? keyOf(chosen) : null"
        :key-of="keyOf"
        @choose="chosenKey = $event"
      >
        <NeverList
          v-if="one.report.line === 'checks'"
          :rig="rig"
          :proved="rows.filter(({ line }) => line === 'checks')"
        />
      </ProofLineRow>
    </div>
    <template #inspector>
      <template v-if="chosen">
        <FindingNote :key="keyOf(chosen)" :finding="chosen" @fix="rigs.edit(chosen.fix ?? null)" />
        <p v-if="chosen.cures?.length" class="soft proven">
          {{ chosen.cures.length === 1 ? 'It was' : 'Each was' }} looked at again with
          {{ chosen.cures.length === 1 ? 'this change' : 'its change' }}: it holds then.
        </p>
        <template v-if="isProofFault(chosen) && chosen.code !== 'runDiffers'">
          <h3 v-if="chosen.code === 'lyingLamp' && !chosen.facts.isFewest">
            Steps that show it; whether fewer do is not known
          </h3>
          <h3 v-else>The fewest steps that show it</h3>
          <p v-if="chosen.facts.moves.length === 0" class="soft">None: it is so from power-on.</p>
          <RunBoards v-else :rig="rig" :moves="chosen.facts.moves" />
          <p v-if="chosen.code === 'lyingLamp'" class="parted">
            <span>Lamp <b>{{ chosen.facts.isLit ? 'on' : 'off' }}</b></span>
            <span
              >{{ [chosen.facts.device, chosen.facts.control].filter(Boolean).join(' ') }}
              <b>{{ chosen.facts.isLit ? 'not so' : 'so all the same' }}</b></span
            >
          </p>
        </template>
      </template>
      <section v-else-if="hasAny && isDone && rows.length > 0" class="stamp" aria-label="Stamp">
        <h2>{{ rigName(rig) }}</h2>
        <p>Revision {{ rigs.revision }}, {{ today }}</p>
        <p>
          {{ holding }} of {{ count(rows.length, 'thing') }} asked hold<template
            v-if="rigs.proof.ways !== null"
            >, over {{ waysText(rigs.proof.ways) }} ways the floor can be</template
          >. {{ notLookedText(notLooked) }}
        </p>
      </section>
      <p class="soft limits">
        Counted from power-on, by a foot that lets each step finish. Pedals are not moved, going back twice in
        a row is not looked at, and tempo and loops are not looked at. The simulated devices answer as their
        charts say: what a maker left out is not in them.
      </p>
    </template>
  </ViewFrame>
</template>

<style scoped>
.lines {
  display: grid;
  align-content: start;
  min-height: 0;
  overflow: auto;
}

.empty {
  max-width: 60ch;
}

h3 {
  margin: 16px 0 4px;
}

.proven {
  padding: 6px 12px 0;
}

.parted {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 1px;
  margin-top: 6px;
}

.parted span {
  padding: 5px 10px;
  background: var(--sheet);
  border-top: 3px solid var(--warning);
}

.limits {
  margin-top: 18px;
  font-size: 12px;
}

.stamp {
  display: grid;
  gap: 4px;
  padding: 12px 14px;
  border: 2px solid var(--good);
  border-radius: 4px;
}
</style>
