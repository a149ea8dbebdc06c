<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import type { Rig, ShowMove, SongId, SwitchId } from '#core/rig'
import { placeShowStep, showController, showSwitch } from '#core/show'
import { useRigStore } from '~/stores/rig'
import { placeLong } from '~/text/show'

/** Steps in the show, each with the switch that makes it, or a press that puts it on one. */
const { rig, steps } = defineProps<{
  rig: Rig
  steps: readonly { readonly to: ShowMove; readonly songId: SongId | null; readonly text: string }[]
}>()

const rigs = useRigStore()
const HOW = { press: '', release: ', as the foot comes off', long: ', held', double: ', twice quickly' }
const controller = computed(() => showController(rig))
const rows = computed(() =>
  steps.map((one) => {
    const found = showSwitch(rig, one.to, one.songId)
    return {
      ...one,
      place: found && `${placeLong(rig, found.footswitch)}${HOW[found.how]}`,
      edit: found ? null : placeShowStep(rig, one.to, one.songId, one.text, nanoid(12) as SwitchId),
    }
  }),
)
</script>

<template>
  <ul v-if="controller" class="steps">
    <li v-for="row in rows" :key="row.to">
      <span class="what">{{ row.text }}</span>
      <span v-if="row.place" class="soft">{{ row.place }}</span>
      <Button
        v-else-if="row.edit"
        :label="`Put it on a switch`"
        :aria-label="`Put ${row.text} on a switch`"
        size="small"
        severity="secondary"
        @click="rigs.edit(row.edit)"
      />
      <span v-else class="soft">no switch is free</span>
    </li>
    <li v-if="!controller.keepsShow" class="soft">
      These need a controller that keeps a set list: see its manual, and say so under Switches, Fit.
    </li>
  </ul>
</template>

<style scoped>
.steps {
  display: grid;
  gap: 6px;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}

.what {
  font-weight: 600;
}
</style>
