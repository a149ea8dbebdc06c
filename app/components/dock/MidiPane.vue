<script setup lang="ts">
import { computed } from 'vue'
import { own, fixedText } from '#core/base'
import { outputName } from '~/charts/minuteLanes'
import { useDock } from '~/composables/useDock'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { LEAD } from '~/stores/outgoing'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { MIDI_TEXT } from '~/text/midi'

/** Which port of the computer each wire goes out of, and what became of what was sent. */
const midi = useMidiStore()
const floor = useFloorStore()
const rigs = useRigStore()
const { tab } = useDock()

const lanes = computed(() => {
  const { controller } = floor
  if (!rigs.rig || !controller) return []
  if (!controller.separateOutputs) return [{ id: '', name: 'All that goes out' }]
  return controller.ports
    .filter(({ roles, role }) => roles[role]?.kind === 'midiOut' || roles[role]?.kind === 'usb')
    .map(({ id }) => ({ id, name: outputName(rigs.rig!, id) }))
})
const canAsk = computed(() => ['unasked', 'refused', 'failed'].includes(midi.state))
const missed = computed(() =>
  [...midi.missed].map(([port, n]) => `${count(n, 'message')} not sent to ${port}`),
)
const isAway = (lane: string) => midi.away.some(({ id }) => id === own(midi.chosen, lane)?.id)
const echoes = computed(() => midi.incoming.filter(({ isEcho }) => isEcho).length)
</script>

<template>
  <div class="midi">
    <section>
      <h3>Out</h3>
      <p v-if="lanes.length === 0" class="soft">No foot controller yet.</p>
      <div v-for="lane in lanes" :key="lane.id" class="row">
        <label :for="`port-${lane.id}`">{{ lane.name }}</label>
        <select
          :id="`port-${lane.id}`"
          :value="own(midi.chosen, lane.id)?.id ?? ''"
          @change="midi.choose(lane.id, ($event.target as HTMLSelectElement).value || null)"
        >
          <option value="">simulated only</option>
          <option v-for="port in midi.outs" :key="port.id" :value="port.id">{{ port.name }}</option>
          <option v-if="isAway(lane.id)" :value="own(midi.chosen, lane.id)!.id">
            {{ own(midi.chosen, lane.id)!.name }}, away
          </option>
        </select>
      </div>
      <p v-for="port in midi.away" :key="port.id" class="fault" role="alert">
        {{ port.name }} is gone. Steps go on here; plug it in again and it goes on there.
      </p>
      <p v-if="missed.length > 0" class="fault" role="status">
        {{ missed.join(', ') }}.
        <button type="button" @click="(floor.resync(), midi.clearMissed())">Send all again</button>
      </p>
    </section>
    <section>
      <h3>This browser</h3>
      <p class="soft" role="status">
        {{ MIDI_TEXT[midi.state] }}{{ midi.state === 'failed' ? ` (${midi.reason})` : '' }}
      </p>
      <button v-if="canAsk" type="button" @click="midi.open()">
        {{ midi.state === 'unasked' ? 'Ask for real MIDI' : 'Ask again' }}
      </button>
      <p class="soft">The bench port is always there: what goes out of it comes in again.</p>
    </section>
    <section>
      <h3>How it goes</h3>
      <p v-if="midi.isMuted" class="soft" role="status">
        Nothing goes out while the floor follows a real controller (Stage).
      </p>
      <p class="soft">
        Everything goes out {{ LEAD }} ms after it is due here, so that each message can be timed by the
        browser.
      </p>
      <p class="soft" role="status">
        {{ count(midi.jitter.count, 'message') }} handed over,
        {{
          midi.jitter.late === 0
            ? 'none late'
            : `${midi.jitter.late} late, ${fixedText(midi.jitter.worst, 1)} ms at worst`
        }}.
      </p>
      <h3>In</h3>
      <p class="soft">
        {{ midi.state === 'open' ? count(midi.ins.length, 'input') : 'The bench port' }} watched,
        {{ count(midi.incoming.length, 'message') }} in, {{ echoes }} of them our own.
        <button type="button" @click="tab = 'monitor'">Show in the monitor</button>
      </p>
    </section>
  </div>
</template>

<style scoped>
.midi {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px;
  min-height: 0;
  overflow: auto;
}

h3 {
  color: var(--dock-ink);
  font: 600 12px/1.6 var(--text);
}

.row {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 12px;
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}

.fault {
  color: var(--dock-fault);
  font-size: 12px;
}

button,
select {
  max-width: 100%;
  padding: 0 7px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  color: var(--dock-ink);
  min-height: 24px;
  font: 500 12px/19px var(--text);
}
</style>
