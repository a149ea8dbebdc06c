<script setup lang="ts">
import { nanoid } from 'nanoid'
import Button from 'primevue/button'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { own, cutText } from '#core/base'
import type { Finding } from '#core/check'
import {
  editRow,
  labelSwitch,
  modeOf,
  namedIn,
  putSwitch,
  removeRow,
  setMode,
  switchAt,
  NAME_MAX,
  type Bank,
  type Controller,
  type Footswitch,
  type Rig,
  type SoundId,
  type SwitchId,
  type SwitchSlot,
} from '#core/rig'
import { soundFromSwitch, switchName } from '#core/sound'
import { doingFirst, lateness, timingOf, type SwitchEvent } from '#core/switching'
import { X } from '@lucide/vue'
import { pressSending } from '~/charts/pressSending'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import IconButton from '~/components/common/IconButton.vue'
import SentMessages from '~/components/common/SentMessages.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { gestureTitle } from '~/text/gestures'
import { latenessText } from '~/text/lateness'
import { placeText } from '~/text/switchPlaces'
import ActionList from './ActionList.vue'
import LabelField from './LabelField.vue'
import LampFields from './LampFields.vue'

/** One footswitch: what each thing a foot does to it makes happen. */
const { rig, bank, controller, at, found } = defineProps<{
  rig: Rig
  bank: Bank
  controller: Controller
  at: Pick<Footswitch, 'number' | 'jack' | 'layer'>
  found: readonly Finding[]
}>()
const emit = defineEmits<{ series: []; leave: [] }>()

const rigs = useRigStore()
const newId = ref(nanoid(12) as SwitchId)
/** Gestures shown though nothing stands there yet. */
const opened = ref<ReadonlySet<SwitchEvent>>(new Set())
const key = computed(() => `${bank.id}/${at.layer}/${at.jack}/${at.number}`)
watch(key, () => {
  newId.value = nanoid(12) as SwitchId
  opened.value = new Set()
})
const slot = computed((): SwitchSlot => ({ bankId: bank.id, ...at, newId: newId.value }))
const footswitch = computed(() => switchAt(rig, slot.value))
const isStored = computed(() => own(rig.switches, footswitch.value.id) !== undefined)
const mode = computed(() => modeOf(footswitch.value))
const place = computed(
  () =>
    `Bank ${bank.index + controller.firstBank} ${bank.name}, ${placeText(rig, controller, at)}${at.layer === 'shift' ? ', shift layer' : ''}`,
)
const doing = computed(() => doingFirst(rig, footswitch.value))
const late = computed(() => latenessText(lateness(timingOf(controller, footswitch.value))))

const OTHERS = ['release', 'longPress', 'doublePress'] as const
const shown = computed(() =>
  OTHERS.filter((event) => footswitch.value[event].length > 0 || opened.value.has(event)),
)
const hidden = computed(() => OTHERS.filter((event) => !shown.value.includes(event)))

const MODES = [
  { value: 'recall', text: 'Recall' },
  { value: 'alternate', text: 'Alternate' },
  { value: 'cycle', text: 'Cycle' },
] as const
const OPEN_TEXT = { release: 'Foot off', longPress: 'Held long', doublePress: 'Pressed twice' } as const

const lists = useTemplateRef<{ focus: () => void }[]>('others')

function open(event: SwitchEvent): void {
  opened.value = new Set([...opened.value, event])
  void nextTick(() => lists.value?.at(-1)?.focus())
}

const putPositions = (positions: Footswitch['positions']): void => {
  const after = { ...footswitch.value, positions, lamps: footswitch.value.lamps.slice(0, positions.length) }
  rigs.edit({ label: 'setPositions', changes: [putSwitch(rig, after)] })
}
const alter = (fields: Partial<Footswitch>): void => {
  if (isStored.value) rigs.edit(editRow(rig, 'changeSwitch', 'switches', footswitch.value.id, fields))
  else rigs.edit({ label: 'changeSwitch', changes: [putSwitch(rig, { ...footswitch.value, ...fields })] })
}

/** A position that recalls presets and nothing else can become a sound. */
const canBeSound = (position: number) => {
  const actions = footswitch.value.positions[position] ?? []
  return actions.length > 0 && actions.every((action) => namedIn(action, 'presets') !== null)
}

