<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { nanoid } from 'nanoid'
import { computed, ref, watch } from 'vue'
import { own } from '#core/base'
import { changeDump, checkDump, compareDumps, dumpLength, dumpMidiFile, standInTook, syxOf } from '#core/dump'
import { addNote } from '#core/logbook'
import {
  NAME_MAX,
  receivers,
  removeRow,
  UNKNOWN_DUMPING,
  type DeviceId,
  type Dump,
  type NoteId,
  type Rig,
} from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import TextField from '~/components/common/TextField.vue'
import DumpingFields from '~/components/logbook/DumpingFields.vue'
import { usePlatform } from '~/platform/platform'
import { saveFile } from '~/platform/saveFile'
import { useDumpStore } from '~/stores/dumps'
import { useRigStore } from '~/stores/rig'
import { CHECK_NAME, checkText, messageDifferenceLines } from '~/text/dumps'
import { count } from '#shared/words/counts'
import { fileWords } from '#shared/fileWords'
import { dayText } from '#shared/words/times'

/** One dump: what it is, whether it is whole, sent back, held against another. */
const { rig, dump, dumps } = defineProps<{ rig: Rig; dump: Dump | null; dumps: readonly Dump[] }>()
const emit = defineEmits<{ choose: [id: string] }>()

const store = useDumpStore()
const rigs = useRigStore()
const { clock } = usePlatform()

const device = computed(() => own(rig.devices, dump?.deviceId ?? '') ?? null)
const dumping = computed(() =>
  device.value && device.value.id === store.deviceId
    ? store.dumping
    : (device.value?.dumping ?? UNKNOWN_DUMPING),
)
const checks = computed(() => (dump ? checkDump(dump.messages, dumping.value) : []))
const isWhole = computed(() => checks.value.every(({ state }) => state !== 'wrong'))
const note = ref('')
watch(
  () => [dump?.id, dump?.note],
  () => (note.value = dump?.note ?? ''),
  { immediate: true },
)
const change = (fields: Parameters<typeof changeDump>[2]) => {
  if (dump) rigs.edit(changeDump(rig, dump.id, fields))
}

const NOTHING = '*'
const otherId = ref(NOTHING)
const others = computed(() => [
  { value: NOTHING, text: 'nothing' },
  ...dumps
    .filter(({ id }) => id !== dump?.id)
    .map(({ id, name, at }) => ({ value: id as string, text: `${name}, ${dayText(at)}` })),
])
const other = computed(() => own(rig.dumps, otherId.value) ?? null)
/** From the older to the newer of the two. */
const compared = computed(() => {
  if (!dump || !other.value || other.value.id === dump.id) return null
  const [before, after] = other.value.at <= dump.at ? [other.value, dump] : [dump, other.value]
  return { before, after, difference: compareDumps(before.messages, after.messages, dumping.value) }
})

const isAsking = ref(false)
const wasSent = ref('')
function sendBack(): void {
  isAsking.value = false
  const one = dump
  if (!one || !device.value) return
  store.deviceId = device.value.id
  wasSent.value = ''
  // Another device chosen gives up what was under way: only then.
  void Promise.resolve().then(() =>
    store.sendBack(one.messages, () => {
      wasSent.value = one.id
      const now = rigs.rig
      // What the simulated device takes happens in no world.
      if (!now || store.isStandIn || !device.value) return
      rigs.edit(
        addNote(now, {
          id: nanoid(12) as NoteId,
          at: clock.now().toISOString(),
          about: { table: 'devices', id: device.value.id },
          text: '',
          fact: { kind: 'sent', dumpId: one.id, dump: one.name, revision: one.revision },
          revision: rigs.revision,
        }),
      )
    }),
  )
}
/** The simulated device says of each message whether it took it. */
const taken = computed(() => {
  if (!wasSent.value || wasSent.value !== dump?.id || !store.isStandIn || !store.recorded?.ok) return null
  return standInTook(store.recorded.value.messages)
})

const fileName = computed(() => fileWords(dump?.name ?? ''))
const saveSyx = () =>
  dump && saveFile(`${fileName.value}.syx`, 'application/octet-stream', syxOf(dump.messages))
const saveMidi = () =>
  dump && saveFile(`${fileName.value}.mid`, 'audio/midi', dumpMidiFile(dump.name, dump.messages))
function remove(): void {
  const next = dumps.find(({ id }) => id !== dump?.id)
  if (dump && rigs.edit(removeRow(rig, 'removeDump', 'dumps', dump.id)) && next) emit('choose', next.id)
}
const FROM_TEXT = {
  heard: 'Recorded',
  simulated: 'Recorded from the simulated device',
  syx: 'From a .syx file',
  midiFile: 'From a MIDI file',
} as const
const stateSign = { right: '✓', wrong: '✗', unknown: '?' } as const
const first = computed(() => dump?.messages[0]?.hex.match(/../g)?.slice(0, 48).join(' ') ?? '')
</script>

