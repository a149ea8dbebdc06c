<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { DIVISIONS, editRow, type Control, type Division, type Rig } from '#core/rig'
import { timesInSounds } from '#core/sound'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import { useRigStore } from '~/stores/rig'
import { bpmText, DIVISION_TEXT, msText } from '~/text/tempo'

/** The note value a control is kept at, and what the sounds set it to. */
const { rig, control } = defineProps<{ rig: Rig; control: Control }>()

const rigs = useRigStore()
const choices = [
  { value: 'none' as Division | 'none', text: 'nothing to do with the beat' },
  ...DIVISIONS.map((value) => ({ value: value as Division | 'none', text: DIVISION_TEXT[value] })),
]
const sounds = computed(() => timesInSounds(rig).filter((one) => one.control.id === control.id))
const found = computed(() =>
  rigs.found.filter(
    ({ code, facts }) => code === 'offBeat' && 'control' in facts && facts.control === control.name,
  ),
)

function keep(division: Division | 'none'): void {
  rigs.edit(
    editRow(rig, 'keepTime', 'controls', control.id, { division: division === 'none' ? null : division }),
  )
}
</script>

<template>
  <div class="time">
    <h2>{{ own(rig.devices, control.deviceId)?.name }}: {{ control.name }}</h2>
    <ChoiceField label="Kept at" :value="control.division ?? 'none'" :choices="choices" @choose="keep" />
    <p class="soft">
      Two sides of one delay are two controls: the left at a quarter, the right at a dotted eighth, say.
    </p>
    <template v-if="sounds.length > 0">
      <h3>In sounds with a tempo</h3>
      <ul>
        <li v-for="one in sounds" :key="one.sound.id">
          {{ one.sound.name }}, {{ bpmText(one.bpm) }} bpm:
          <template v-if="one.value === null">not said</template>
          <template v-else>
            value <span class="mono">{{ one.value }}</span
            >{{ one.offMs === null ? '' : `, ${msText(Math.abs(one.offMs))} off` }}
          </template>
        </li>
      </ul>
    </template>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
  </div>
</template>

<style scoped>
.time {
  display: grid;
  gap: 10px;
}

li {
  font-size: 13px;
}
</style>
