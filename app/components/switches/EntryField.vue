<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import { own } from '#core/base'
import { encodeMessages } from '#core/midi'
import { formatDisplay, type Rig } from '#core/rig'
import {
  cannotHold,
  likeliest,
  isHeld,
  readingSends,
  readPhrase,
  readTurns,
  type Doing,
  type PhraseReading,
} from '#core/switching'
import { actionText } from '#shared/actions'
import { bytesText, messageText } from '#shared/words/messages'

/** One field that understands what a player types, in any order and half words: Enter adds the likeliest, where there is one. */
const {
  rig,
  doing,
  label,
  takesTurns = false,
  holds = false,
} = defineProps<{
  rig: Rig
  /** Who would do it. */
  doing: Doing
  /** "drive / clean" can be said here: presses one after the other. */
  takesTurns?: boolean
  /** There is a foot that comes off: "hold echo on" can be said here. */
  holds?: boolean
  label: string
}>()
const emit = defineEmits<{
  add: [reading: PhraseReading]
  /** One thing after the other, press by press. */
  turns: [readings: readonly PhraseReading[]]
  /** Done here: back to where one came from. */
  leave: []
}>()

interface Offer {
  readonly readings: readonly [PhraseReading, ...PhraseReading[]]
  readonly text: string
  readonly sent: string
  readonly bytes: string
}

const draft = ref<Offer | string>('')
const offers = shallowRef<readonly Offer[]>([])
const typed = computed(() => (typeof draft.value === 'string' ? draft.value.trim() : ''))
const isLost = computed(() => typed.value !== '' && offers.value.length === 0)
/** Only a number was said, and several devices could be sent it: Enter takes none, the player picks. */
const isOpen = computed(
  () => offers.value.length > 1 && likeliest(offers.value.map(({ readings }) => readings[0])) === null,
)
const lostText = computed(() => {
  if (!isLost.value) return ''
  if (!holds && readPhrase(rig, typed.value, doing).some(isHeld))
    return 'Nothing can be held here: only a press of a switch has a foot that comes off.'
  const inVain = cannotHold(rig, typed.value, doing)
  return inVain
    ? `“${offer(inVain).text}” cannot be held: nothing says what comes back when the foot comes off. Type it without “hold”, and what comes back under “Foot off”.`
    : 'Nothing here is called that. Name a sound, a device with its preset, a control with its value, or a bank.'
})
/** Bytes beyond this are counted only. */
const SHOWN_BYTES = 9

function offer(reading: PhraseReading): Offer {
  const { action, makes, release } = reading
  const messages = readingSends(rig, reading, doing)
  const bytes = encodeMessages(messages)
  const device = own(rig.devices, makes?.deviceId ?? '')
  const said =
    makes && device
      ? `${device.name} ${formatDisplay(device.numbering, makes.index)}`
      : actionText(rig, action)
  const sent = messages.slice(0, 3).map(messageText).join(', ')
  return {
    readings: [reading],
    text: release ? `${said}, and back when the foot comes off` : said,
    sent: messages.length > 3 ? `${sent} ... ${messages.length} messages` : sent,
    bytes: bytes.length > SHOWN_BYTES ? `${bytes.length} bytes` : bytesText(bytes),
  }
}

function look(text: string): void {
  const turns = takesTurns && text.includes('/') ? readTurns(rig, text, doing) : null
  const [first, ...others] = turns?.map(offer) ?? []
  offers.value = first
    ? [
        {
          readings: [first.readings[0], ...others.map(({ readings }) => readings[0])],
          text: [first, ...others].map((one) => one.text).join(', then '),
          sent: [first, ...others].map(({ sent }) => sent).join(' / '),
          bytes: '',
        },
      ]
    : readPhrase(rig, text, doing)
        .filter((one) => holds || !isHeld(one))
        .map(offer)
}

const field = useTemplateRef<{ $el: HTMLElement; hide: () => void }>('field')

function take({ readings }: Offer): void {
  if (readings.length > 1) emit('turns', readings)
  else emit('add', readings[0])
  draft.value = ''
  offers.value = []
  void nextTick(() => field.value?.$el.querySelector('input')?.focus())
}

/** Enter before the list has come up takes what fits best. */
function onEnter(): void {
  if (typed.value === '') return
  look(typed.value)
  const [first] = offers.value
  if (first && !isOpen.value) {
    take(first)
    field.value?.hide()
  }
}

defineExpose({ focus: () => field.value?.$el.querySelector('input')?.focus() })
</script>

<template>
  <div>
    <AutoComplete
      ref="field"
      v-model="draft"
      :suggestions="[...offers]"
      option-label="text"
      :auto-option-focus="!isOpen"
      :delay="0"
      :min-length="1"
      :aria-label="label"
      placeholder="Type what it should do: verse, echo b4, mix 35, bank 3, tap"
      :invalid="isLost"
      fluid
      size="small"
      @complete="look($event.query)"
      @option-select="take($event.value)"
      @keydown.enter="onEnter"
      @keydown.escape="typed === '' && emit('leave')"
    >
      <template #option="{ option }">
        <span class="offer">
          <span>{{ option.text }}</span>
          <span class="mono sent">{{ option.sent }} <span class="bytes">{{ option.bytes }}</span></span>
        </span>
      </template>
    </AutoComplete>
    <p v-if="lostText" class="lost" role="status">{{ lostText }}</p>
    <p v-else-if="isOpen" class="lost" role="status">
      No chart here says whose number that is: pick the device, or name it.
    </p>
  </div>
</template>

<style scoped>
.offer {
  display: grid;
  max-width: 320px;
  white-space: normal;
}

.sent {
  font-size: 12px;
  color: var(--program);
}

.bytes {
  color: var(--ink-faint);
}

.lost {
  padding-top: 3px;
  font-size: 12px;
  color: var(--warning);
}
</style>
