<script setup lang="ts">
import { X } from '@lucide/vue'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import {
  own,
  presetsFromSound,
  removeRecall,
  type ActionOf,
  type Controller,
  type Rig,
  type SwitchSlot,
} from '#core'
import IconButton from '~/components/common/IconButton.vue'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { actionLines } from '~/text/actions'
import { listText } from '~/text/counts'

/** A sound recalled whole. */
const { rig, action, place, position, at } = defineProps<{
  rig: Rig
  action: ActionOf<'recallSound'>
  place: SwitchSlot
  switchId: string
  position: number
  at: number
  last: number
  controller: Controller
}>()

const rigs = useRigStore()
const router = useRouter()
const { select } = useSelection()
const sound = computed(() => own(rig.sounds, action.soundId))
const lines = computed(() => actionLines(rig, action))
const back = computed(() => presetsFromSound(rig, place, position))
const loses = computed(() => {
  const left = back.value?.left.flatMap((id) => own(rig.devices, id)?.name ?? []) ?? []
  return left.length === 0 ? '' : `More than a preset is asked of ${listText(left)}: that is left out.`
})

async function open(): Promise<void> {
  select({ kind: 'sound', soundId: action.soundId })
  await router.push(`/rigs/${rigs.rigId}/sounds`)
}
</script>

<template>
  <li v-if="sound" class="row">
    <div class="top">
      <button type="button" class="tape" @click="open">{{ sound.name }}</button>
      <IconButton
        :icon="X"
        :name="`Take ${sound.name} off this press`"
        @click="rigs.edit(removeRecall(rig, switchId as never, position, at))"
      />
    </div>
    <dl>
      <template v-for="line in lines" :key="line.key">
        <dt>{{ line.device }}</dt>
        <dd>{{ line.state }}</dd>
      </template>
    </dl>
    <div v-if="back" class="back">
      <Button
        label="Make it presets again"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(back.edit)"
      />
      <p v-if="loses" class="soft">{{ loses }}</p>
    </div>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  gap: 8px;
  padding: 5px 0 9px;
  border-bottom: 1px solid var(--line);
}

.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
}

.tape {
  min-width: 0;
  padding: 2px 10px;
  border: 0;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 15px/1.4 var(--display);
  text-align: left;
  overflow-wrap: anywhere;
}

dl {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 2px 10px;
  margin: 0;
  font-size: 13px;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
  font-weight: 600;
  overflow-wrap: anywhere;
}

.back {
  display: grid;
  justify-items: start;
  gap: 4px;
}
</style>
