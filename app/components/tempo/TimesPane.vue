<script setup lang="ts">
import { fixedText } from '#core/base'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { DIVISIONS, editRow, inOrder, storedTempi, type Control, type ControlId, type Rig } from '#core/rig'
import { isOffBeat, timeInSounds, timesInSounds } from '#core/sound'
import { tempoNow } from '#core/switching'
import { divisionHz, divisionMs, keptAt, likelyDivision, timeUnit } from '#core/tempo'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { bpmText, DIVISION_TEXT, keptText, msText } from '~/text/tempo'

/** Every time of the rig in its own unit, at the tempo of now or of a song, with the nearest value that can be sent. */
const { rig, chosen } = defineProps<{ rig: Rig; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: ControlId] }>()

const rigs = useRigStore()
const floor = useFloorStore()

const at = ref('now')
const tempi = computed(() => [
  { value: 'now', text: 'Tempo now', bpm: floor.state ? tempoNow(floor.state.known).bpm : 120 },
  ...storedTempi(rig).map(({ table: of, id, name, bpm: stored }) => ({
    value: `${of}/${id}`,
    text: of === 'songs' ? name : `Sound ${name}`,
    bpm: stored,
  })),
])
const bpm = computed(() => (tempi.value.find(({ value }) => value === at.value) ?? tempi.value[0]!).bpm)

const table = computed(() =>
  DIVISIONS.map((division) => ({
    division,
    ms: fixedText(divisionMs(bpm.value, division), 1),
    hz: fixedText(divisionHz(bpm.value, division), 3),
  })),
)

const lines = computed(() =>
  inOrder(rig.devices).flatMap((device) =>
    Object.values(rig.controls)
      .filter((control) => control.deviceId === device.id && timeUnit(control) !== null)
      .sort((a, b) => a.order - b.order)
      .map((control) => {
        const kept = control.division === null ? null : keptAt(control, bpm.value, control.division)
        return {
          control,
          device: device.name,
          kept,
          text: kept ? keptText(control, kept) : '',
          value: kept && (kept.kind === 'near' || kept.kind === 'named') ? kept.value : null,
          error: kept?.kind === 'near' ? kept.errorMs : null,
        }
      }),
  ),
)
const off = computed(() => timesInSounds(rig).filter(isOffBeat))

const errorText = (ms: number) =>
  Math.abs(ms) < 0.05 ? 'exact' : `${msText(Math.abs(ms))} ${ms > 0 ? 'late' : 'early'}`

const keep = (control: Control): unknown =>
  rigs.edit(editRow(rig, 'keepTime', 'controls', control.id, { division: likelyDivision(control) }))

function send({ control, value }: (typeof lines.value)[number]): void {
  if (value !== null) floor.perform({ kind: 'setControl', controlId: control.id, value })
}
</script>

<template>
  <div class="times">
    <section class="divisions" aria-label="Note values">
      <ChoiceField
        label="At the tempo of"
        :value="at"
        :choices="tempi.map(({ value, text, bpm: of }) => ({ value, text: `${text}, ${bpmText(of)}` }))"
        @choose="at = $event"
      />
      <div class="scroll" tabindex="0" role="group" aria-label="All note values">
        <table>
          <thead>
            <tr>
              <th>Note value</th>
              <th class="number">ms</th>
              <th class="number">Hz</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in table" :key="row.division">
              <th>{{ DIVISION_TEXT[row.division] }}</th>
              <td class="mono number">{{ row.ms }}</td>
              <td class="mono number">{{ row.hz }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section class="kept" aria-label="Times of the rig">
      <p v-if="lines.length === 0" class="soft">
        No chart of the rig has a time yet: a control in ms, s, Hz or bpm, or one with note values by name.
        Write them down in Charts.
      </p>
      <div v-else class="scroll" tabindex="0" role="group" aria-label="Controls that count time">
        <table>
          <thead>
            <tr>
              <th>Control</th>
              <th>Kept at</th>
              <th class="number">Value</th>
              <th>It shows</th>
              <th>Off by</th>
              <th><span class="unseen">Try it</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.control.id" :class="{ current: line.control.id === chosen }">
              <th>
                <button type="button" class="word" @click="emit('choose', line.control.id)">
                  {{ line.device }}: {{ line.control.name }}
                </button>
              </th>
              <td>{{ line.control.division === null ? '' : DIVISION_TEXT[line.control.division] }}</td>
              <template v-if="line.kept">
                <td class="mono number">{{ line.value ?? '–' }}</td>
                <td :class="{ warn: line.value === null }">{{ line.text }}</td>
                <td class="mono">{{ line.error === null ? '' : errorText(line.error) }}</td>
                <td>
                  <button v-if="line.value !== null" type="button" class="word" @click="send(line)">
                    Send<span class="unseen"> {{ line.control.name }}</span>
                  </button>
                </td>
              </template>
              <td v-else colspan="4" class="soft">
                <button type="button" class="word" @click="keep(line.control)">
                  Keep it at a {{ DIVISION_TEXT[likelyDivision(line.control)] }}
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="off.length > 0" class="off">
        <p class="warn">
          {{ count(off.length, 'time') }} in sounds {{ off.length === 1 ? 'is' : 'are' }} off the beat of
          {{ off.length === 1 ? 'its' : 'their' }} sound: the nearest value is nearer.
        </p>
        <Button label="Set them to the nearest" size="small" @click="rigs.edit(timeInSounds(rig, off))" />
      </div>
      <p class="soft small">
        The delay of a note value is a length; a rate turns once in it; a tempo counts it as its beat.
      </p>
    </section>
  </div>
</template>

<style scoped>
.times {
  display: grid;
  grid-template-columns: minmax(210px, 250px) minmax(0, 1fr);
  gap: 18px;
  flex: 1 1 0;
  min-height: 0;
  padding-top: 8px;
}

.divisions,
.kept {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  align-content: start;
  gap: 8px;
  min-height: 0;
}

.kept {
  grid-template-rows: minmax(0, max-content) auto auto;
}

.scroll {
  min-height: 0;
  overflow: auto;
}

th,
td {
  padding: 2px 6px;
}

.number {
  text-align: right;
}

td {
  white-space: nowrap;
}

.current {
  background: var(--sheet);
}

.word {
  text-align: left;
}

.warn {
  color: var(--warning);
}

.off {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}

.small {
  font-size: 12px;
}

@container (max-width: 640px) {
  .times {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
}
</style>
