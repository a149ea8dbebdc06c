<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { editRow, type Device, type Rig, type TapIn, jackOfContact } from '#core/rig'
import FindingNote from '~/components/common/FindingNote.vue'
import NumberField from '~/components/common/NumberField.vue'
import { useRigStore } from '~/stores/rig'

/** How one device takes its tempo from taps; the player's own measurement goes before the usual figures. */
const { rig, device, tapIn } = defineProps<{ rig: Rig; device: Device; tapIn: TapIn }>()

const rigs = useRigStore()
const edit = (fields: Partial<TapIn>): unknown =>
  rigs.edit(editRow(rig, 'setTapIn', 'devices', device.id, { tapIn: { ...tapIn, ...fields } }))
const where = computed(() => {
  const { place } = tapIn
  return place.kind === 'control'
    ? `its control ${own(rig.controls, place.controlId)?.name ?? ''}`
    : `the contact of its jack ${jackOfContact(device, place.contactId)?.port.name ?? place.contactId}`
})
const found = computed(() =>
  rigs.found.filter(({ about, code }) => about.id === device.id && code === 'tapOutCannot'),
)
</script>

<template>
  <div class="tap-in">
    <h2>{{ device.name }}</h2>
    <p class="soft">It takes taps at {{ where }}.</p>
    <NumberField label="Taps it needs" :value="tapIn.taps" :min="2" :max="8" @take="edit({ taps: $event })" />
    <template v-if="tapIn.place.kind === 'contact'">
      <NumberField
        label="Closed for at least"
        :value="tapIn.closedMs"
        :min="1"
        :max="500"
        suffix=" ms"
        @take="edit({ closedMs: $event })"
      />
      <NumberField
        label="Open between taps for at least"
        :value="tapIn.openMs"
        :min="1"
        :max="500"
        suffix=" ms"
        @take="edit({ openMs: $event })"
      />
    </template>
    <NumberField
      label="Forgets after"
      :value="tapIn.forgetsMs"
      :min="500"
      :max="10000"
      suffix=" ms"
      @take="edit({ forgetsMs: $event })"
    />
    <NumberField
      label="Lowest tempo it takes"
      :value="tapIn.low"
      :min="20"
      :max="Math.min(399, tapIn.high - 1)"
      :decimals="1"
      suffix=" bpm"
      @take="edit({ low: $event })"
    />
    <NumberField
      label="Highest tempo it takes"
      :value="tapIn.high"
      :min="Math.max(21, tapIn.low + 1)"
      :max="400"
      :decimals="1"
      suffix=" bpm"
      @take="edit({ high: $event })"
    />
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <button
      type="button"
      class="word"
      @click="rigs.edit(editRow(rig, 'setTapIn', 'devices', device.id, { tapIn: null }))"
    >
      It takes no taps
    </button>
  </div>
</template>

<style scoped>
.tap-in {
  display: grid;
  gap: 10px;
}

.tap-in > .word {
  justify-self: start;
}
</style>
