<script setup lang="ts">
import Button from 'primevue/button'
import { useElementSize } from '@vueuse/core'
import { nanoid } from 'nanoid'
import { computed, onBeforeUnmount, ref, shallowRef, useTemplateRef } from 'vue'
import {
  addRow,
  calibrated,
  DELAYS_TO_MS,
  editPedal,
  editRow,
  inOrder,
  isMeant,
  lastOrder,
  OFF_DELAY_MAX,
  offsOf,
  own,
  pedalController,
  proposedDelay,
  removeRow,
  restsOf,
  RIDE_MOVES_MAX,
  SHIPPED_RIDES,
  toePlace,
  tryDelays,
  USUAL_OFF_MS,
  USUAL_ZONE,
  type AutoOff,
  type ControlId,
  type OffKind,
  type Pedal,
  type Ridden,
  type Ride,
  type RideId,
  type Rig,
  type ShippedRide,
  type SwitchId,
  type Works,
} from '#core'
import { delayPaths } from '~/charts/rideChart'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import NumberField from '~/components/common/NumberField.vue'
import ControlField from '~/components/switches/actions/ControlField.vue'
import ValueField from '~/components/switches/actions/ValueField.vue'
import { useRealPedal } from '~/composables/useRealPedal'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { count } from '~/text/counts'
import { OFF_TEXT, RIDE_TEXT } from '~/text/pedals'
import { isoDate, secondsText } from '~/text/times'
import RideStrip from './RideStrip.vue'

/** What a pedal switches off by itself, and the delay for it, tried on rides. */
const { rig, pedal } = defineProps<{ rig: Rig; pedal: Pedal }>()

const { clock } = usePlatform()
const rigs = useRigStore()
const floor = useFloorStore()
const midi = useMidiStore()

const off = computed(() => pedal.off)
const edit = (fields: Partial<AutoOff>): unknown =>
  off.value && rigs.edit(editPedal(rig, pedal.id, { off: { ...off.value, ...fields } }))

const isLocal = computed(() => pedalController(pedal) === null)
const isSwitched = (kind: string) => kind === 'switch' || kind === 'toggle'
/** The first switch on a device the pedal leads, else any. */
const firstWorks = computed((): Works | null => {
  const led = new Set(
    pedal.roles.flatMap(({ targets }) =>
      targets.map(({ controlId }) => own(rig.controls, controlId)?.deviceId),
    ),
  )
  const all = Object.values(rig.controls).filter(({ reading }) => isSwitched(reading.kind))
  const one = all.find(({ deviceId }) => led.has(deviceId)) ?? all[0]
  if (one) return { kind: 'control', controlId: one.id, off: 0, on: 127 }
  const [footswitch] = Object.values(rig.switches)
  return footswitch ? { kind: 'switch', switchId: footswitch.id } : null
})

function begin(): void {
  const works = firstWorks.value
  if (works)
    rigs.edit(
      editPedal(rig, pedal.id, {
        off: { kind: 'heel', delayMs: USUAL_OFF_MS, zone: USUAL_ZONE, toe: 'momentary', works },
      }),
    )
}

const switches = computed(() =>
  Object.values(rig.switches).map(({ id, label, number, bankId }) => ({
    value: id,
    text: `${own(rig.banks, bankId)?.name ?? ''}, ${label || `switch ${number}`}`,
  })),
)
const hasToe = computed(() => toePlace(rig, pedal) !== null)

/** Rides that ship and rides that were kept; which of them the delay is tried on. */
const rides = computed(() => [
  ...(Object.keys(SHIPPED_RIDES) as ShippedRide[]).map((key) => ({
    key: key as string,
    name: RIDE_TEXT[key],
    ride: SHIPPED_RIDES[key] as Ridden,
    row: null as Ride | null,
  })),
  ...inOrder(rig.rides).map((row) => ({
    key: row.id as string,
    name: row.name,
    ride: row as Ridden,
    row: row as Ride | null,
  })),
])
const USUAL: Record<OffKind, readonly string[]> = {
  heel: ['swells', 'inTime'],
  toe: ['toToe'],
  still: ['held'],
  switch: ['byToe'],
}
const picked = ref<ReadonlySet<string> | null>(null)
/** Those the player chose; else the player's own, else those that go with the kind. */
const tried = computed(() => {
  if (picked.value) return rides.value.filter(({ key }) => picked.value!.has(key))
  const ours = rides.value.filter(({ row }) => row !== null)
  return ours.length > 0
    ? ours.slice(-5)
    : rides.value.filter(({ key }) => off.value && USUAL[off.value.kind].includes(key))
})

