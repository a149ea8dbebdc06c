<script setup lang="ts">
import Button from 'primevue/button'
import DatePicker from 'primevue/datepicker'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { nanoid } from 'nanoid'
import { computed, ref, watch } from 'vue'
import { own } from '#core/base'
import { addNote, changeNote, removeNote, type LogbookLine } from '#core/logbook'
import { boxes, byIndex, inOrder, type NoteAbout, type NoteFact, type NoteId, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import { usePlatform } from '~/platform/platform'
import { useRigStore } from '~/stores/rig'
import { lineAboutText, lineKindText, lineText, NOTE_KIND_TEXT, WRITTEN_KINDS } from '~/text/logbook'
import { displayText } from '~/text/presets'
import { dayText } from '#shared/words/times'

/** A line that is written, or one that was: the player's own can be mended. */
const { rig, line } = defineProps<{ rig: Rig; line: LogbookLine | null }>()
const emit = defineEmits<{ written: [key: string]; close: [] }>()

const rigs = useRigStore()
const { clock } = usePlatform()

type Written = (typeof WRITTEN_KINDS)[number]
const kind = ref<Written>('note')
const text = ref('')
const version = ref('')
const THE_RIG = '*'
const about = ref(THE_RIG)
const at = ref<Date>(clock.now())

/** The note that is being mended; null while a new one is written. */
const note = computed(() => (line?.kind === 'note' ? line.note : null))
const isMine = computed(() => note.value !== null && isWritten(note.value.fact.kind))
const isWritten = (one: NoteFact['kind']): one is Written =>
  (WRITTEN_KINDS as readonly string[]).includes(one)

function begin(): void {
  const one = note.value
  kind.value = one && isWritten(one.fact.kind) ? one.fact.kind : 'note'
  text.value = one?.text ?? ''
  version.value = one?.fact.kind === 'firmware' ? one.fact.version : ''
  about.value = one?.about ? `${one.about.table}/${one.about.id}` : THE_RIG
  at.value = one ? new Date(one.at) : clock.now()
}
watch(() => line?.key, begin, { immediate: true })

const subjects = computed(() =>
  [
    { label: 'The rig', items: [{ value: THE_RIG, text: 'The rig' }] },
    {
      label: 'Boxes',
      items: boxes(rig).map((box) => ({
        value: `${'kind' in box ? 'devices' : 'controllers'}/${box.id}`,
        text: box.name,
      })),
    },
    {
      label: 'Pedals',
      items: inOrder(rig.pedals).map(({ id, name }) => ({ value: `pedals/${id}`, text: name })),
    },
    {
      label: 'Shows',
      items: inOrder(rig.shows).map(({ id, name }) => ({ value: `shows/${id}`, text: name })),
    },
    {
      label: 'Songs',
      items: inOrder(rig.songs).map(({ id, name }) => ({ value: `songs/${id}`, text: name })),
    },
    {
      label: 'Sounds',
      items: inOrder(rig.sounds).map(({ id, name }) => ({ value: `sounds/${id}`, text: name })),
    },
    {
      label: 'Presets',
      items: byIndex(rig.presets).flatMap((preset) => {
        const device = own(rig.devices, preset.deviceId)
        return device
          ? [
              {
                value: `presets/${preset.id}`,
                text: `${device.name}, ${displayText(device, preset.index)} ${preset.name}`,
              },
            ]
          : []
      }),
    },
  ].filter(({ items }) => items.length > 0),
)

const aboutOf = (value: string): NoteAbout | null => {
  const [table, id] = value.split('/')
  return table && id ? ({ table, id } as NoteAbout) : null
}
const fact = computed((): NoteFact =>
  kind.value === 'firmware' ? { kind: 'firmware', version: version.value.trim() } : { kind: kind.value },
)
const isReady = computed(() =>
  kind.value === 'firmware' ? version.value.trim() !== '' : text.value.trim() !== '',
)

function write(): void {
  const fields = {
    at: at.value.toISOString(),
    about: aboutOf(about.value),
    text: text.value.trim(),
    fact: fact.value,
  }
  if (note.value) {
    rigs.edit(changeNote(rig, note.value.id, fields))
    return
  }
  const id = nanoid(12) as NoteId
  if (!rigs.edit(addNote(rig, { id, ...fields, revision: rigs.revision }))) return
  text.value = ''
  version.value = ''
  at.value = clock.now()
}

function remove(): void {
  if (note.value && rigs.edit(removeNote(rig, note.value.id))) emit('close')
}
</script>

<template>
  <section v-if="line && !isMine" aria-label="The line">
    <h2>{{ lineKindText(line) }}</h2>
    <p class="soft">{{ [lineAboutText(rig, line), dayText(line.at)].filter(Boolean).join(', ') }}</p>
    <p class="told">{{ lineText(line) }}</p>
    <p class="soft">
      {{
        line.kind === 'fact'
          ? 'Put down by itself. What was done exactly is under History.'
          : 'Written from the test plan or by sending a dump.'
      }}
    </p>
    <Button
      label="Write a line"
      size="small"
      severity="secondary"
      variant="outlined"
      @click="emit('close')"
    />
    <Button
      v-if="line.kind === 'note'"
      label="Remove it"
      size="small"
      severity="secondary"
      variant="outlined"
      @click="remove"
    />
  </section>
  <form v-else aria-label="A line of the logbook" @submit.prevent="write">
    <h2>{{ note ? 'Mend this line' : 'Write a line' }}</h2>
    <ChoiceRow
      label="What it is"
      :value="kind"
      :choices="WRITTEN_KINDS.map((one) => ({ value: one, text: NOTE_KIND_TEXT[one] }))"
      @choose="kind = $event"
    />
    <div v-if="kind === 'firmware'" class="field">
      <label for="log-version">Version, as the box shows it</label>
      <InputText id="log-version" v-model="version" maxlength="40" fluid />
    </div>
    <div class="field">
      <label id="log-about-label" for="log-about">About</label>
      <Select
        v-model="about"
        input-id="log-about"
        aria-labelledby="log-about-label"
        :options="subjects"
        option-group-label="label"
        option-group-children="items"
        option-label="text"
        option-value="value"
        filter
        fluid
      />
    </div>
    <div class="field">
      <label for="log-text">{{ kind === 'firmware' ? 'What it changed' : 'What happened' }}</label>
      <textarea id="log-text" v-model="text" rows="5" maxlength="4000" />
    </div>
    <div class="field">
      <label for="log-at">When</label>
      <DatePicker
        v-model="at"
        input-id="log-at"
        show-time
        hour-format="24"
        date-format="d M yy"
        :manual-input="false"
        fluid
      />
    </div>
    <div class="does">
      <Button
        type="submit"
        :label="note ? 'Keep the change' : 'Write it down'"
        size="small"
        :disabled="!isReady"
      />
      <template v-if="note">
        <Button
          label="New line"
          size="small"
          severity="secondary"
          variant="outlined"
          @click="emit('close')"
        />
        <Button label="Remove it" size="small" severity="secondary" variant="outlined" @click="remove" />
      </template>
    </div>
    <CautionLine v-if="kind === 'firmware'" caution="saveFirst" />
  </form>
</template>

<style scoped>
section,
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}

.field {
  width: 100%;
}

.told {
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}

.does {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
