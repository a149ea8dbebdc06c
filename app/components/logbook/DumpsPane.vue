<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, watch } from 'vue'
import { checkDump, dumpLength } from '#core/dump'
import { addNote, firmwareOf } from '#core/logbook'
import { inOrder, receivers, type Dump, type Dumping, type NoteId, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FilePick from '~/components/common/FilePick.vue'
import NumberField from '~/components/common/NumberField.vue'
import TakeDump from '~/components/logbook/TakeDump.vue'
import { STAND_IN, useDumpStore } from '~/stores/dumps'
import { usePlatform } from '~/platform/platform'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { identityText, identityVersion } from '~/text/dumps'
import { count } from '#shared/words/counts'
import { dayText } from '#shared/words/times'
import { useDumpFile } from './useDumpFile'

/** Dumps that are kept, and the next one: recorded from a device, or opened from a file. */
const { rig, dumps, chosen } = defineProps<{ rig: Rig; dumps: readonly Dump[]; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: string] }>()

const store = useDumpStore()
const midi = useMidiStore()
const rigs = useRigStore()
const { clock } = usePlatform()
const { file, open: openFile } = useDumpFile()

const devices = computed(() => receivers(rig))
watch(
  devices,
  (all) => {
    if (!all.some(({ id }) => id === store.deviceId)) store.deviceId = all[0]?.id ?? ''
  },
  { immediate: true },
)
const ports = computed(() => [
  { value: STAND_IN, text: 'Simulated device' },
  ...midi.outs.filter(({ id }) => id !== 'bench').map(({ id, name }) => ({ value: id, text: name })),
])

/** Looking through every byte of every dump is done once, as long as neither it nor what is known changes. */
const checked = new WeakMap<Dump, { readonly known: Dumping; readonly state: string }>()

/** In a word: what the checks of the device say of a dump. */
function stateOf(dump: Dump): string {
  const known = Object.values(rig.devices).find(({ id }) => id === dump.deviceId)?.dumping
  if (!known) return 'not checked'
  const before = checked.get(dump)
  if (before?.known === known) return before.state
  const state = lookThrough(dump, known)
  checked.set(dump, { known, state })
  return state
}
function lookThrough(dump: Dump, known: Dumping): string {
  const checks = checkDump(dump.messages, known)
  if (checks.some(({ state }) => state === 'wrong')) return 'not as usual'
  return checks.some(({ check, state }) => check === 'checksum' && state === 'right')
    ? 'checked'
    : 'checked in part'
}
const rows = computed(() =>
  dumps.map((dump) => ({
    id: dump.id,
    name: dump.name,
    of:
      (dump.deviceId !== null ? inOrder(rig.devices).find(({ id }) => id === dump.deviceId)?.name : null) ??
      dump.of,
    when: dayText(dump.at),
    size: `${count(dump.messages.length, 'message')}, ${count(dumpLength(dump.messages), 'byte')}`,
    state: stateOf(dump),
  })),
)
const knownSoftware = computed(() => store.device && firmwareOf(rig, store.device.id))
function writeFirmware(version: string): void {
  if (store.device)
    rigs.edit(
      addNote(rig, {
        id: nanoid(12) as NoteId,
        at: clock.now().toISOString(),
        about: { table: 'devices', id: store.device.id },
        text: 'As the device itself says.',
        fact: { kind: 'firmware', version },
        revision: rigs.revision,
      }),
    )
}
const recordedCount = computed(() => store.pieces.length)
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Dumps">
    <p v-if="devices.length === 0" class="soft">
      No device hears messages yet: add one under Rig. A file can be opened all the same.
    </p>
    <div class="from">
      <ChoiceField
        v-if="devices.length > 0"
        label="Device"
        :value="store.deviceId"
        :choices="devices.map(({ id, name }) => ({ value: id as string, text: name }))"
        @choose="store.deviceId = $event"
      />
      <ChoiceField label="At" :value="store.port" :choices="ports" @choose="store.port = $event" />
      <NumberField
        v-if="store.isStandIn"
        label="It loses message (0: none)"
        :value="store.loses"
        :min="0"
        :max="127"
        @take="store.loses = $event"
      />
    </div>
    <div class="does">
      <Button
        v-if="midi.state === 'unasked' || midi.state === 'refused'"
        label="Find real MIDI ports"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="midi.open()"
      />
      <Button
        label="Who is there?"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="!store.device"
        @click="store.askWhoIsThere()"
      />
      <Button
        label="Ask for its dump"
        size="small"
        :disabled="!store.device || store.dumping.ask === '' || store.sending !== null"
        @click="store.askForDump()"
      />
      <Button
        v-if="!store.isRecording"
        label="Record"
        size="small"
        severity="secondary"
        variant="outlined"
        :disabled="!store.device || store.isStandIn || store.sending !== null"
        @click="store.record()"
      />
      <Button v-else label="Stop recording" size="small" severity="secondary" @click="store.stop()" />
      <FilePick label="Open .syx or .mid" accept=".syx,.mid,.midi,audio/midi" @file="openFile" />
    </div>
    <p v-if="store.trouble" role="alert" class="trouble">{{ store.trouble }}</p>
    <ul v-if="store.answers.length > 0" aria-label="Who is there">
      <li v-for="answer in store.answers" :key="answer">
        {{ identityText(answer) }} <span class="mono soft">{{ answer }}</span>
        <Button
          v-if="!store.isStandIn && store.device && knownSoftware !== identityVersion(answer)"
          label="Write it down as its firmware"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="writeFirmware(identityVersion(answer))"
        />
      </li>
    </ul>
    <p v-if="store.isRecording && store.isTaking" role="status">
      Recording: {{ count(recordedCount, 'message') }} so far.
      {{ store.isStandIn ? '' : 'Call the dump on the device; its manual says how.' }}
    </p>
    <TakeDump
      v-if="file || (store.isTaking && !store.isRecording && store.pieces.length > 0)"
      :rig="rig"
      :file="file"
      @kept="emit('choose', $event)"
      @close="file = null"
    />
    <p v-if="rows.length === 0 && store.pieces.length === 0 && !file" class="soft">
      A dump is what a device sends of itself: its presets and settings, byte for byte. Keep one before you
      change much, and before new firmware; it can be sent back.
    </p>
    <ul class="list" aria-label="Dumps">
      <li v-for="row in rows" :key="row.id">
        <button
          type="button"
          :class="{ chosen: row.id === chosen }"
          :aria-pressed="row.id === chosen"
          @click="emit('choose', row.id)"
        >
          <b>{{ row.name }}</b>
          <span>{{ row.of }}</span>
          <span class="small">{{ row.when }}</span>
          <span class="small">{{ row.size }}</span>
          <span class="small">{{ row.state }}</span>
        </button>
      </li>
    </ul>
    <CautionLine caution="saveFirst" />
  </div>
</template>

<style scoped>
.from {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
}

.does {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.trouble {
  color: var(--error);
}

.list button {
  display: grid;
  grid-template: auto auto / minmax(0, 2fr) minmax(0, 1.4fr) 104px;
  gap: 0 12px;
  width: 100%;
  padding: 6px 8px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
}

.list button:hover {
  background: var(--hover);
}

.list button:focus-visible {
  outline-offset: -2px;
}

.list b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.list span:nth-child(2) {
  grid-column: 2 / -1;
}

.small {
  font-size: 12px;
  color: var(--ink-soft);
}

.list .chosen,
.list .chosen:hover {
  background: var(--chosen);
  color: var(--on-chosen);
}

.chosen .small {
  color: inherit;
}
</style>
