<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { own } from '#core/base'
import {
  editPedal,
  isMeant,
  offsOf,
  pedalController,
  proposedDelay,
  restsOf,
  SHIPPED_RIDES,
  toePlace,
  tryDelay,
  tryDelays,
  type Ridden,
  type ShippedRide,
} from '#core/pedal'
import {
  editRow,
  inOrder,
  USUAL_OFF_MS,
  USUAL_ZONE,
  type AutoOff,
  type OffKind,
  type Pedal,
  type Ride,
  type Rig,
  type Works,
} from '#core/rig'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { RIDE_TEXT } from '~/text/pedals'
import { secondsText } from '#shared/words/times'
import DelayTrade from './DelayTrade.vue'
import OffSettings from './OffSettings.vue'
import RidePicks from './RidePicks.vue'
import RideStrip from './RideStrip.vue'

/** What a pedal switches off by itself, and the delay for it, tried on rides. */
const { rig, pedal } = defineProps<{ rig: Rig; pedal: Pedal }>()

const rigs = useRigStore()

const off = computed(() => pedal.off)
const edit = (fields: Partial<AutoOff>): unknown =>
  off.value && rigs.edit(editPedal(rig, pedal.id, { off: { ...off.value, ...fields } }))

const isLocal = computed(() => pedalController(pedal) === null)
const hasToe = computed(() => toePlace(rig, pedal) !== null)
/** The first switch on a device the pedal leads, else any. */
const firstWorks = computed((): Works | null => {
  const led = new Set(
    pedal.roles.flatMap(({ targets }) =>
      targets.map(({ controlId }) => own(rig.controls, controlId)?.deviceId),
    ),
  )
  const all = Object.values(rig.controls).filter(
    ({ reading: { kind } }) => kind === 'switch' || kind === 'toggle',
  )
  const one = all.find(({ deviceId }) => led.has(deviceId)) ?? all[0]
  if (one) return { kind: 'control', controlId: one.id, off: 0, on: 127 }
  const [footswitch] = isLocal.value ? [] : Object.values(rig.switches)
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

/** Rides that ship and rides that were kept. */
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
/** Of the player's own rides so many are tried at first: the newest. */
const NEWEST = 5
const picked = ref<ReadonlySet<string> | null>(null)
/** Those the player chose; else the player's own, else those that go with the kind. */
const tried = computed(() => {
  if (picked.value) return rides.value.filter(({ key }) => picked.value!.has(key))
  const ours = rides.value.filter(({ row }) => row !== null)
  return ours.length > 0
    ? ours.slice(-NEWEST)
    : rides.value.filter(({ key }) => off.value && USUAL[off.value.kind].includes(key))
})

function pick(key: string, isIn: boolean): void {
  const all = new Set(tried.value.map((one) => one.key))
  if (isIn) all.add(key)
  else all.delete(key)
  picked.value = all
}

const noise = computed(() => pedal.calibration?.noise)
const ridden = computed(() => tried.value.map(({ ride }) => ride))
const delays = computed(() => (off.value ? tryDelays(off.value, ridden.value, noise.value) : []))
const proposed = computed(() => (tried.value.length > 0 ? proposedDelay(delays.value) : null))
const now = computed(() =>
  off.value ? tryDelay(off.value, ridden.value, off.value.delayMs, noise.value) : null,
)

/** Each ride with what the delay set now makes of it. */
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

/** A rest the player did not mean to be off, or meant: turned over by a click. */
function turn(row: Ride, from: number, to: number): void {
  const meant = isMeant(row, { from, to })
    ? row.meant.filter((one) => !(one.from <= from && from < one.to))
    : [...row.meant, { from, to }].sort((a, b) => a.from - b.from)
  rigs.edit(editRow(rig, 'changeRide', 'rides', row.id, { meant }))
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
      <OffSettings
        :rig="rig"
        :off="off"
        :is-local="isLocal"
        :first-works="firstWorks"
        @change="edit"
        @leave="rigs.edit(editPedal(rig, pedal.id, { off: null }))"
      />
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
            At {{ secondsText(off.delayMs) }}: <b>{{ count(now.wrong, 'wrong off') }}</b
            >{{ now.missed > 0 ? `, ${count(now.missed, 'rest')} missed` : '' }}, still on for
            {{ secondsText(now.waiting) }} where it was not wanted.
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
      <DelayTrade
        v-if="proposed"
        :tried="delays"
        :proposed="proposed"
        :set="off.delayMs"
        @use="edit({ delayMs: $event })"
      />
      <p v-else class="soft">Choose a ride, or record one, to find the delay.</p>
      <RidePicks
        :rig="rig"
        :pedal="pedal"
        :rides="rides"
        :tried="tried.map(({ key }) => key)"
        @pick="pick"
        @kept="picked = new Set([$event])"
      />
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
</style>
