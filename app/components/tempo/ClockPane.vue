<script setup lang="ts">
import { fixedText } from '#core/base'
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { boxName, inOrder, type Rig } from '#core/rig'
import { deviceState } from '#core/simulate'
import { clockGivers, clockPlan, tempoNow } from '#core/switching'
import { clockInterval, clockSeen, clockShare } from '#core/tempo'
import CheckField from '~/components/common/CheckField.vue'
import FindingMark from '~/components/common/FindingMark.vue'
import NumberField from '~/components/common/NumberField.vue'
import { useClockRead } from '~/composables/useRealClock'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { bpmText, CLOCK_TEXT, msText } from '~/text/tempo'

/** Who gives the clock, who gets it, who must not; what it takes of the wire, and how even it comes. */
const { rig, chosen } = defineProps<{ rig: Rig; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: string] }>()

const rigs = useRigStore()
const floor = useFloorStore()

const now = computed(() => (floor.state ? tempoNow(floor.state.known).bpm : 120))
const isRunning = computed(() => floor.state?.known.clock === true)
const lines = computed(() =>
  clockPlan(rig).map((at) => ({
    ...at,
    gives: clockGivers(rig).includes(at.box.id),
    from: [...new Set(at.ways.map(({ from }) => boxName(rig, from)))].join(', '),
    reads: floor.state && at.table === 'devices' ? deviceState(floor.state, at.box.id).beat : null,
    found: rigs.found.filter(
      ({ about, code }) => about.id === at.box.id && (code === 'clockHarm' || code === 'twoClocks'),
    ),
  })),
)
const canSend = computed(() => floor.controller?.sendsClock === true)
const seen = computed(() => {
  const ends = (floor.last?.wire ?? []).flatMap(({ message, end, lane }) =>
    message.kind === 'clock' ? [{ end, lane }] : [],
  )
  const [first] = ends
  return first
    ? clockSeen(
        ends.filter(({ lane }) => lane === first.lane).map(({ end }) => end),
        clockInterval(now.value),
      )
    : null
})
const outside = ref(118)
const follows = computed(() => floor.controller?.followsClock === true)
const comesIn = computed(() => floor.state?.known.clockIn !== null && floor.state !== null)
const isRead = useClockRead()
const midi = useMidiStore()
const reachText = computed(() =>
  midi.state === 'asking' ? 'The browser is asking you.' : 'No MIDI yet: see MIDI on the floor below.',
)

function read(on: boolean): void {
  isRead.value = on
  if (on) void midi.open()
}
const others = computed(() => inOrder(rig.devices).filter(({ givesClock }) => givesClock))
</script>

<template>
  <div class="tab-pane">
    <div class="head">
      <p>
        <b>24 clocks a beat.</b> At {{ bpmText(now) }} bpm one every
        {{ fixedText(clockInterval(now) / 1000, 1) }} ms: {{ fixedText(clockShare(now) * 100, 1) }} % of a
        wire. A message may wait 0.3 ms for one; a clock waits for what is on the wire before it.
      </p>
      <div class="buttons">
        <Button
          :label="isRunning ? 'Stop the clock' : 'Start the clock'"
          size="small"
          :disabled="!canSend"
          @click="floor.perform({ kind: 'clock', does: 'change' })"
        />
        <Button
          label="Continue"
          size="small"
          severity="secondary"
          :disabled="!canSend || isRunning"
          @click="floor.perform({ kind: 'clock', does: 'continue' })"
        />
      </div>
    </div>
    <p v-if="!canSend" class="soft">The controller sends no clock, as its manual has it in Rig.</p>
    <p v-if="seen && seen.bpm !== null" role="status">
      Seen on the wire: {{ seen.clocks }} clocks, {{ fixedText(seen.bpm, 1) }} bpm, at most
      {{ msText(seen.latest / 1000) }} late, uneven by {{ msText(seen.jitter / 1000) }}.
    </p>
    <div class="scroll" tabindex="0" role="group" aria-label="Clock by box">
      <table>
        <thead>
          <tr>
            <th>Box</th>
            <th>Clock from</th>
            <th>What comes of it</th>
            <th class="number">It reads</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.box.id" :class="{ current: line.box.id === chosen }">
            <th>
              <button type="button" class="word" @click="emit('choose', line.box.id)">
                {{ line.box.name }}
              </button>
            </th>
            <td>{{ line.from || '–' }}</td>
            <td :class="{ warn: line.found.length > 0 }">
              <FindingMark v-if="line.found.length > 0" :found="line.found" />
              {{ line.gives && line.verdict === 'none' ? 'gives the clock' : CLOCK_TEXT[line.verdict] }}
            </td>
            <td class="mono number">
              <template v-if="line.box.followsClock && line.reads?.by === 'clock' && line.reads.bpm !== null">
                {{ fixedText(line.reads.bpm, 1) }} bpm{{
                  line.reads.isPlaying
                    ? `, beat ${Math.floor((Math.max(1, line.reads.position) - 1) / 24) + 1}`
                    : ', stands'
                }}
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="others.length > 0" class="soft">
      {{ others.map(({ name }) => name).join(' and ') }} gives a clock too. On the floor only the controller's
      is played.
    </p>
    <div v-if="follows" class="outside">
      <NumberField
        label="A clock from outside"
        :value="outside"
        :min="20"
        :max="400"
        :decimals="1"
        suffix=" bpm"
        @take="((outside = $event), comesIn && floor.clockIn($event))"
      />
      <Button
        :label="comesIn ? 'It stops' : 'It comes in'"
        size="small"
        severity="secondary"
        @click="floor.clockIn(comesIn ? null : outside)"
      />
      <CheckField label="A real clock on a MIDI input leads" :value="isRead" @take="read" />
      <p v-if="isRead && midi.state !== 'open'" class="warn">{{ reachText }}</p>
    </div>
    <p class="soft small">
      What follows starts at the clock after a start; continue goes on from where it stopped. Some devices
      misbehave on clock: say so at the right, and keep it from them.
    </p>
  </div>
</template>

<style scoped>
.head,
.outside,
.buttons {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
}

.head p {
  flex: 1 1 300px;
}

.outside > .field {
  width: 160px;
}

.scroll {
  overflow: auto;
}

.number {
  text-align: right;
}

.current {
  background: var(--sheet);
}

.warn {
  color: var(--warning);
}

.small {
  font-size: 12px;
}
</style>