function makeSound(position: number): void {
  const name =
    footswitch.value.label ||
    cutText(`${bank.name || `Bank ${bank.index + controller.firstBank}`}, ${at.number}`, NAME_MAX)
  rigs.edit(soundFromSwitch(rig, slot.value, position, nanoid(12) as SoundId, name))
}

const first = useTemplateRef<{ focus: () => void }[]>('first')
defineExpose({ focus: () => first.value?.[0]?.focus() })
</script>

<template>
  <div class="inspector">
    <div>
      <LabelField
        :key="key"
        :label="footswitch.label"
        :name="switchName(rig, footswitch, controller)"
        :max="controller.labelLength"
        @take="rigs.edit(labelSwitch(rig, slot, $event))"
      />
      <p class="place">{{ place }}</p>
      <p v-if="late" class="late">{{ late }}</p>
    </div>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <ChoiceRow
      label="How it works"
      :value="mode === 'hold' ? 'recall' : mode"
      :choices="MODES"
      @choose="rigs.edit(setMode(rig, slot, $event))"
    />
    <div v-for="(_, position) in footswitch.positions" :key="`press${position}`" class="press">
      <ActionList
        ref="first"
        :rig="rig"
        :place="{ of: 'switch', slot, event: 'press', position }"
        :doing="doing"
        :controller="controller"
        :title="gestureTitle('press', position, footswitch.positions.length)"
        @leave="emit('leave')"
      >
        <template v-if="footswitch.positions.length > 2" #tools>
          <IconButton
            :icon="X"
            :name="`Take press ${position + 1} away`"
            @click="putPositions(footswitch.positions.toSpliced(position, 1))"
          />
        </template>
      </ActionList>
      <SentMessages
        v-if="isStored && footswitch.positions[position]!.length > 0"
        :rig="rig"
        :sending="pressSending(rig, footswitch, position)"
      />
      <Button
        v-if="canBeSound(position)"
        class="make"
        label="Make a sound of these"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="makeSound(position)"
      />
    </div>
    <Button
      v-if="mode === 'cycle' && footswitch.positions.length < 16"
      class="make"
      label="One more press"
      severity="secondary"
      variant="outlined"
      size="small"
      @click="putPositions([...footswitch.positions, []])"
    />
    <ActionList
      v-for="event in shown"
      :key="event"
      ref="others"
      :rig="rig"
      :place="{ of: 'switch', slot, event, position: 0 }"
      :doing="doing"
      :controller="controller"
      :title="gestureTitle(event)"
      @leave="emit('leave')"
    />
    <div v-if="hidden.length > 0" class="more" role="group" aria-label="Also when">
      <span class="soft">Also when</span>
      <button v-for="event in hidden" :key="event" type="button" @click="open(event)">
        {{ OPEN_TEXT[event] }}
      </button>
    </div>
    <FoldSection
      title="Lamp, group, where it stands"
      :summary="[footswitch.group, footswitch.everywhere ? 'in every bank' : ''].filter(Boolean).join(', ')"
    >
      <LampFields :footswitch="footswitch" @change="alter({ lamps: $event })" />
      <TextField
        label="Group: of its switches one lamp is on"
        :value="footswitch.group"
        :max="60"
        @take="alter({ group: $event })"
      />
      <CheckField
        label="In every bank"
        note="Until a bank says something else of this footswitch."
        :value="footswitch.everywhere"
        @take="alter({ everywhere: $event })"
      />
    </FoldSection>
    <div v-if="isStored" class="foot">
      <Button
        label="Copy with series"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="emit('series')"
      />
      <Button
        label="Clear this switch"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(removeRow(rig, 'clearSwitch', 'switches', footswitch.id))"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 14px;
}

.press {
  display: grid;
  gap: 6px;
}

.place {
  padding-top: 4px;
  color: var(--ink-soft);
}

.late {
  font-size: 12px;
  color: var(--warning);
}

.make {
  justify-self: start;
}

.more {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 6px;
}

.more button {
  padding: 3px 9px;
  border: 1px dashed var(--line-strong);
  border-radius: var(--corner);
  background: none;
}

.more button:hover {
  background: var(--hover);
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
