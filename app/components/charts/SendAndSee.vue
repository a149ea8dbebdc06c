<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, useId, watch } from 'vue'
import { encodeMessage } from '#core/midi'
import {
  controlMessages,
  editRow,
  highestValue,
  sendChannel,
  shownText,
  valueFor,
  type Control,
  type Device,
  type Rig,
} from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useFloorStore } from '~/stores/floor'
import { useMidiStore } from '~/stores/midi'
import { useRigStore } from '~/stores/rig'
import { shownRefusalText } from '~/text/charts'
import { bytesText, messageText } from '#shared/words/messages'
import { MIDI_TEXT } from '~/text/midi'

/** A value in the device's own terms, the exact messages for it, and a way to try them and say what happened. */
const { rig, control, device, start } = defineProps<{
  rig: Rig
  control: Control
  device: Device
  /** The value to begin with; the middle when the search named none. */
  start: number | null
}>()

const rigs = useRigStore()
const floor = useFloorStore()
const midi = useMidiStore()

const id = useId()
const highest = computed(() => highestValue(control.address))
const text = ref('')
watch(
  () => [control.id, start] as const,
  () => (text.value = shownText(control.reading, start ?? startOf(), highest.value)),
  { immediate: true },
)

function startOf(): number {
  const { reading } = control
  if (reading.kind === 'trigger' || reading.kind === 'toggle') return reading.value
  if (reading.kind === 'increment') return reading.up
  if (reading.kind === 'named') return reading.names[0]!.value
  return reading.kind === 'range' ? Math.round((reading.from + reading.to) / 2) : highest.value
}

const value = computed(() => valueFor(control.reading, text.value, highest.value))
const channel = computed(() => sendChannel(rig, device))
const messages = computed(() =>
  value.value.ok && channel.value !== null
    ? controlMessages(control.address, channel.value, value.value.value)
    : [],
)
const bytes = computed(() => messages.value.map(encodeMessage))

const output = ref('simulated')
const places = computed(() => [
  { value: 'simulated', text: 'The simulated device' },
  ...midi.outs.map(({ id, name }) => ({ value: id, text: name })),
])
const looked = ref(false)
async function look(): Promise<void> {
  await midi.open()
  looked.value = true
  // Behind the bench port stand those of the browser.
  output.value = midi.outs[1]?.id ?? 'simulated'
}

/** Sent, and not yet said what happened. */
const isAsking = ref(false)
const answer = ref('')
watch(
  () => control.id,
  () => {
    isAsking.value = false
    answer.value = ''
  },
)

function send(): void {
  floor.send(device.id, messages.value)
  const real = midi.outs.find(({ id }) => id === output.value)
  for (const one of bytes.value) real?.send(one, 0)
  isAsking.value = true
  answer.value = ''
}

function say(did: 'it' | 'nothing' | 'other'): void {
  isAsking.value = false
  if (did === 'it') {
    rigs.edit(editRow(rig, 'testControl', 'controls', control.id, { source: 'tested' }))
    answer.value = 'Marked as tested.'
    return
  }
  rigs.edit(editRow(rig, 'testControl', 'controls', control.id, { source: 'heard' }))
  answer.value =
    did === 'nothing'
      ? 'Marked as doubtful. Check its channel and path in Rig, and whether this preset has the control mapped.'
      : 'Marked as doubtful. Write down what happened in the note, and correct the number.'
}
</script>

<template>
  <section class="send">
    <form @submit.prevent="send">
      <div class="field">
        <label :for="id">Value, as {{ device.name }} shows it</label>
        <InputText :id="id" v-model="text" size="small" fluid :invalid="!value.ok" />
      </div>
      <Button type="submit" label="Send it and see" size="small" :disabled="messages.length === 0" />
    </form>
    <p v-if="!value.ok" class="fault" role="alert">{{ shownRefusalText(value.refusal) }}</p>
    <p v-else-if="channel === null" class="fault" role="alert">
      {{ device.name }} listens on no channel. Give it one in Rig.
    </p>
    <ul v-else class="mono wire" aria-label="What is sent">
      <li v-for="(message, n) in messages" :key="n">
        <span class="control">{{ messageText(message) }}</span>
        <span>{{ bytesText(bytes[n]!) }}</span>
      </li>
    </ul>
    <ChoiceField
      v-if="midi.state === 'open'"
      label="Send to"
      :value="output"
      :choices="places"
      @choose="output = $event"
    />
    <button v-else-if="midi.state === 'unasked'" type="button" class="word" @click="look">
      Look for real MIDI outputs
    </button>
    <p v-else-if="looked" class="soft">{{ MIDI_TEXT[midi.state] }} It goes to the simulated device.</p>
    <div v-if="isAsking" class="ask" role="group" aria-label="What happened">
      <p role="status"><b>What happened?</b></p>
      <Button label="It did that" size="small" @click="say('it')" />
      <Button label="Nothing" size="small" severity="secondary" variant="outlined" @click="say('nothing')" />
      <Button
        label="Something else"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="say('other')"
      />
    </div>
    <p v-if="answer" class="soft" role="status">{{ answer }}</p>
  </section>
</template>

<style scoped>
.send {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  padding: 10px 12px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
}

form {
  display: flex;
  align-items: end;
  gap: 8px;
}

.field {
  flex: 1;
  min-width: 0;
  display: grid;
  gap: 3px;
}

.wire li {
  display: flex;
  justify-content: space-between;
}

.wire .control {
  font-weight: 600;
}

.ask {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.word {
  justify-self: start;
}

.soft {
  font-size: 12.5px;
  color: var(--ink-soft);
}
</style>