<template>
  <p v-if="!dump" class="soft">
    Choose a device and ask it for its dump, or call the dump on the device while it is recorded. With real
    gear the browser asks for leave to use SysEx.
  </p>
  <section v-else aria-label="Dump">
    <h2>{{ dump.name }}</h2>
    <p class="soft">
      {{ dayText(dump.at) }}, at revision {{ dump.revision }}. {{ FROM_TEXT[dump.from] }}:
      {{ count(dump.messages.length, 'message') }}, {{ count(dumpLength(dump.messages), 'byte') }}.
    </p>
    <TextField label="Name" :value="dump.name" :max="NAME_MAX" required @take="change({ name: $event })" />
    <ChoiceField
      label="Of"
      :value="dump.deviceId ?? NOTHING"
      :choices="[
        { value: NOTHING, text: dump.of ? `${dump.of}, as it was called` : 'not said' },
        ...receivers(rig).map(({ id, name }) => ({ value: id as string, text: name })),
      ]"
      @choose="change({ deviceId: ($event === NOTHING ? null : $event) as DeviceId | null })"
    />
    <div class="field">
      <label for="dump-note">Note</label>
      <textarea
        id="dump-note"
        v-model="note"
        rows="2"
        maxlength="2000"
        @blur="note !== dump.note && change({ note })"
      />
    </div>
    <ul class="checks">
      <li v-for="check in checks" :key="check.check" :class="check.state">
        <span aria-hidden="true">{{ stateSign[check.state] }}</span> {{ CHECK_NAME[check.check] }}:
        {{ checkText(check, dump.messages.length) }}
      </li>
    </ul>
    <div class="does">
      <Button
        label="Send it back"
        size="small"
        :disabled="!device || !isWhole || store.sending !== null"
        @click="isAsking = true"
      />
      <Button label="Save .syx" size="small" severity="secondary" variant="outlined" @click="saveSyx" />
      <Button label="Save .mid" size="small" severity="secondary" variant="outlined" @click="saveMidi" />
      <Button label="Remove it" size="small" severity="secondary" variant="outlined" @click="remove" />
    </div>
    <p v-if="!isWhole" class="wrong">A dump that is not whole is not sent back.</p>
    <div v-if="store.sending" role="status" class="going">
      <progress :value="store.sending.sent" :max="store.sending.of" aria-label="Sent" />
      {{ store.sending.sent }} of {{ store.sending.of }} sent
      <Button label="Stop" size="small" severity="secondary" @click="store.giveUp()" />
    </div>
    <p v-else-if="wasSent === dump.id" role="status">
      {{ store.isStandIn ? 'Sent to the simulated device.' : 'Sent, and written in the logbook.' }}
      {{
        taken
          ? `The device took ${taken.taken} of ${dump.messages.length}${taken.refused > 0 ? `, refused ${taken.refused}` : ''}.`
          : 'Ask for its dump again and compare, to see that all of it arrived.'
      }}
      <b v-if="taken && taken.taken < dump.messages.length" class="wrong"
        >Something was lost: send it again.</b
      >
    </p>
    <ChoiceField label="Compare with" :value="otherId" :choices="others" @choose="otherId = $event" />
    <template v-if="compared">
      <p>
        From “{{ compared.before.name }}” to “{{ compared.after.name }}”:
        {{ count(compared.difference.same, 'message') }} the same,
        {{ compared.difference.differing.length }} differ<template v-if="compared.difference.gone.length > 0"
          >, {{ compared.difference.gone.length }} only in the older</template
        ><template v-if="compared.difference.added.length > 0"
          >, {{ compared.difference.added.length }} only in the newer</template
        >.
      </p>
      <ul class="bytes">
        <li v-for="one in compared.difference.differing.slice(0, 60)" :key="one.before">
          <b>Message {{ one.before }}</b>{{ one.after !== one.before ? ` (${one.after} in the newer)` : '' }}
          <p v-for="text in messageDifferenceLines(one).slice(0, 24)" :key="text">{{ text }}</p>
        </li>
      </ul>
    </template>
    <FoldSection title="Bytes" summary="the first message">
      <p class="mono hex">{{ first }}</p>
    </FoldSection>
    <FoldSection v-if="device" title="What its dumps look like" :summary="device.dumping ? '' : 'not said'">
      <DumpingFields :rig="rig" :device="device" :dump="dump" />
    </FoldSection>
  </section>
  <Dialog
    v-model:visible="isAsking"
    modal
    header="Send it back"
    :draggable="false"
    :style="{ width: '440px' }"
  >
    <p>
      {{ device?.name }} is told to be as it was {{ dump ? dayText(dump.at) : '' }}. What it holds now is
      written over.
    </p>
    <p class="more">
      {{ store.isStandIn ? 'It goes to the simulated device.' : 'It goes out of the chosen port.' }}
      Keep a dump of what is in it first, if you do not have one. Let nothing else send meanwhile.
    </p>
    <CautionLine caution="saveFirst" />
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="isAsking = false" />
      <Button label="Send it" @click="sendBack" />
    </template>
  </Dialog>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 9px;
}

.does,
.going {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.wrong {
  color: var(--error);
}

.unknown {
  color: var(--ink-soft);
}

.bytes {
  display: grid;
  gap: 6px;
  font-size: 12.5px;
}

.hex {
  overflow-wrap: anywhere;
  font-size: 12px;
}

.more {
  padding: 8px 0;
}
</style>
