<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { ABOUT_ID, inOrder, type Device, type Rig, type Sound } from '#core/rig'
import {
  between,
  formatCell,
  presetOrParameter,
  presetText,
  setCells,
  wantsOf,
  type PresetOrParameter,
} from '#core/sound'
import CautionLine from '~/components/common/CautionLine.vue'
import { newIds } from '~/platform/newIds'
import { useRigStore } from '~/stores/rig'
import { betweenText, gapText } from '~/text/between'
import { count } from '#shared/words/counts'
import { millisecondsText } from '#shared/words/messages'

/** What happens from one sound to another, told; and for each device that changes presets, whether it had better stay. */
const { rig, from, to } = defineProps<{ rig: Rig; from: Sound; to: Sound }>()

const rigs = useRigStore()
const controller = computed(() => inOrder(rig.controllers)[0])
const told = computed(() => between(rig, from, to, controller.value))
const lines = computed(() =>
  [...told.value.devices].flatMap(([id, one]) => {
    const device = own(rig.devices, id)
    return device ? betweenText(rig, device, one) : []
  }),
)
const summary = computed(() => {
  const { hole, jump, leftovers, unknown, ready, lost, changes } = told.value
  const nameOf = (id: string) => own(rig.devices, id)?.name ?? ''
  return [
    { name: 'Changes', text: String(changes) },
    { name: 'Longest hole', text: hole ? `${nameOf(hole.deviceId)}, ${gapText(hole.gap)}` : 'none' },
    {
      name: 'Largest step in level',
      text: jump
        ? `${nameOf(jump.deviceId)}, ${jump.by > 0 ? '+' : ''}${jump.by}`
        : 'cannot tell: no levels planned',
    },
    { name: 'Left over', text: String(leftovers) },
    { name: 'Cannot tell', text: count(unknown, 'control') },
    { name: 'Lost while loading', text: count(lost, 'device') },
    { name: 'Every device ready', text: millisecondsText(ready) },
  ]
})
const isLoud = computed(() => (told.value.jump?.by ?? 0) > 2)

interface Advice {
  readonly device: Device
  readonly advice: PresetOrParameter
  readonly first: string
  readonly stays: string
}

const school = computed(() => own(rig.about, ABOUT_ID)?.school ?? 'absolute')
const advices = computed(() =>
  [...wantsOf(rig, to)].flatMap(([id, want]): Advice[] => {
    const device = own(rig.devices, id)
    const before = wantsOf(rig, from).get(id)
    if (!device || !before) return []
    const advice = presetOrParameter(rig, device, before, want, school.value, controller.value)
    if (!advice || before.kind !== 'be') return []
    return [
      {
        device,
        advice,
        first: presetText(rig, device, before.preset!),
        stays: advice.stay ? formatCell(rig, device, advice.stay) : '',
      },
    ]
  }),
)

const VERDICTS = {
  stay: 'Stay in the preset.',
  preset: 'Change presets.',
  cannotTell: 'Cannot tell: what one of the presets recalls is not all written down.',
} as const

const stay = ({ device, advice }: Advice) =>
  advice.stay &&
  rigs.edit(setCells(rig, [{ soundId: to.id, deviceId: device.id, cell: advice.stay }], newIds))
</script>

<template>
  <div class="inspector">
    <h2>
      <span class="tape">{{ from.name }}</span>
      <span class="unseen">to</span>
      <span aria-hidden="true" class="arrow">to</span>
      <span class="tape">{{ to.name }}</span>
    </h2>
    <dl>
      <template v-for="line in summary" :key="line.name">
        <dt>{{ line.name }}</dt>
        <dd>{{ line.text }}</dd>
      </template>
    </dl>
    <CautionLine v-if="isLoud" caution="loudness" />
    <section>
      <h3>What happens</h3>
      <p v-if="lines.length === 0" class="soft">Nothing changes.</p>
      <p v-for="line in lines" :key="line">{{ line }}</p>
    </section>
    <section v-if="advices.length > 0">
      <h3>Preset or parameter?</h3>
      <div v-for="one in advices" :key="one.device.id" class="advice">
        <p>
          <b>{{ one.device.name }}.</b> {{ VERDICTS[one.advice.verdict] }}
          {{
            one.advice.settings === null
              ? ''
              : `${count(one.advice.settings, 'setting')} differ; a change of presets: ${gapText(one.advice.gap)}.`
          }}
          {{ count(one.advice.presetMessages, 'message') }} for the preset,
          {{ one.advice.parameterMessages }} to stay.
          <template v-if="one.advice.lacking.length > 0"
            >{{ one.first }} lacks {{ count(one.advice.lacking.length, 'block') }} for it.</template
          >
        </p>
        <button v-if="one.advice.stay" type="button" class="word" @click="stay(one)">
          Stay in {{ one.first }} and send {{ one.stays }}
        </button>
      </div>
    </section>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}

h2 {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}

.tape {
  padding: 2px 10px;
  background: var(--tape);
  color: var(--tape-ink);
  overflow-wrap: anywhere;
}

.arrow {
  color: var(--ink-soft);
  font: 500 13px var(--text);
}

dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.5fr);
  gap: 3px 10px;
  margin: 0;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
  font-weight: 600;
}

.advice {
  display: grid;
  justify-items: start;
  gap: 2px;
  padding: 5px 0;
  border-bottom: 1px solid var(--line);
}
</style>