function pick(key: string, isIn: boolean): void {
  const all = new Set(tried.value.map((one) => one.key))
  if (isIn) all.add(key)
  else all.delete(key)
  picked.value = all
}

const noise = computed(() => pedal.calibration?.noise ?? 1)
const delays = computed(() =>
  off.value
    ? tryDelays(
        off.value,
        tried.value.map(({ ride }) => ride),
        noise.value,
      )
    : [],
)
const proposed = computed(() => (tried.value.length > 0 ? proposedDelay(delays.value) : null))
const now = computed(
  () => delays.value.find(({ delayMs }) => delayMs === nearest(off.value?.delayMs ?? 0)) ?? null,
)
const nearest = (ms: number) => Math.min(DELAYS_TO_MS, Math.round(ms / 10) * 10)

/** A ride with what the delay set now makes of it. */
const shown = computed(() =>
  tried.value.map(({ key, name, ride, row }) => {
    const rests = off.value ? restsOf(off.value, ride, noise.value) : []
    const offs = off.value ? offsOf(rests, off.value.delayMs) : []
    return {
      key,
      name,
      ride,
      row,
      rests,
      offs: offs.map((one) => ({ ...one, isWrong: !isMeant(ride, one) })),
    }
  }),
)

const graph = useTemplateRef('graph')
const { width } = useElementSize(graph)
const GRAPH = 84
const lines = computed(() => delayPaths(delays.value, width.value || 500, GRAPH))

/** A rest the player did not mean to be off, or meant: turned over by a click. */
function turn(row: Ride, from: number, to: number): void {
  const meant = isMeant(row, { from, to })
    ? row.meant.filter((one) => !(one.from <= from && from < one.to))
    : [...row.meant, { from, to }].sort((a, b) => a.from - b.from)
  rigs.edit(editRow(rig, 'changeRide', 'rides', row.id, { meant }))
}

/** What is being recorded: moves of the pedal on the floor, with their moments in ms. */
const recording = shallowRef<{
  begun: number
  moves: Ride['moves'][number][]
  toes: Ride['toes'][number][]
} | null>(null)
const elapsed = ref(0)
let stop: (() => void) | null = null
let isDown = false

function record(): void {
  recording.value = {
    begun: clock.microseconds() / 1000,
    moves: [{ at: 0, position: floor.pedalAt(pedal.id).position }],
    toes: [],
  }
  listen()
}

function listen(): void {
  const one = recording.value
  if (!one) return
  elapsed.value = clock.microseconds() / 1000 - one.begun
  const at = Math.round(elapsed.value)
  const { position, watch } = floor.pedalAt(pedal.id)
  if (position !== one.moves.at(-1)!.position) one.moves.push({ at, position })
  const toe = off.value?.kind === 'switch' && watch.since !== null
  if (toe !== isDown) one.toes.push({ at, isDown: (isDown = toe) })
  if (one.moves.length >= RIDE_MOVES_MAX || at >= 600_000) keepRide()
  else stop = clock.after(10, listen)
}

function keepRide(): void {
  stop?.()
  const one = recording.value
  recording.value = null
  if (!one || one.moves.length < 2) return
  const length = Math.min(600_000, Math.round(clock.microseconds() / 1000 - one.begun))
  const bare: Ridden = { length, moves: one.moves, toes: one.toes, meant: [] }
  // A guess to begin with: what is long is meant. The player turns over what is not.
  const rests = off.value ? restsOf(off.value, bare, noise.value) : []
  const meant = rests.filter(({ from, to }) => to - from >= 1500)
  const row: Ride = {
    id: nanoid(12) as RideId,
    order: lastOrder(rig.rides),
    name: `Ride ${Object.keys(rig.rides).length + 1}`,
    on: isoDate(clock.now()),
    ...bare,
    moves: [...bare.moves],
    toes: [...bare.toes],
    meant,
  }
  if (rigs.edit(addRow('addRide', 'rides', row))) picked.value = new Set([row.id])
}
onBeforeUnmount(() => stop?.())

const isReal = ref(false)
let number: number | null = null
useRealPedal(
  () => isReal.value,
  ({ controller, value }) => {
    number ??= controller
    if (controller === number) floor.movePedal(pedal.id, calibrated(pedal.calibration, value))
  },
)
function takeReal(on: boolean): void {
  isReal.value = on
  number = null
  if (on) void midi.open()
}
</script>

