<script setup lang="ts">
import { fixedText } from '#core/base'
import Button from 'primevue/button'
import { computed } from 'vue'
import { pluggedKey, pluggedPedal, STEPS, type CalibrationRead } from '#core/pedal'
import { editRow, type Pedal, type Rig } from '#core/rig'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { VERDICT_TEXT, whyText } from '~/text/pedals'
import { isoDate } from '#shared/words/times'

/** What a sweep says of a pedal, what was measured, and the way to keep it. */
const { rig, pedal, read } = defineProps<{ rig: Rig; pedal: Pedal; read: CalibrationRead }>()

const { clock } = usePlatform()
const rigs = useRigStore()
const plugged = computed(
  () => pluggedPedal(rig, pedal)?.name ?? (pedal.place.kind === 'builtIn' ? 'the pedal built in' : null),
)

/** What was measured, term by term. */
const facts = computed((): (readonly [string, string])[] => [
  ['Heel and toe read', `${read.heel} and ${read.toe}`],
  [
    'Never reached',
    `${fixedText(read.deadHeel, 0)} % at the heel, ${fixedText(read.deadToe, 0)} % at the toe`,
  ],
  ['Noise', count(read.noise, 'step')],
  ...(read.spot ? [['Lost between', `${read.spot.from} and ${read.spot.to}`] as const] : []),
  ['To be taken as heel and toe', `${read.from} and ${read.to}`],
])

function keep(): void {
  const key = pluggedKey(rig, pedal)
  if (key === null) return
  const { verdict, heel, toe, noise } = read
  // What is not to be trusted narrows nothing.
  const isGood = verdict === 'pass' || verdict === 'swap'
  const [from, to] = isGood ? [read.from, read.to] : [0, STEPS]
  const limit = (step: number) => Math.min(STEPS, Math.max(0, step))
  rigs.edit(
    editRow(rig, 'calibratePedal', 'pedals', pedal.id, {
      calibration: {
        on: isoDate(clock.now()),
        pedal: key,
        verdict,
        heel,
        toe,
        noise: limit(noise),
        from: limit(from),
        to: limit(to),
      },
    }),
  )
}

const isKept = computed(() => {
  const kept = pedal.calibration
  return (
    kept !== null &&
    kept.heel === read.heel &&
    kept.toe === read.toe &&
    kept.verdict === read.verdict &&
    kept.pedal === pluggedKey(rig, pedal)
  )
})
</script>

<template>
  <section class="verdict" :class="read.verdict" aria-label="What the sweep says">
    <h2>{{ VERDICT_TEXT[read.verdict] }}</h2>
    <p>{{ whyText(read) }}</p>
    <dl>
      <div v-for="[term, text] in facts" :key="term">
        <dt>{{ term }}</dt>
        <dd class="mono">{{ text }}</dd>
      </div>
    </dl>
    <p>
      <Button v-if="!isKept" label="Keep this" size="small" :disabled="plugged === null" @click="keep" />
      <span v-else class="kept" role="status">Kept.</span>
      <span class="soft small">
        {{ plugged ? ` For ${plugged}. Set the same range on the controller, if it asks for one.` : '' }}
      </span>
    </p>
  </section>
</template>

<style scoped>
.verdict {
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border-left: 3px solid var(--warning);
  background: var(--sheet);
}

.verdict.pass {
  border-color: var(--good);
}

.verdict.suspect {
  border-color: var(--error);
}

dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  margin: 0;
  font-size: 13px;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
}

.small {
  font-size: 12px;
}

.kept {
  font-weight: 600;
  color: var(--good);
}
</style>
