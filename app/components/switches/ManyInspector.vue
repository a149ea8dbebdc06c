<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { own } from '#core/base'
import {
  change,
  changeSwitches,
  clearSwitches,
  switchAt,
  type Controller,
  type Footswitch,
  type PresetId,
  type Rig,
  type SwitchSlot,
} from '#core/rig'
import { switchName } from '#core/sound'
import { doingFirst, withPreset, type PhraseReading } from '#core/switching'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { LIGHT_TEXT } from '~/text/lamps'
import EntryField from './EntryField.vue'

/** Several switches changed at once, each in one edit. */
const { rig, slots, controller } = defineProps<{
  rig: Rig
  slots: readonly SwitchSlot[]
  controller: Controller
}>()

const rigs = useRigStore()
const rows = computed(() => slots.map((slot) => switchAt(rig, slot)))
const stored = computed(() => rows.value.filter(({ id }) => own(rig.switches, id)))
const names = computed(() =>
  rows.value.map((one) => `${one.number} ${switchName(rig, one, controller)}`.trim()).join(', '),
)
function same<Value>(of: (one: Footswitch) => Value): Value | null {
  const [first, ...others] = rows.value.map(of)
  return others.every((one) => one === first) ? (first ?? null) : null
}
const light = computed(() => same((one) => one.lamps[0]?.light ?? 'follow') ?? 'follow')
const LIGHTS = (['follow', 'off', 'steady', 'flash', 'tempo'] as const).map((value) => ({
  value,
  text: LIGHT_TEXT[value],
}))

const alter = (of: (one: Footswitch) => Footswitch) => rigs.edit(changeSwitches(rig, slots, of))

/** Adds one action to the presses of each, and what undoes it to its release. */
function add(reading: PhraseReading): void {
  const { release } = reading
  const { action, preset } = withPreset(reading, nanoid(12) as PresetId)
  const edit = changeSwitches(rig, slots, (one) => ({
    ...one,
    positions: one.positions.map((actions) => [...actions, action]),
    release: release ? [...one.release, release] : one.release,
  }))
  if (!edit) return
  const first = preset ? [change('presets', preset.id, null, preset)] : []
  rigs.edit({ ...edit, changes: [...first, ...edit.changes] })
}
const lampOf = (one: Footswitch, fields: Partial<Footswitch['lamps'][number]>) => ({
  ...one,
  lamps: one.positions.map((_, n) => ({
    ...(one.lamps[n] ?? { colour: '', light: 'follow' as const }),
    ...fields,
  })),
})
</script>

<template>
  <div class="inspector">
    <h2>{{ count(slots.length, 'switch', 'switches') }}</h2>
    <p class="soft">{{ names }}</p>
    <section>
      <h3>Add to every press of each</h3>
      <EntryField :rig="rig" :doing="doingFirst(rig, rows[0]!)" holds label="Add to all of them" @add="add" />
    </section>
    <ChoiceField
      label="Lamp"
      :value="light"
      :choices="LIGHTS"
      @choose="alter((one) => lampOf(one, { light: $event }))"
    />
    <TextField
      label="Lamp colour"
      :value="same((one) => one.lamps[0]?.colour ?? '') ?? ''"
      :max="60"
      @take="alter((one) => lampOf(one, { colour: $event }))"
    />
    <TextField
      label="Group: of its switches one lamp is on"
      :value="same((one) => one.group) ?? ''"
      :max="60"
      @take="alter((one) => ({ ...one, group: $event }))"
    />
    <CheckField
      label="In every bank"
      :value="same((one) => one.everywhere) === true"
      @take="alter((one) => ({ ...one, everywhere: $event }))"
    />
    <div v-if="stored.length > 0">
      <Button
        :label="`Clear ${count(stored.length, 'switch', 'switches')}`"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="
          rigs.edit(
            clearSwitches(
              rig,
              stored.map(({ id }) => id),
            ),
          )
        "
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 12px;
}
</style>
