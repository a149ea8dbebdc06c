<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed, ref, watch } from 'vue'
import { own } from '#core/base'
import {
  fillBank,
  inOrder,
  isProgrammed,
  switchAt,
  type Controller,
  type Rig,
  type SoundId,
  type SwitchSlot,
} from '#core/rig'
import { switchName } from '#core/sound'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'

/** A bank filled from the list of sounds: which goes where, and what it is put over. */
const isOpen = defineModel<boolean>({ required: true })
const { rig, slots, controller } = defineProps<{
  rig: Rig
  slots: readonly SwitchSlot[]
  controller: Controller
}>()

const rigs = useRigStore()
const sounds = computed(() => inOrder(rig.sounds))
const chosen = ref<readonly SoundId[]>([])
const onlyEmpty = ref(true)
watch(isOpen, (open) => {
  if (open) chosen.value = []
})
const places = computed(() =>
  onlyEmpty.value ? slots.filter((slot) => !isProgrammed(switchAt(rig, slot))) : slots,
)
const plan = computed(() =>
  chosen.value.slice(0, places.value.length).map((id, n) => {
    const slot = places.value[n]!
    const now = switchAt(rig, slot)
    return {
      number: slot.number,
      sound: own(rig.sounds, id)?.name ?? '',
      over: isProgrammed(now) ? switchName(rig, now, controller) || 'what it does now' : '',
    }
  }),
)
const left = computed(() => Math.max(0, chosen.value.length - places.value.length))

const toggle = (id: SoundId) => {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter((one) => one !== id) : [...chosen.value, id]
}

function fill(): void {
  if (rigs.edit(fillBank(rig, places.value, chosen.value.slice(0, places.value.length)))) isOpen.value = false
}
</script>

<template>
  <Dialog
    v-model:visible="isOpen"
    modal
    header="Fill this bank with sounds"
    :style="{ width: 'min(640px, 94vw)' }"
  >
    <p v-if="sounds.length === 0">There are no sounds yet. Make them in Sounds, then fill the bank.</p>
    <div v-else class="two">
      <section aria-label="Sounds">
        <h3>In the order you choose them</h3>
        <ul>
          <li v-for="sound in sounds" :key="sound.id">
            <label>
              <input type="checkbox" :checked="chosen.includes(sound.id)" @change="toggle(sound.id)" />
              {{ sound.name }}
            </label>
          </li>
        </ul>
        <Button
          label="All of them"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="chosen = sounds.map(({ id }) => id)"
        />
      </section>
      <section aria-label="Switches">
        <h3>What goes where</h3>
        <label class="only">
          <input v-model="onlyEmpty" type="checkbox" /> Only switches that do nothing yet
        </label>
        <p v-if="plan.length === 0" class="soft">Choose the first sound.</p>
        <ul>
          <li v-for="line in plan" :key="line.number" class="line">
            <span class="mono">{{ line.number }}</span>
            <span>{{ line.sound }}</span>
            <span v-if="line.over" class="over">over {{ line.over }}</span>
          </li>
        </ul>
        <p v-if="left > 0" class="over">{{ count(left, 'sound') }} more than there are switches.</p>
      </section>
    </div>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="isOpen = false" />
      <Button
        :label="`Put ${count(plan.length, 'sound')} there`"
        :disabled="plan.length === 0"
        @click="fill"
      />
    </template>
  </Dialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
}

ul {
  max-height: 300px;
  margin: 6px 0;
  overflow: auto;
}

label {
  display: flex;
  gap: 7px;
  padding: 2px 0;
}

.line {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  gap: 6px;
  padding: 2px 0;
}

.over {
  color: var(--warning);
}

@media (max-width: 620px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
