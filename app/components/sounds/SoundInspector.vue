<script setup lang="ts">
import RemoveUsed from '~/components/common/RemoveUsed.vue'
import { ArrowDown, ArrowUp } from '@lucide/vue'
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import {
  BLANK_SOUND,
  addRow,
  editRow,
  inOrder,
  lastOrder,
  PURPOSES,
  type Rig,
  type Sound,
  type SoundId,
} from '#core/rig'
import { detachSound, removeSounds, sendingOf, spokenCells } from '#core/sound'
import type { CompiledStep } from '#core/switching'
import { stepsSending } from '~/charts/pressSending'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import IconButton from '~/components/common/IconButton.vue'
import NumberField from '~/components/common/NumberField.vue'
import SentMessages from '~/components/common/SentMessages.vue'
import TextField from '~/components/common/TextField.vue'
import UsedBy from '~/components/common/UsedBy.vue'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { PURPOSE_TEXT } from '~/text/charts'
import { count } from '#shared/words/counts'
import { millisecondsText } from '#shared/words/messages'

/** A sound: what it is for, what it sends in which order, and what uses it. */
const { rig, sound, found } = defineProps<{ rig: Rig; sound: Sound; found: readonly Finding[] }>()
const emit = defineEmits<{ send: []; takeFloor: [] }>()

const rigs = useRigStore()
const { select } = useSelection()

const controller = computed(() => inOrder(rig.controllers)[0])
const sending = computed(() => sendingOf(rig, sound, controller.value))
const steps = computed(() => sending.value.steps.map((step): CompiledStep => ({ ...step, action: 0 })))
const sent = computed(() => stepsSending(steps.value, controller.value?.runningStatus))
const messages = computed(() => sent.value.messages.length)
const change = (fields: Partial<Sound>) => rigs.edit(editRow(rig, 'changeSound', 'sounds', sound.id, fields))

/** Those it can follow: not itself, and none that follows it. */
const parents = computed(() => {
  const follows = (one: Sound): boolean => {
    for (let at: Sound | undefined = one; at; at = own(rig.sounds, at.parentId ?? ''))
      if (at.id === sound.id) return true
    return false
  }
  return [
    { value: '', text: 'None: it stands for itself' },
    ...inOrder(rig.sounds)
      .filter((one) => !follows(one))
      .map(({ id, name }) => ({ value: id as string, text: name })),
  ]
})
const PURPOSE_CHOICES = PURPOSES.map((value) => ({ value, text: PURPOSE_TEXT[value] }))

const byFoot = computed(() =>
  [...spokenCells(rig, sound)].flatMap(([id, { cell }]) => {
    const device = own(rig.devices, id)
    return cell.kind === 'foot' && device ? [`${device.name}: ${cell.does || 'by foot'}`] : []
  }),
)
const contacts = computed(() =>
  sending.value.contacts.map(({ deviceId, isClosed }) => {
    const device = own(rig.devices, deviceId)
    return `${device?.name ?? ''} ${isClosed ? 'closed' : 'open'}`
  }),
)

/** Why the order is as it is. */
const reason = computed(() => {
  const { best, isByHand, ready } = sending.value
  if (isByHand) {
    const costs = ready - best.ready
    return costs > 0
      ? `Your own order: ready ${millisecondsText(costs)} later than the best one.`
      : 'Your own order, as good as the best one.'
  }
  const why = 'Recalls go first, the slowest device first; controls follow as devices are ready for them.'
  if (best.isProven) return `${why} No order is sooner: proven.`
  return `${why} At most ${millisecondsText(best.ready - best.bound)} from the best there can be.`
})
const blockText = (n: number) => {
  const { deviceId, part, messages: own_ } = sending.value.blocks[n]!
  const device = own(rig.devices, deviceId)?.name ?? ''
  return `${device}: ${part === 'recall' ? 'recall' : count(own_.length, 'control message')}`
}

function moveBlock(n: number, by: 1 | -1): void {
  const blocks = sending.value.blocks.map(({ deviceId, part }) => ({ deviceId, part }))
  const moved = blocks.toSpliced(n, 1).toSpliced(n + by, 0, blocks[n]!)
  rigs.edit(editRow(rig, 'orderSending', 'sounds', sound.id, { sending: moved }))
}

