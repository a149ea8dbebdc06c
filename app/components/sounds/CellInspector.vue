<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import { inOrder, type Device, type DeviceId, type Rig, type Sound, type SoundId } from '#core/rig'
import { deviceBetween, formatCell, parseCell, sendingOf, setCells, spokenCells, wantsOf } from '#core/sound'
import type { CompiledStep } from '#core/switching'
import { stepsSending } from '~/charts/pressSending'
import FindingNote from '~/components/common/FindingNote.vue'
import SentMessages from '~/components/common/SentMessages.vue'
import UsedBy from '~/components/common/UsedBy.vue'
import { useCellDrafts } from '~/composables/useCellDrafts'
import { newIds } from '~/platform/newIds'
import { useRigStore } from '~/stores/rig'
import { betweenText } from '~/text/between'
import { CELL_KIND_TEXT, cellRefusalText, DOUBT_TEXT } from '~/text/sounds'

/** One device in one sound: what it should be, what is sent for that, and what it comes from. */
const { rig, sound, device, found } = defineProps<{
  rig: Rig
  sound: Sound
  device: Device
  found: readonly Finding[]
}>()

const rigs = useRigStore()

const spoken = computed(() => spokenCells(rig, sound).get(device.id) ?? null)
const shown = computed(() => (spoken.value ? formatCell(rig, device, spoken.value.cell) : ''))
const want = computed(() => wantsOf(rig, sound).get(device.id) ?? null)
const doubts = computed(() =>
  want.value?.kind === 'cannot' ? [want.value.doubt] : want.value?.kind === 'be' ? want.value.doubts : [],
)
const controller = computed(() => inOrder(rig.controllers)[0])
const steps = computed(() =>
  sendingOf(rig, sound, controller.value).steps.flatMap((step): CompiledStep[] =>
    step.kind !== 'wait' && step.deviceId === device.id ? [{ ...step, action: 0 }] : [],
  ),
)
const sent = computed(() => stepsSending(steps.value))
const { draftAt, setDraft } = useCellDrafts(() => rigs.rigId ?? '')
/** What was typed here or in the table and not understood; else what the cell says. */
const stands = computed(() => draftAt(sound.id, device.id) ?? shown.value)
const draft = ref(stands.value)
/** Something was typed into this field, and not taken yet. */
const isTyped = ref(false)
const fault = computed(() => {
  const text = draftAt(sound.id, device.id)
  const read = text === null ? null : parseCell(rig, device, text)
  return read && !read.ok ? cellRefusalText(read.refusal, device.name) : ''
})
watch([() => sound.id, () => device.id, stands], ([soundId, deviceId], [lastSound, lastDevice]) => {
  // Another cell was chosen before the field was left: what was typed is still of the one before.
  if (isTyped.value && (soundId !== lastSound || deviceId !== lastDevice))
    takeFor(lastSound, lastDevice, draft.value)
  isTyped.value = false
  draft.value = stands.value
})

/** Takes a text for a cell, or keeps it there where it is not understood. */
function takeFor(soundId: SoundId, deviceId: DeviceId, text: string): void {
  const [row, of] = [own(rig.sounds, soundId), own(rig.devices, deviceId)]
  if (!row || !of) return
  const cell = spokenCells(rig, row).get(deviceId)?.cell
  const typed = text.trim()
  if (typed === (draftAt(soundId, deviceId) ?? (cell ? formatCell(rig, of, cell) : ''))) return
  const read = typed === '' ? null : parseCell(rig, of, text)
  setDraft(soundId, deviceId, read && !read.ok ? text : null)
  if (!read || read.ok)
    rigs.edit(setCells(rig, [{ soundId, deviceId, cell: read ? read.value : null }], newIds))
}
function take(): void {
  if (!isTyped.value) return
  isTyped.value = false
  takeFor(sound.id, device.id, draft.value)
}
function putBack(): void {
  isTyped.value = false
  setDraft(sound.id, device.id, null)
  draft.value = shown.value
}

/** The sound before it in the list: where one most often comes from. */
const before = computed(() => {
  const all = inOrder(rig.sounds)
  return all[all.findIndex(({ id }) => id === sound.id) - 1] ?? null
})
const coming = computed(() => {
  const from = before.value && wantsOf(rig, before.value).get(device.id)
  return from && want.value ? betweenText(rig, device, deviceBetween(rig, device, from, want.value)) : []
})
const isOwn = computed(() => spoken.value?.by === sound)
const preset = computed(() => {
  const cell = spoken.value?.cell
  return cell?.kind === 'preset' ? own(rig.presets, cell.presetId) : null
})
</script>

<template>
  <div class="inspector">
    <div>
      <h2 class="tape">{{ sound.name }}</h2>
      <p class="soft">
        {{ device.name
        }}<template v-if="typeof device.channel === 'number'">, ch {{ device.channel }}</template>. Type a
        preset, a control with its value, off, rest or leave.
      </p>
    </div>
    <div class="field">
      <label for="cell-text">What it should be</label>
      <input
        id="cell-text"
        v-model="draft"
        maxlength="400"
        autocomplete="off"
        spellcheck="false"
        :aria-invalid="fault !== ''"
        :aria-describedby="fault ? 'cell-fault' : undefined"
        :placeholder="spoken ? '' : 'not said'"
        @input="isTyped = true"
        @keydown.enter="take"
        @keydown.escape="putBack"
        @blur="take"
      />
      <p v-if="fault" id="cell-fault" class="fault" role="alert">{{ fault }}</p>
    </div>
    <p v-if="spoken" class="soft">
      {{ CELL_KIND_TEXT[spoken.cell.kind] }}<template v-if="!isOwn">, as {{ spoken.by.name }} says</template>.
      <button
        v-if="isOwn"
        type="button"
        class="word"
        @click="rigs.edit(setCells(rig, [{ soundId: sound.id, deviceId: device.id, cell: null }], newIds))"
      >
        {{ sound.parentId === null ? 'Say nothing of it' : 'Follow the parent again' }}
      </button>
    </p>
    <p v-else class="soft">
      Not said: {{ want?.kind === 'be' ? 'it goes back to rest' : 'it stays as it is' }}.
    </p>
    <p v-for="doubt in doubts" :key="doubt.code" class="fault">Cannot tell: {{ DOUBT_TEXT[doubt.code] }}.</p>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <SentMessages v-if="sent.messages.length > 0" :rig="rig" :sending="sent" />
    <p v-else-if="steps.length > 0" class="soft">
      A contact is {{ steps[0]!.kind === 'contact' && steps[0]!.isClosed ? 'closed' : 'opened' }}; nothing is
      sent.
    </p>
    <p v-else class="soft">Nothing is sent for it.</p>
    <section v-if="before && coming.length > 0">
      <h3>Coming from {{ before.name }}</h3>
      <p v-for="line in coming" :key="line">{{ line }}</p>
    </section>
    <UsedBy v-if="preset" :id="preset.id" :rig="rig" table="presets" />
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

input {
  width: 100%;
  height: 34px;
  padding: 3px 10px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  color: var(--ink);
  font: 600 15px/1.3 var(--text);
}

.fault {
  color: var(--error);
  font-size: 13px;
}
</style>
