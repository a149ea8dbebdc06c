<script setup lang="ts">
import { nanoid } from 'nanoid'
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed } from 'vue'
import {
  own,
  cutText,
  NAME_MAX,
  findSwitch,
  inOrder,
  receivers,
  setRecall,
  setSwitchSound,
  soundFromSwitch,
  type Controller,
  type Device,
  type PresetId,
  type Rig,
  type Sound,
  type SoundId,
  type SwitchSlot,
} from '#core'
import { pressSending } from '~/charts/pressSending'
import SentMessages from '~/components/common/SentMessages.vue'
import { useRigStore } from '~/stores/rig'
import { ACTION_EDITORS } from './actions/actionEditors'
import AddDevice from './AddDevice.vue'

/** What one press of a switch should do: a sound, or presets device by device; and what that sends. */
const {
  rig,
  at: slot,
  position,
  title,
  controller,
} = defineProps<{
  rig: Rig
  at: SwitchSlot
  position: number
  title: string
  controller: Controller
}>()

const rigs = useRigStore()
const footswitch = computed(() => findSwitch(rig, slot.bankId, slot.number))
const actions = computed(() => footswitch.value?.positions[position] ?? [])
const sounds = computed(() => inOrder(rig.sounds))
const sound = computed(() => actions.value.find((action) => action.kind === 'recallSound'))
/** Devices not on this press yet; a sound speaks of all it means to. */
const others = computed(() => {
  if (sound.value) return []
  const used = new Set(
    actions.value.flatMap((action) =>
      action.kind === 'recallPreset' ? (own(rig.presets, action.presetId)?.deviceId ?? []) : [],
    ),
  )
  return receivers(rig).filter(({ id }) => !used.has(id))
})
const canBeSound = computed(() => actions.value.length > 0 && !sound.value)

const pick = (device: Device, index: number) =>
  rigs.edit(
    setRecall(rig, slot, position, { deviceId: device.id, index, newPresetId: nanoid(12) as PresetId }),
  )

function makeSound(): void {
  const bank = own(rig.banks, slot.bankId)
  const place = `${bank?.name || `Bank ${(bank?.index ?? 0) + controller.firstBank}`}, ${slot.number}`
  const name = footswitch.value?.label || cutText(place, NAME_MAX)
  rigs.edit(soundFromSwitch(rig, slot, position, nanoid(12) as SoundId, name))
}
</script>

<template>
  <section class="press">
    <div class="head">
      <h3>{{ title }}</h3>
      <AddDevice :devices="others" @add="pick($event, 0)" />
    </div>
    <Select
      v-if="sounds.length > 0"
      :model-value="sounds.find(({ id }) => sound?.kind === 'recallSound' && id === sound.soundId) ?? null"
      :options="sounds"
      option-label="name"
      placeholder="Put a sound on it"
      :aria-label="`Sound, ${title.toLowerCase()}`"
      :filter="sounds.length > 8"
      :virtual-scroller-options="sounds.length > 60 ? { itemSize: 34 } : undefined"
      size="small"
      fluid
      @update:model-value="(one: Sound) => rigs.edit(setSwitchSound(rig, slot, position, one.id))"
    />
    <p v-if="actions.length === 0" class="none">Nothing yet. Add the first device it should change.</p>
    <ol>
      <component
        :is="ACTION_EDITORS[action.kind]"
        v-for="(action, n) in actions"
        :key="JSON.stringify(action)"
        :rig="rig"
        :action="action"
        :place="slot"
        :switch-id="footswitch?.id ?? ''"
        :position="position"
        :at="n"
        :last="actions.length - 1"
        :controller="controller"
      />
    </ol>
    <SentMessages
      v-if="footswitch && actions.length > 0"
      :rig="rig"
      :sending="pressSending(rig, footswitch, position)"
    />
    <Button
      v-if="canBeSound"
      class="make"
      label="Make a sound of these"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="makeSound"
    />
  </section>
</template>

<style scoped>
.press {
  display: grid;
  gap: 6px;
}

.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

.none {
  color: var(--ink-soft);
}

.make {
  justify-self: start;
}
</style>
