<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { own } from '#core/base'
import { readBytes } from '#core/midi'
import type { DeviceId, Rig } from '#core/rig'
import type { ChecklistLine } from '#core/setup'
import ChecklistPane from '~/components/rig/checklist/ChecklistPane.vue'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { hexText } from '~/text/keyIn'

/** What must be set and saved on each device, one device after the other. */
const { rig, lines } = defineProps<{ rig: Rig; lines: readonly ChecklistLine[] }>()

const floor = useFloorStore()
const midi = useMidiStore()

const devices = computed(() => {
  const ids = [...new Set(lines.map(({ about }) => about.id))]
  return ids.map((id) => ({
    id,
    name: own(rig.devices, id)?.name ?? '',
    lines: lines.filter(({ about }) => about.id === id),
  }))
})

const hexesOf = ({ task }: ChecklistLine): readonly string[] => (task.kind === 'learn' ? task.hexes : [])

/** To the simulated device, and out of the ports chosen under Real MIDI. */
function send(deviceId: string, line: ChecklistLine): void {
  const messages = hexesOf(line).flatMap((hex) => {
    const read = readBytes(hex)
    return read.ok ? read.value.messages.filter((one) => 'channel' in one) : []
  })
  floor.send(deviceId as DeviceId, messages)
}
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Devices">
    <p v-if="devices.length === 0" class="soft">No device hears messages yet: add one under Rig.</p>
    <p v-else class="soft">
      The controller only calls what is there. The maker’s manual says where each setting is.
      {{
        midi.isOn
          ? ''
          : 'Sent messages go to the simulated devices only, until a port is chosen under Real MIDI.'
      }}
    </p>
    <div v-for="device in devices" :key="device.id">
      <ChecklistPane :rig="rig" :title="device.name" :lines="device.lines" nothing="" is-part>
        <template #line="{ line }">
          <Button
            v-if="hexesOf(line).length > 0"
            :label="`Send ${hexesOf(line).map(hexText).join(', ')}`"
            size="small"
            severity="secondary"
            @click="send(device.id, line)"
          />
        </template>
      </ChecklistPane>
    </div>
  </div>
</template>
