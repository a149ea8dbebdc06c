<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { arrivesAt, sentAt, STEPS } from '#core/pedal'
import { highestValue, shownText, type PedalRole, type Rig } from '#core/rig'

/** What each target plays and is sent at five places of the travel. */
const { rig, role, isLocal } = defineProps<{ rig: Rig; role: PedalRole; isLocal: boolean }>()

const PLACES = [
  { name: 'heel', position: 0 },
  { name: 'quarter', position: 32 },
  { name: 'half', position: 64 },
  { name: 'three quarters', position: 95 },
  { name: 'toe', position: STEPS },
] as const

const rows = computed(() =>
  role.targets.flatMap((target, n) => {
    const control = own(rig.controls, target.controlId)
    if (!control) return []
    const highest = highestValue(control.address)
    return [
      {
        n,
        name: `${own(rig.devices, control.deviceId)?.name ?? ''} ${control.name}`,
        number: target.number === null ? '' : `on CC ${target.number}`,
        cells: PLACES.map(({ position }) => {
          const sent = sentAt(target, position)
          const arrives = arrivesAt(isLocal ? { ...target, number: null } : target, control, sent)
          return { shown: shownText(control.reading, Math.min(highest, Math.max(0, arrives)), highest), sent }
        }),
        narrowed: isLocal
          ? 'device'
          : target.device
            ? 'device'
            : target.sends.heel === 0 && target.sends.toe === highest
              ? 'not at all'
              : 'controller',
      },
    ]
  }),
)
</script>

<template>
  <div class="scroll" tabindex="0" role="group" aria-label="Values along the travel">
    <table>
      <thead>
        <tr>
          <th scope="col">Target</th>
          <th v-for="place in PLACES" :key="place.name" scope="col">{{ place.name }}</th>
          <th scope="col">narrowed at</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.n">
          <th scope="row">{{ row.name }} <span class="mono soft">{{ row.number }}</span></th>
          <td v-for="(cell, n) in row.cells" :key="n" class="mono">
            {{ cell.shown }}
            <b v-if="!isLocal" class="control"><span class="unseen">sent as </span>{{ cell.sent }}</b>
          </td>
          <td>{{ row.narrowed }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  position: relative;
  overflow: auto;
  min-height: 60px;
}

td,
th {
  padding: 3px 8px 3px 0;
  white-space: nowrap;
}

td b {
  font-weight: 600;
}
</style>