<template>
  <div class="tab-pane">
    <div v-if="!off" class="empty">
      <p class="soft">
        The effect goes off by itself when the foot rests, and comes on as soon as it moves: no switch to step
        on.
      </p>
      <Button label="Let it switch off by itself" :disabled="!firstWorks" @click="begin" />
      <p v-if="!firstWorks" class="soft">
        There is nothing to switch yet: write down an on and off control in Charts.
      </p>
    </div>
    <template v-else>
      <div class="settings">
        <ChoiceField
          label="Off when the foot"
          class="wide"
          :value="off.kind"
          :choices="(Object.keys(OFF_TEXT) as OffKind[]).map((value) => ({ value, text: OFF_TEXT[value] }))"
          @choose="edit({ kind: $event })"
        />
        <NumberField
          class="narrow"
          label="For"
          :value="off.delayMs"
          :min="0"
          :max="OFF_DELAY_MAX"
          suffix=" ms"
          @take="edit({ delayMs: $event })"
        />
        <NumberField
          v-if="off.kind === 'heel' || off.kind === 'toe'"
          label="The end is the last"
          class="narrow"
          :value="off.zone"
          :min="0"
          :max="25"
          suffix=" %"
          @take="edit({ zone: $event })"
        />
        <ChoiceRow
          v-if="off.kind === 'switch'"
          label="The toe switch"
          :value="off.toe"
          :choices="[
            { value: 'latching', text: 'stays' },
            { value: 'momentary', text: 'springs back' },
          ]"
          @choose="edit({ toe: $event })"
        />
        <ChoiceRow
          label="It works"
          :value="off.works.kind"
          :choices="[
            { value: 'control', text: 'a control' },
            { value: 'switch', text: 'a switch' },
          ]"
          @choose="
            edit({
              works:
                $event === 'switch' && switches[0]
                  ? { kind: 'switch', switchId: switches[0].value }
                  : (firstWorks ?? off.works),
            })
          "
        />
        <template v-if="off.works.kind === 'control'">
          <ControlField
            class="wide"
            :rig="rig"
            :value="off.works.controlId"
            :only="({ reading }) => reading.kind !== 'trigger' && reading.kind !== 'increment'"
            @choose="edit({ works: { kind: 'control', controlId: $event as ControlId, off: 0, on: 127 } })"
          />
          <ValueField
            class="narrow"
            :rig="rig"
            :control-id="off.works.controlId"
            label="Off is"
            :value="off.works.off"
            @take="edit({ works: { ...off.works, off: $event } as Works })"
          />
          <ValueField
            class="narrow"
            :rig="rig"
            :control-id="off.works.controlId"
            label="On is"
            :value="off.works.on"
            @take="edit({ works: { ...off.works, on: $event } as Works })"
          />
        </template>
        <ChoiceField
          v-else
          class="wide"
          label="Switch"
          :value="off.works.switchId"
          :choices="switches"
          @choose="edit({ works: { kind: 'switch', switchId: $event as SwitchId } })"
        />
        <button type="button" class="word" @click="rigs.edit(editPedal(rig, pedal.id, { off: null }))">
          Leave it to the foot
        </button>
      </div>
      <p v-if="off.kind === 'switch' && !hasToe" class="warn">
        No toe switch leads anywhere: plan one under Plug in.
      </p>
      <p v-if="off.delayMs === 0 && off.kind !== 'switch'" class="soft small">
        No delay at all suits a quick pitch drop and little else.
      </p>
      <p v-if="isLocal" class="soft small">
        The device does this itself, where it can; the controller has no part in it.
      </p>

      <div class="heads">
        <h2>Tried on {{ count(tried.length, 'ride') }}</h2>
        <p role="status">
          <template v-if="now && tried.length > 0">
            At {{ secondsText(off.delayMs) }}: <b>{{ count(now.wrong, 'wrong off') }}</b>{{
              now.missed > 0 ? `, ${count(now.missed, 'rest')} missed` : ''
            }}, still on for {{ secondsText(now.waiting) }} where it was not wanted.
          </template>
        </p>
      </div>
      <RideStrip
        v-for="one in shown"
        :key="one.key"
        :name="one.name"
        :ride="one.ride"
        :rests="one.rests"
        :offs="one.offs"
        :can-turn="one.row !== null"
        @turn="(from, to) => one.row && turn(one.row, from, to)"
      />
      <div v-if="proposed" class="trade">
        <svg
          ref="graph"
          :height="GRAPH + 18"
          width="100%"
          role="img"
          :aria-label="`Wrong offs and waiting for every delay up to 2 s; ${proposed.delayMs} ms has the fewest wrong offs`"
        >
          <line
            class="proposed"
            :x1="lines.x(proposed.delayMs)"
            :x2="lines.x(proposed.delayMs)"
            y1="0"
            :y2="GRAPH"
          />
          <line
            class="set"
            :x1="lines.x(Math.min(DELAYS_TO_MS, off.delayMs))"
            :x2="lines.x(Math.min(DELAYS_TO_MS, off.delayMs))"
            y1="0"
            :y2="GRAPH"
          />
          <path class="wrong" :d="lines.wrong" />
          <path class="waiting" :d="lines.waiting" />
          <text x="0" :y="GRAPH + 14">0</text>
          <text :x="lines.x(proposed.delayMs)" :y="GRAPH + 14" text-anchor="middle">
            {{ proposed.delayMs }} ms
          </text>
          <text :x="lines.x(DELAYS_TO_MS)" :y="GRAPH + 14" text-anchor="end">2 s</text>
        </svg>
        <div class="said">
          <p class="small">
            <span class="key wrongly" aria-hidden="true"></span> wrong offs and rests missed, at most
            {{ lines.mostWrong }}
          </p>
          <p class="small">
            <span class="key waits" aria-hidden="true"></span> still on where it is not wanted
          </p>
          <p>
            <b>{{ proposed.delayMs }} ms</b>
            {{
              proposed.wrong === 0
                ? 'is the shortest delay with no wrong off'
                : `has the fewest wrong offs, ${proposed.wrong}`
            }}{{ proposed.missed > 0 ? `, and misses ${count(proposed.missed, 'rest')}` : '' }}.
            <button
              v-if="proposed.delayMs !== off.delayMs"
              type="button"
              class="word"
              @click="edit({ delayMs: proposed.delayMs })"
            >
              Use it
            </button>
          </p>
        </div>
      </div>
      <p v-else class="soft">Choose a ride, or record one, to find the delay.</p>
      <div class="rides">
        <fieldset>
          <legend>Rides to try it on</legend>
          <div v-for="one in rides" :key="one.key" class="ride">
            <CheckField
              :label="one.name"
              :value="tried.some(({ key }) => key === one.key)"
              @take="pick(one.key, $event)"
            />
            <button
              v-if="one.row"
              type="button"
              class="word small"
              @click="rigs.edit(removeRow(rig, 'removeRide', 'rides', one.row.id))"
            >
              Remove
            </button>
          </div>
        </fieldset>
        <div class="record">
          <CheckField
            label="A real pedal on a MIDI input leads this one"
            :value="isReal"
            :note="isReal && midi.state !== 'open' ? 'No MIDI input is open in this browser.' : undefined"
            @take="takeReal"
          />
          <Button v-if="!recording" label="Record a ride" size="small" severity="secondary" @click="record" />
          <Button
            v-else
            :label="`Keep the ride, ${(elapsed / 1000).toFixed(0)} s`"
            size="small"
            @click="keepRide"
          />
          <p class="soft small">
            Play as you do on stage, with the pedal below or a real one; rest where it should be off.
            Afterwards click a rest to say whether it was meant.
          </p>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.empty {
  display: grid;
  justify-items: start;
  gap: 10px;
  max-width: 460px;
  padding-top: 12px;
}

