<script setup lang="ts">
import { computed } from 'vue'
import { controlsOf } from '#core/chart'
import { heldContacts, editRow, highestValue, type Bypass, type Device, type Rig } from '#core/rig'
import { presetText } from '#core/sound'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NumberField from '~/components/common/NumberField.vue'
import ValueList from '~/components/charts/ValueList.vue'
import { useRigStore } from '~/stores/rig'

/** What sounds need to know of a device: how it is switched off, its rest, how it loads, how it wakes. */
const { rig, device } = defineProps<{ rig: Rig; device: Device }>()

const rigs = useRigStore()
const change = (fields: Partial<Device>) => rigs.edit(editRow(rig, 'setPanel', 'devices', device.id, fields))

const isReceiver = computed(() => device.kind === 'receiver')
const controls = computed(() => controlsOf(rig, device.id).filter(({ reading }) => reading.kind === 'switch'))
const contacts = computed(() => heldContacts(rig, device))
const presets = computed(() => {
  const named = Object.values(rig.presets)
    .filter(({ deviceId }) => deviceId === device.id)
    .map(({ index }) => index)
  const known = [
    device.powerOn,
    device.rest?.preset,
    device.bypass.kind === 'preset' ? device.bypass.index : null,
  ]
  return [...new Set([0, ...named, ...known.filter((one) => typeof one === 'number')])]
    .filter((index) => index < device.numbering.count)
    .sort((a, b) => a - b)
    .map((index) => ({ value: index, text: presetText(rig, device, index) }))
})

const BY = {
  none: { value: 'none', text: 'Not at all, as far as is known' },
  preset: { value: 'preset', text: 'By an empty preset' },
  control: { value: 'control', text: 'By a control' },
  contact: { value: 'contact', text: 'By its contacts' },
} as const
const ways = computed(() => [
  BY.none,
  ...(isReceiver.value ? [BY.preset] : []),
  ...(controls.value.length > 0 ? [BY.control] : []),
  ...(contacts.value.some(({ output }) => output !== null) ? [BY.contact] : []),
])

function setWay(kind: Bypass['kind']): void {
  const [control] = controls.value
  if (kind === 'none') change({ bypass: { kind } })
  else if (kind === 'preset') change({ bypass: { kind, index: 0 } })
  else if (kind === 'contact') change({ bypass: { kind, off: 'open' } })
  else if (control)
    change({ bypass: { kind, controlId: control.id, off: 0, on: highestValue(control.address) } })
}

const NOT_KNOWN = { value: -1, text: 'Not known' }
const WHICHEVER = { value: -1, text: 'Whichever it is in' }
const rest = computed(() => device.rest ?? { preset: null, values: [], closes: [] })
const isClosed = (id: string) => rest.value.closes.includes(id)
const toggled = (id: string, on: boolean) =>
  change({
    rest: {
      ...rest.value,
      closes: on ? [...rest.value.closes, id] : rest.value.closes.filter((one) => one !== id),
    },
  })
const HEARD = [
  { value: 'none', text: 'Nothing: sounds ring on' },
  { value: 'slight', text: 'A slight dip' },
  { value: 'clear', text: 'A clear hole' },
] as const
const WHILE = [
  { value: 'loses', text: 'It loses them' },
  { value: 'keeps', text: 'It keeps them for later' },
] as const
</script>

<template>
  <div class="fields">
    <ChoiceField label="Switched off" :value="device.bypass.kind" :choices="ways" @choose="setWay" />
    <ChoiceField
      v-if="device.bypass.kind === 'preset'"
      label="Its empty preset"
      :value="device.bypass.index"
      :choices="presets"
      @choose="change({ bypass: { kind: 'preset', index: $event } })"
    />
    <template v-else-if="device.bypass.kind === 'control'">
      <ChoiceField
        label="The control"
        :value="device.bypass.controlId"
        :choices="controls.map(({ id, name, section }) => ({ value: id, text: `${section} ${name}`.trim() }))"
        @choose="
          device.bypass.kind === 'control' && change({ bypass: { ...device.bypass, controlId: $event } })
        "
      />
      <NumberField
        label="Value that is off"
        :value="device.bypass.off"
        :min="0"
        :max="127"
        @take="device.bypass.kind === 'control' && change({ bypass: { ...device.bypass, off: $event } })"
      />
      <NumberField
        label="Value that is on"
        :value="device.bypass.on"
        :min="0"
        :max="127"
        @take="device.bypass.kind === 'control' && change({ bypass: { ...device.bypass, on: $event } })"
      />
    </template>
    <ChoiceField
      v-else-if="device.bypass.kind === 'contact'"
      label="Off while they are"
      :value="device.bypass.off"
      :choices="[
        { value: 'open', text: 'open' },
        { value: 'closed', text: 'closed' },
      ]"
      @choose="change({ bypass: { kind: 'contact', off: $event } })"
    />
    <CheckField
      label="Has a rest to go back to"
      note="What “rest” means in a sound."
      :value="device.rest !== null"
      @take="change({ rest: $event ? { preset: null, values: [], closes: [] } : null })"
    />
    <template v-if="device.rest">
      <template v-if="isReceiver">
        <ChoiceField
          label="Preset at rest"
          :value="rest.preset ?? -1"
          :choices="[WHICHEVER, ...presets]"
          @choose="change({ rest: { ...rest, preset: $event < 0 ? null : $event } })"
        />
        <ValueList
          :rig="rig"
          :device-id="device.id"
          :values="rest.values"
          label="its rest"
          @change="change({ rest: { ...rest, values: $event } })"
        />
      </template>
      <CheckField
        v-for="one in contacts"
        :key="one.id"
        :label="`${one.name} closed at rest`"
        :value="isClosed(one.id)"
        @take="toggled(one.id, $event)"
      />
    </template>
    <template v-if="isReceiver">
      <NumberField
        label="Deaf while it loads"
        :value="device.deafMs"
        :min="0"
        :max="5000"
        suffix=" ms"
        @take="change({ deafMs: $event })"
      />
      <ChoiceField
        label="Controls that come meanwhile"
        :value="device.whileDeaf"
        :choices="WHILE"
        @choose="change({ whileDeaf: $event })"
      />
      <ChoiceField
        label="Heard at a preset change"
        :value="device.gap.heard"
        :choices="HEARD"
        @choose="change({ gap: { ...device.gap, heard: $event } })"
      />
      <NumberField
        label="For"
        :value="device.gap.ms"
        :min="0"
        :max="5000"
        suffix=" ms"
        @take="change({ gap: { ...device.gap, ms: $event } })"
      />
      <ChoiceField
        label="Plays when switched on"
        :value="device.powerOn ?? -1"
        :choices="[NOT_KNOWN, ...presets]"
        @choose="change({ powerOn: $event < 0 ? null : $event })"
      />
      <p class="soft">Usual figures to start from. What you measure, or its manual says, is better.</p>
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 9px;
}
</style>