function addVariant(): void {
  const id = nanoid(12) as SoundId
  const next = inOrder(rig.sounds).find(({ order }) => order > sound.order)
  const row: Sound = {
    ...BLANK_SOUND,
    id,
    order: next ? (sound.order + next.order) / 2 : lastOrder(rig.sounds),
    name: `${[...sound.name].slice(0, 50).join('')}, plus`,
    purpose: sound.purpose,
    parentId: sound.id,
  }
  if (rigs.edit(addRow('addSound', 'sounds', row))) select({ kind: 'sound', soundId: id })
}
</script>

<template>
  <div class="inspector">
    <h2 class="tape">{{ sound.name }}</h2>
    <div class="buttons">
      <Button label="Send it (F8)" size="small" @click="emit('send')" />
      <Button
        label="Take the floor (F9)"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="emit('takeFloor')"
      />
      <Button
        label="Make a variant"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="addVariant"
      />
    </div>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <section>
      <h3>Ready after {{ millisecondsText(sending.ready) }}</h3>
      <p class="soft">
        {{ count(messages, 'message')
        }}<template v-if="controller"> of {{ controller.messagesPerEvent }} a step</template>.
        {{ messages > 0 ? reason : 'Nothing is sent.' }}
      </p>
      <p v-if="contacts.length > 0">Contacts: {{ contacts.join(', ') }}.</p>
      <p v-if="byFoot.length > 0">By foot, not claimed: {{ byFoot.join('; ') }}.</p>
    </section>
    <ol v-if="sending.blocks.length > 1" class="order" aria-label="Sending order">
      <li v-for="(block, n) in sending.blocks" :key="`${block.deviceId}/${block.part}`">
        <span>{{ blockText(n) }}</span>
        <IconButton
          :icon="ArrowUp"
          :name="`Send ${blockText(n)} earlier`"
          :disabled="n === 0"
          @click="moveBlock(n, -1)"
        />
        <IconButton
          :icon="ArrowDown"
          :name="`Send ${blockText(n)} later`"
          :disabled="n === sending.blocks.length - 1"
          @click="moveBlock(n, 1)"
        />
      </li>
    </ol>
    <button
      v-if="sound.sending.length > 0"
      type="button"
      class="word"
      @click="rigs.edit(editRow(rig, 'orderSending', 'sounds', sound.id, { sending: [] }))"
    >
      Back to the best order
    </button>
    <SentMessages v-if="messages > 0" :rig="rig" :sending="sent" />
    <TextField label="Name" :value="sound.name" :max="60" required @take="change({ name: $event })" />
    <ChoiceField
      label="A variant of"
      :value="(sound.parentId ?? '') as string"
      :choices="parents"
      @choose="change({ parentId: $event === '' ? null : ($event as SoundId) })"
    />
    <button
      v-if="sound.parentId !== null"
      type="button"
      class="word"
      @click="rigs.edit(detachSound(rig, sound.id))"
    >
      Keep all it shows, and follow nothing
    </button>
    <div class="fields">
      <ChoiceField
        label="What it is for"
        :value="sound.purpose"
        :choices="PURPOSE_CHOICES"
        @choose="change({ purpose: $event })"
      />
      <NumberField
        label="Beats a minute, 0 for none"
        :value="sound.tempo ?? 0"
        :min="0"
        :max="400"
        @take="change({ tempo: $event < 20 ? null : $event })"
      />
    </div>
    <TextField label="Notes" :value="sound.notes" :max="400" @take="change({ notes: $event })" />
    <TextField
      label="Colour of its tape or lamp"
      :value="sound.colour"
      :max="60"
      @take="change({ colour: $event })"
    />
    <UsedBy :id="sound.id" :rig="rig" table="sounds" />
    <RemoveUsed
      :id="sound.id"
      :rig="rig"
      table="sounds"
      label="Remove this sound"
      @remove="rigs.edit(removeSounds(rig, [sound.id]))"
    />
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 11px;
}

.tape {
  padding: 3px 11px;
  background: var(--tape);
  color: var(--tape-ink);
  overflow-wrap: anywhere;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.order {
  display: grid;
  gap: 1px;
  font-size: 12.5px;
}

.order li {
  display: flex;
  align-items: center;
}

.order span {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}

.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px;
}
</style>
