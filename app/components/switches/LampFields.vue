<script setup lang="ts">
import { LAMP_LIGHTS, type Footswitch, type Lamp } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import TextField from '~/components/common/TextField.vue'
import { LIGHT_TEXT } from '~/text/lamps'

/** The lamp of each position: how it shines, and in which of the controller's colours. */
const { footswitch } = defineProps<{ footswitch: Footswitch }>()
const emit = defineEmits<{ change: [lamps: Lamp[]] }>()

const FOLLOWS: Lamp = { colour: '', light: 'follow' }
const LIGHTS = LAMP_LIGHTS.map((value) => ({ value, text: LIGHT_TEXT[value] }))

function put(position: number, fields: Partial<Lamp>): void {
  const lamps = footswitch.positions.map((_, n) => footswitch.lamps[n] ?? FOLLOWS)
  emit('change', lamps.with(position, { ...lamps[position]!, ...fields }))
}
</script>

<template>
  <div class="lamps">
    <div v-for="(_, n) in footswitch.positions" :key="n" class="lamp">
      <ChoiceField
        :label="footswitch.positions.length > 1 ? `Lamp after press ${n + 1}` : 'Lamp'"
        :value="(footswitch.lamps[n] ?? FOLLOWS).light"
        :choices="LIGHTS"
        @choose="put(n, { light: $event })"
      />
      <TextField
        label="Colour"
        :value="(footswitch.lamps[n] ?? FOLLOWS).colour"
        :max="60"
        @take="put(n, { colour: $event })"
      />
    </div>
  </div>
</template>

<style scoped>
.lamps {
  display: grid;
  gap: 8px;
}

.lamp {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 8px;
}
</style>
