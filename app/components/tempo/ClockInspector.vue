<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { keptBackFrom } from '#core/check'
import { boxName, editRow, type Rig } from '#core/rig'
import { clockGivers, clockPlan } from '#core/switching'
import CheckField from '~/components/common/CheckField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import { useRigStore } from '~/stores/rig'
import { CLOCK_TEXT } from '~/text/tempo'

/** What one box has to do with the clock. */
const { rig, box } = defineProps<{ rig: Rig; box: string }>()

const rigs = useRigStore()
const device = computed(() => own(rig.devices, box) ?? null)
const controller = computed(() => own(rig.controllers, box) ?? null)
const at = computed(() => clockPlan(rig).find((one) => one.box.id === box) ?? null)
const found = computed(() =>
  rigs.found.filter(({ about, code }) => about.id === box && (code === 'clockHarm' || code === 'twoClocks')),
)
const setDevice = (fields: { followsClock?: boolean; givesClock?: boolean; clockHarms?: boolean }): unknown =>
  rigs.edit(editRow(rig, 'setClock', 'devices', box, fields))
const isGiver = computed(() => clockGivers(rig).includes(box))
/** Jacks on the way to it that keep the clock back. */
const keepsBack = computed(() => (at.value ? keptBackFrom(rig, at.value) : null))
</script>

<template>
  <div class="box">
    <h2>{{ boxName(rig, box) }}</h2>
    <p v-if="at" class="soft">{{ isGiver ? 'It gives the clock.' : `Clock: ${CLOCK_TEXT[at.verdict]}.` }}</p>
    <template v-if="device">
      <CheckField
        label="Follows clock"
        note="As set on its own panel."
        :value="device.followsClock"
        @take="setDevice({ followsClock: $event })"
      />
      <CheckField
        label="Clock must not reach it"
        note="It stutters, or changes what it should not."
        :value="device.clockHarms"
        @take="setDevice({ clockHarms: $event })"
      />
      <CheckField
        label="Gives a clock itself"
        note="A looper or a drum machine that leads."
        :value="device.givesClock"
        @take="setDevice({ givesClock: $event })"
      />
    </template>
    <template v-if="controller">
      <CheckField
        label="Sends clock"
        :value="controller.sendsClock"
        @take="rigs.edit(editRow(rig, 'setClock', 'controllers', box, { sendsClock: $event }))"
      />
      <CheckField
        label="Goes by a clock that comes in"
        note="For as long as one does; then by what it had."
        :value="controller.followsClock"
        @take="rigs.edit(editRow(rig, 'setClock', 'controllers', box, { followsClock: $event }))"
      />
    </template>
    <template v-if="at && at.ways.length > 0 && found.length === 0">
      <h3>It comes by</h3>
      <ul>
        <li v-for="(way, n) in at.ways" :key="n">
          {{ boxName(rig, way.last.box) }}, {{ way.last.jack.name }}
        </li>
      </ul>
      <button v-if="keepsBack" type="button" class="word" @click="rigs.edit(keepsBack)">
        Keep clock back there
      </button>
    </template>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
  </div>
</template>

<style scoped>
.box {
  display: grid;
  gap: 10px;
}

.box > .word {
  justify-self: start;
}

li {
  font-size: 13px;
}
</style>