.settings {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 12px;
}

.settings > .field {
  width: 150px;
}

.settings > .wide {
  width: 210px;
}

.settings > .narrow {
  width: 96px;
}

.warn {
  color: var(--warning);
}

.small {
  font-size: 12px;
}

.heads {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
}

.trade {
  display: grid;
  grid-template-columns: minmax(200px, 1fr) 250px;
  gap: 18px;
}

.said {
  display: grid;
  align-content: start;
  gap: 4px;
}

svg {
  overflow: visible;
}

svg path {
  fill: none;
  stroke-width: 2;
}

.wrong {
  stroke: var(--control);
}

.waiting {
  stroke: var(--program);
  stroke-dasharray: 5 4;
}

.proposed {
  stroke: var(--line-strong);
}

.set {
  stroke: var(--ink);
  stroke-width: 1.5;
}

svg text {
  font: 500 11px var(--mono);
  fill: var(--ink-soft);
}

.key {
  display: inline-block;
  width: 22px;
  margin-right: 4px;
  border-top: 2px solid var(--control);
  vertical-align: middle;
}

.waits {
  border-top: 2px dashed var(--program);
}

.rides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
}

.ride {
  display: flex;
  gap: 12px;
}

.record {
  display: grid;
  justify-items: start;
  align-content: start;
  gap: 8px;
}

@media (max-width: 620px) {
  .trade,
  .rides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
