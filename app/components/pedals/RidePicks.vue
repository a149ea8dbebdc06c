<script setup lang="ts">
import { fixedText } from '#core/base'
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { ref } from 'vue'
import { calibrated, restsOf } from '#core/pedal'
import { addRow, lastOrder, removeRow, type Pedal, type Ride, type RideId, type Rig } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import { useRealPedal } from '~/composables/useRealPedal'
import { usePlatform } from '~/platform/platform'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { isoDate } from '#shared/words/times'
import { useRideRecorder } from './useRideRecorder'

/** Which rides a delay is tried on, and the way to record one. */
const { rig, pedal, rides, tried } = defineProps<{
  rig: Rig
  pedal: Pedal
  rides: readonly { readonly key: string; readonly name: string; readonly row: Ride | null }[]
  /** Keys of those it is tried on now. */
  tried: readonly string[]
}>()
const emit = defineEmits<{ pick: [key: string, isIn: boolean]; kept: [key: string] }>()

const { clock } = usePlatform()
const rigs = useRigStore()
const floor = useFloorStore()
const midi = useMidiStore()
const { recording, elapsed, record, end } = useRideRecorder(() => pedal, keepRide)

/** A rest so long, in ms, is taken as meant until the player says otherwise. */
const LIKELY_MEANT = 1500

function keepRide(): void {
  const ride = end()
  if (!ride) return
  const rests = pedal.off ? restsOf(pedal.off, ride, pedal.calibration?.noise) : []
  const row: Ride = {
    id: nanoid(12) as RideId,
    order: lastOrder(rig.rides),
    name: `Ride ${Object.keys(rig.rides).length + 1}`,
    on: isoDate(clock.now()),
    length: ride.length,
    moves: [...ride.moves],
    toes: [...ride.toes],
    meant: rests.filter(({ from, to }) => to - from >= LIKELY_MEANT),
  }
  if (rigs.edit(addRow('addRide', 'rides', row))) emit('kept', row.id)
}

const isReal = ref(false)
let number: number | null = null
useRealPedal(
  () => isReal.value,
  ({ controller, value }) => {
    // The first number that moves is the pedal's.
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
  <div class="rides">
    <fieldset>
      <legend>Rides to try it on</legend>
      <div v-for="one in rides" :key="one.key" class="ride">
        <CheckField
          :label="one.name"
          :value="tried.includes(one.key)"
          @take="emit('pick', one.key, $event)"
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
        :label="`Keep the ride, ${fixedText(elapsed / 1000, 0)} s`"
        size="small"
        @click="keepRide"
      />
      <p class="soft small">
        Play as you do on stage, with the pedal below or a real one; rest where it should be off. Afterwards
        click a rest to say whether it was meant.
      </p>
    </div>
  </div>
</template>

<style scoped>
.rides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
}

fieldset {
  max-height: 190px;
  overflow: auto;
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

.small {
  font-size: 12px;
}

@media (max-width: 620px) {
  .rides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
