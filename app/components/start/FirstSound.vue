<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, useId } from 'vue'
import { receivers, type Rig } from '#core/rig'
import { firstSound } from '#core/setup'
import type { CellRefusal } from '#core/sound'
import { RouterLink } from 'vue-router'
import { useRigStore } from '~/stores/rig'
import { cellRefusalText } from '~/text/sounds'

/** The first sound of a new floor: its name, what each device should be, and a switch that recalls it. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
const id = useId()
const devices = computed(() => receivers(rig))
const name = ref('')
const texts = ref<Record<string, string>>({})
const faults = shallowRef<ReadonlyMap<string, CellRefusal>>(new Map())
const fault = ref('')
const done = ref<{ name: string; number: number } | null>(null)

const REFUSED = {
  noName: 'Give it a name first.',
  noCells: 'Say of at least one device which preset it should be in.',
  noController: 'There is no controller to step on.',
  noSwitch: 'The first bank has no free switch.',
} as const

function put(): void {
  const made = firstSound(rig, name.value, new Map(Object.entries(texts.value)), () => nanoid(12))
  faults.value = new Map()
  fault.value = ''
  if (!made.ok) {
    if (made.refusal.code === 'cells') faults.value = made.refusal.faults
    else fault.value = REFUSED[made.refusal.code]
  } else if (rigs.edit(made.value.edit)) done.value = { name: name.value.trim(), number: made.value.number }
}
</script>

<template>
  <section class="sound" aria-label="The first sound">
    <p v-if="done" role="status" class="ready">
      <b>{{ done.name }}</b> is on switch {{ done.number }}. Step on it below, or press
      <kbd>{{ done.number }}</kbd>. More of it in
      <RouterLink :to="`/rigs/${rigs.rigId}/sounds`">Sounds</RouterLink> and
      <RouterLink :to="`/rigs/${rigs.rigId}/switches`">Switches</RouterLink>.
    </p>
    <form v-else @submit.prevent="put">
      <h3>A first sound</h3>
      <div class="field">
        <label :for="`${id}-name`">Called</label>
        <InputText :id="`${id}-name`" v-model="name" size="small" placeholder="Verse" maxlength="60" />
      </div>
      <div v-for="device in devices" :key="device.id" class="field">
        <label :for="`${id}-${device.id}`">{{ device.name }}</label>
        <InputText
          :id="`${id}-${device.id}`"
          v-model="texts[device.id]"
          size="small"
          placeholder="preset"
          :invalid="faults.has(device.id)"
          :aria-describedby="faults.has(device.id) ? `fault-${device.id}` : undefined"
        />
        <em v-if="faults.get(device.id)" :id="`fault-${device.id}`" role="alert">{{
          cellRefusalText(faults.get(device.id)!, device.name)
        }}</em>
      </div>
      <Button type="submit" label="Put it on a switch" size="small" />
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    </form>
  </section>
</template>

<style scoped>
.sound {
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-left: 4px solid var(--tape-edge);
  border-radius: var(--corner);
  background: var(--sheet);
}

form {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 12px;
}

h3 {
  align-self: center;
}

.field {
  display: grid;
  gap: 2px;
  max-width: 190px;
}

label {
  font-size: 12px;
  font-weight: 600;
  color: var(--ink-soft);
}

.field :deep(input) {
  width: 116px;
}

em,
.fault {
  font-size: 12.5px;
  font-style: normal;
  color: var(--error);
}

kbd {
  font: 600 13px var(--mono);
}
</style>
