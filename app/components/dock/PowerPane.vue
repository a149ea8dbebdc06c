<script setup lang="ts">
import { Power } from '@lucide/vue'
import { computed, ref } from 'vue'
import { own } from '#core/base'
import { findPreset, inOrder, type SoundId } from '#core/rig'
import { startFloor } from '#core/simulate'
import { soundDevices } from '#core/sound'
import { messagesAmong, listSteps } from '#core/switching'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { bytesText, messageText } from '#shared/words/messages'
import { displayText } from '~/text/presets'

/** What everything is when it is switched on, what is sent then, and how to get from how things are to where they should be. */
const floor = useFloorStore()
const rigs = useRigStore()
const soundId = ref<SoundId | ''>('')
const sounds = computed(() => (rigs.rig ? inOrder(rigs.rig.sounds) : []))

const devices = computed(() => {
  const { rig } = rigs
  if (!rig) return []
  return soundDevices(rig).map((device) => ({
    id: device.id,
    name: device.name,
    isOn: own(floor.state?.off, device.id) === undefined,
    plays:
      device.kind !== 'receiver'
        ? 'as it was left'
        : device.powerOn === null
          ? 'not known: say it in Rig'
          : `${displayText(device, device.powerOn)} ${findPreset(rig, device.id, device.powerOn)?.name ?? ''}`,
  }))
})
/** What controllers send at power-on, as messages with their bytes. */
const sent = computed(() => (rigs.rig ? startFloor(rigs.rig).sent : []))
const lists = computed(() => {
  const { rig } = rigs
  if (!rig) return 0
  return inOrder(rig.controllers).reduce((sum, { id, onPower }) => {
    const controller = own(rig.controllers, id) ?? null
    const doing = { controller, known: startFloor(rig).state.known, at: 0, by: null }
    return sum + messagesAmong(listSteps(rig, onPower, doing)).length
  }, 0)
})
</script>

<template>
  <div class="power">
    <section>
      <h3>When it is switched on</h3>
      <ul aria-label="Devices at power-on">
        <li v-for="one in devices" :key="one.id">
          <button
            type="button"
            :aria-pressed="one.isOn"
            :aria-label="`${one.name} is ${one.isOn ? 'on' : 'off'}: switch it ${one.isOn ? 'off' : 'on'}`"
            :class="{ off: !one.isOn }"
            @click="floor.power(one.id, !one.isOn)"
          >
            <Power :size="12" aria-hidden="true" /> {{ one.isOn ? 'on' : 'off' }}
          </button>
          <span class="name">{{ one.name }}</span>
          <span class="soft">{{ one.plays }}</span>
        </li>
      </ul>
      <p v-if="devices.length === 0" class="soft">No devices yet.</p>
    </section>
    <section>
      <h3>What the controller sends then</h3>
      <p v-if="sent.length === 0" class="soft">
        Nothing. What it should send is set in Switches, at a bank, under "When it is switched on".
      </p>
      <ul v-else aria-label="Sent at power-on" class="mono">
        <li v-for="(one, n) in sent" :key="n">
          <span>{{ messageText(one.message) }}</span> <span class="soft">{{ bytesText(one.bytes) }}</span>
        </li>
      </ul>
      <p v-if="lists < sent.length" class="soft">
        {{ count(sent.length - lists, 'message') }} of that because it comes to its first bank.
      </p>
      <button type="button" class="act" @click="floor.powerAll()">Everything off and on again</button>
    </section>
    <section>
      <h3>From here to there</h3>
      <div class="row">
        <label for="dock-sound">Sound</label>
        <select id="dock-sound" v-model="soundId">
          <option value="">choose one</option>
          <option v-for="one in sounds" :key="one.id" :value="one.id">{{ one.name }}</option>
        </select>
        <button type="button" class="act" :disabled="soundId === ''" @click="soundId && floor.goTo(soundId)">
          Send only what is needed
        </button>
      </div>
      <div class="row">
        <button type="button" class="act" @click="floor.putRight()">Put right what differs</button>
        <button type="button" class="act" @click="floor.resync()">Resync: send all again</button>
      </div>
      <p class="soft">Both go by what the controller believes. Try them with the volume down.</p>
    </section>
  </div>
</template>

<style scoped>
.power {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 0.9fr) minmax(0, 1fr);
  gap: 14px;
  min-height: 0;
  overflow: auto;
}

h3 {
  color: var(--dock-ink);
  font: 600 12px/1.6 var(--text);
}

li,
.row {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 12px;
  min-height: 26px;
  line-height: 20px;
}

.row {
  flex-wrap: wrap;
  margin-bottom: 4px;
}

.name {
  font-weight: 600;
}

.name,
.soft {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

p.soft {
  white-space: normal;
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}

button,
select {
  display: flex;
  align-items: center;
  gap: 4px;
  padding: 0 7px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  color: var(--dock-ink);
  min-height: 24px;
  font: 500 12px/18px var(--text);
}

button.off {
  border-style: dashed;
  background: none;
}

button:disabled {
  opacity: 0.5;
}
</style>
