<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { heldContacts, findPreset, isOffValue } from '#core/rig'
import { deviceState } from '#core/simulate'
import { reachedBy, soundDevices } from '#core/sound'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { valueText } from '~/text/lies'
import { displayText } from '~/text/presets'
import { bpmText, LOOP_STATE_TEXT } from '~/text/tempo'

const floor = useFloorStore()
const rigs = useRigStore()

const contactWord = (isClosed: boolean | undefined) =>
  isClosed === undefined ? '—' : isClosed ? 'closed' : 'open'

const heardText = (bpm: number | null): string => (bpm === null ? 'no tempo yet' : `${bpmText(bpm)} bpm`)

const lines = computed(() => {
  const { rig } = rigs
  const { state, last } = floor
  if (!rig || !state) return []
  const heard = new Set(last?.wire.flatMap(({ heardBy }) => heardBy))
  const moved = new Set<string>(last?.contacts.map(({ deviceId }) => deviceId))
  const lost = new Set<string>(last?.wire.flatMap(({ lostBy }) => lostBy))
  return soundDevices(rig).map((device) => {
    const { preset, refused, lastControl, controls, contacts, beat, loop } = deviceState(state, device.id)
    const outputs = heldContacts(rig, device).filter(({ output }) => output !== null)
    const { bypass } = device
    const switched = bypass.kind === 'control' && bypass.controlId === lastControl ? bypass : null
    const isOff = switched !== null && isOffValue(device, switched.controlId, controls[switched.controlId])
    // Switching on is no news beside what it plays.
    const control = switched && !isOff ? undefined : own(rig.controls, lastControl ?? '')
    return {
      id: device.id,
      name: device.name,
      isNew: heard.has(device.id) || moved.has(device.id),
      isLost: lost.has(device.id),
      isOff: own(state.off, device.id) !== undefined,
      isByFoot: reachedBy(rig, device) === 'foot',
      contacts:
        device.kind === 'receiver'
          ? ''
          : outputs
              .map(
                ({ id, name }) => `${outputs.length > 1 ? `${name} ` : ''}${contactWord(own(contacts, id))}`,
              )
              .join(', '),
      keeps:
        device.looper && loop
          ? LOOP_STATE_TEXT[loop.state]
          : device.tapIn && (device.kind !== 'receiver' || beat?.by === 'tap')
            ? heardText(beat?.bpm ?? null)
            : '',
      display: displayText(device, preset),
      preset: preset === null ? '' : (findPreset(rig, device.id, preset)?.name ?? ''),
      refused,
      control: control ? `${control.name} ${valueText(rig, control, controls[control.id] ?? 0)}` : '',
    }
  })
})
</script>

<template>
  <div class="pane">
    <h2>Each device now</h2>
    <p v-if="lines.length === 0" class="soft">No devices yet.</p>
    <ul aria-label="Each device now" tabindex="0">
      <li v-for="line in lines" :key="line.id" :class="{ fresh: line.isNew }">
        <span class="device">{{ line.name }}</span>
        <span v-if="line.isOff" class="refused">off</span>
        <span v-else-if="line.refused !== null" class="refused">no PC {{ line.refused }} here</span>
        <span v-else-if="line.isLost" class="refused">lost a control</span>
        <span v-else class="state">
          <template v-if="line.keeps">{{ line.keeps }}</template>
          <template v-else-if="line.contacts">{{ line.contacts }}</template>
          <template v-else-if="line.isByFoot">by foot</template>
          <template v-else-if="line.control">{{ line.control }}</template>
          <template v-else><span class="mono">{{ line.display }}</span> {{ line.preset }}</template>
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.pane {
  display: grid;
  grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
  gap: 4px;
}

h2 {
  font: 600 13px/1.5 var(--text);
}

ul {
  overflow: auto;
}

.soft {
  color: var(--dock-soft);
}

li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 1px 4px;
  font-size: 12px;
  line-height: 19px;
}

li.fresh {
  box-shadow: inset 2px 0 var(--dock-program);
}

.device {
  color: var(--dock-soft);
}

.device,
.state {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.state {
  font-weight: 600;
  text-align: right;
}

.refused {
  color: var(--dock-control);
  font-weight: 600;
}
</style>
