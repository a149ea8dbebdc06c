<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { controlsOf } from '#core/chart'
import {
  contactsOf,
  editRow,
  inOrder,
  songTempo,
  tapMeaning,
  USUAL_TAP_IN,
  type DeviceId,
  type Rig,
  type TapIn,
} from '#core/rig'
import { deviceState } from '#core/simulate'
import { canTapOut, tapOutVerdict, tempoNow } from '#core/switching'
import { tapsOut } from '#core/tempo'
import { pulseTrain } from '~/charts/beatAxis'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { bpmText, msText, tapRefusalText, tapVerdictText } from '~/text/tempo'

/** Devices that take their tempo from taps: what is tapped out to them, and whether that is done in time. */
const { rig, chosen } = defineProps<{ rig: Rig; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: DeviceId] }>()

const rigs = useRigStore()
const floor = useFloorStore()
const now = computed(() => (floor.state ? tempoNow(floor.state.known).bpm : 120))
const devices = computed(() => inOrder(rig.devices).filter(({ tapIn }) => tapIn !== null))
const device = computed(() => devices.value.find(({ id }) => id === chosen) ?? devices.value[0] ?? null)

/** Where others could take taps: a contact a controller closes, or a tap of the tempo in their chart. */
const places = computed(() =>
  inOrder(rig.devices).flatMap((one) =>
    one.tapIn !== null
      ? []
      : [
          ...contactsOf(rig, one)
            .filter(({ output }) => output !== null)
            .map((contact) => ({
              id: one.id,
              text: `${one.name}, ${contact.name}`,
              place: { kind: 'contact', contactId: contact.id } as TapIn['place'],
            })),
          ...controlsOf(rig, one.id)
            .filter((control) => control.address.kind === 'cc' && tapMeaning(rig, control) === 'tempo')
            .map((control) => ({
              id: one.id,
              text: `${one.name}, ${control.name} (tempo)`,
              place: { kind: 'control', controlId: control.id } as TapIn['place'],
            })),
        ],
  ),
)
const placeAt = ref(0)

function add(): void {
  const one = places.value[placeAt.value] ?? places.value[0]
  if (!one) return
  placeAt.value = 0
  const tapIn: TapIn = { ...USUAL_TAP_IN, place: one.place }
  if (rigs.edit(editRow(rig, 'setTapIn', 'devices', one.id, { tapIn }))) emit('choose', one.id)
}

const isReached = computed(() => device.value !== null && canTapOut(rig, device.value))
const plan = computed(() => (device.value?.tapIn ? tapsOut(device.value.tapIn, now.value) : null))
const WIDTH = 420
const train = computed(() =>
  plan.value?.ok ? pulseTrain(plan.value.value.taps, plan.value.value.rightAfter, WIDTH) : null,
)
const hears = computed(() =>
  device.value && floor.state ? (deviceState(floor.state, device.value.id).beat?.bpm ?? null) : null,
)
const rows = computed(() =>
  inOrder(rig.songs).flatMap((song) => {
    const bpm = songTempo(song)
    const verdict = device.value && tapOutVerdict(rig, song, device.value)
    if (bpm === null || !verdict) return []
    const right = verdict.kind === 'cannot' ? '–' : msText(verdict.rightMs)
    return [{ song, bpm, right, text: tapVerdictText(song, verdict), isFine: verdict.kind === 'inTime' }]
  }),
)
</script>

<template>
  <div class="tab-pane">
    <p v-if="devices.length === 0" class="soft">
      A pedal without MIDI can be tapped a tempo by a switching output: as many taps as it needs, in the tempo
      that holds. Say which device takes taps, and where.
    </p>
    <div v-if="places.length > 0" class="adding">
      <ChoiceField
        label="Another device that takes taps"
        :value="placeAt"
        :choices="places.map(({ text }, value) => ({ value, text }))"
        @choose="placeAt = $event"
      />
      <Button label="It takes taps there" size="small" severity="secondary" @click="add" />
    </div>
    <p v-else-if="devices.length === 0" class="soft">
      Nothing can take taps yet: lay a cable from a switching output to a tap jack in Rig, or write down a tap
      control in Charts.
    </p>
    <template v-if="device?.tapIn">
      <div v-if="devices.length > 1" class="pick" role="group" aria-label="Devices that take taps">
        <button
          v-for="one in devices"
          :key="one.id"
          type="button"
          class="word"
          :aria-pressed="one.id === device.id"
          @click="emit('choose', one.id)"
        >
          {{ one.name }}
        </button>
      </div>
      <div class="head">
        <h2>{{ device.name }} at {{ bpmText(now) }} bpm</h2>
        <Button
          label="Tap it out now"
          size="small"
          :disabled="!isReached || !plan?.ok"
          @click="floor.perform({ kind: 'tapOut', deviceId: device.id })"
        />
        <p role="status">
          {{ hears === null ? 'It has heard no tempo yet.' : `It hears ${bpmText(hears)} bpm.` }}
        </p>
      </div>
      <p v-if="!isReached" class="warn">
        No switching output and no message reaches the place where it takes taps.
      </p>
      <svg
        v-if="train && plan?.ok"
        class="train"
        :viewBox="`0 0 ${WIDTH} 62`"
        role="img"
        :aria-label="`${device.tapIn.taps} taps, right after ${msText(plan.value.rightAfter / 1000)}`"
      >
        <line x1="0" y1="34" :x2="WIDTH" y2="34" class="rule" />
        <rect
          v-for="(bar, n) in train.bars"
          :key="n"
          :x="bar.x"
          y="12"
          :width="bar.width"
          height="22"
          class="bar"
        />
        <line :x1="train.right" y1="4" :x2="train.right" y2="44" class="right" />
        <text :x="train.right" y="58" text-anchor="middle">
          right after {{ msText(plan.value.rightAfter / 1000) }}
        </text>
        <text x="0" y="58">{{ device.tapIn.closedMs }} ms closed each</text>
      </svg>
      <p v-else-if="plan && !plan.ok" class="warn">
        At {{ bpmText(now) }} bpm it cannot be told: {{ tapRefusalText(plan.refusal) }}.
      </p>
      <div v-if="rows.length > 0" class="scroll" tabindex="0" role="group" aria-label="Taps by song">
        <table>
          <thead>
            <tr>
              <th>Song</th>
              <th class="number">bpm</th>
              <th class="number">Right after</th>
              <th>Before its first note</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.song.id">
              <th>{{ row.song.name }}</th>
              <td class="mono number">{{ bpmText(row.bpm) }}</td>
              <td class="mono number">{{ row.right }}</td>
              <td :class="{ warn: !row.isFine }">{{ row.text }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="soft small">
        "Tap out the tempo" is an action: put it on a switch, or on coming to a bank, in Switches. Switching
        jacks are for contacts only; the maker's manual says what they bear.
      </p>
    </template>
  </div>
</template>

<style scoped>
.adding,
.head,
.pick {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 14px;
}

.head {
  align-items: center;
}

.adding > .field {
  width: 280px;
}

.pick [aria-pressed='true'] {
  color: var(--ink);
  text-decoration: underline;
}

.train {
  width: 100%;
  max-width: 440px;
}

.train text {
  font: 11px var(--text);
  fill: var(--ink-soft);
}

.rule {
  stroke: var(--line);
}

.bar {
  fill: var(--control);
}

.right {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}

.scroll {
  overflow: auto;
}

.number {
  text-align: right;
}

.warn {
  color: var(--warning);
}

.small {
  font-size: 12px;
}
</style>
