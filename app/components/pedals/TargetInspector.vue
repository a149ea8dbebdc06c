<script setup lang="ts">
import { ArrowLeftRight, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import {
  editRole,
  editTarget,
  freeNumber,
  highestSent,
  isNarrowedTwice,
  rangeKeptAt,
  narrowedAt,
  narrowing,
  pointsAlong,
  rangeOf,
  reversalLeap,
  reversed,
  splitWidest,
  suggestedRange,
  sweepCaution,
  withRange,
} from '#core/pedal'
import {
  CURVE_POINTS_MAX,
  highestValue,
  shownText,
  type Curve,
  type Pedal,
  type Rig,
  type Target,
} from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import HeardControl from '~/components/common/HeardControl.vue'
import IconButton from '~/components/common/IconButton.vue'
import NumberField from '~/components/common/NumberField.vue'
import ValueField from '~/components/switches/actions/ValueField.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { CURVE_TEXT, SUGGESTION_TEXT, SWEEP_CAUTION_TEXT } from '~/text/pedals'

/** One target of a role: over which range, which way, along which curve, and where the range is kept to. */
const { rig, pedal, role, at, isLocal, found } = defineProps<{
  rig: Rig
  pedal: Pedal
  role: number
  at: number
  isLocal: boolean
  found: readonly Finding[]
}>()
const emit = defineEmits<{ gone: [] }>()

const rigs = useRigStore()
const floor = useFloorStore()
const target = computed(() => pedal.roles[role]!.targets[at]!)
const control = computed(() => own(rig.controls, target.value.controlId)!)
const device = computed(() => own(rig.devices, control.value.deviceId)!)
const shown = (value: number): string =>
  shownText(
    control.value.reading,
    Math.min(highestValue(control.value.address), Math.max(0, value)),
    highestValue(control.value.address),
  )

const edit = (fields: Partial<Target>): unknown => rigs.edit(editTarget(rig, pedal.id, role, at, fields))

/** Where the range is kept to: what the other end does then is everything. */
const where = computed(() => rangeKeptAt(target.value))
const range = computed(() => rangeOf(target.value, control.value, isLocal))

const setRange = (heel: number, toe: number): unknown => edit(withRange(target.value, { heel, toe }, isLocal))

function move(to: 'controller' | 'device'): void {
  const number = freeNumber(rig, device.value.id)
  rigs.edit(editTarget(rig, pedal.id, role, at, narrowedAt(target.value, to, range.value, number)))
}

const suggestion = computed(() => suggestedRange(control.value))
const isSuggested = computed(() => {
  const { heel, toe } = suggestion.value.ends
  const [low, high] = [
    Math.min(range.value.heel, range.value.toe),
    Math.max(range.value.heel, range.value.toe),
  ]
  return low === Math.min(heel, toe) && high === Math.max(heel, toe)
})
const caution = computed(() => sweepCaution(control.value, range.value))
const left = computed(() => narrowing(target.value, control.value))
const percent = (share: number) => `${Math.round(share * 100)} %`

const CURVES = (Object.keys(CURVE_TEXT) as Curve['kind'][]).map((value) => ({
  value,
  text: CURVE_TEXT[value],
}))

const setCurve = (kind: Curve['kind']): unknown =>
  edit({ curve: kind === 'points' ? { kind, points: pointsAlong(target.value.curve) } : { kind } })

function addPoint(): void {
  const { curve } = target.value
  if (curve.kind === 'points') edit({ curve: { kind: 'points', points: [...splitWidest(curve.points)] } })
}

/** What a foot resting where it is now does at the moment of reversing. */
const leap = computed(() => {
  const { position } = floor.pedalAt(pedal.id)
  const { before, after } = reversalLeap(target.value, control.value, position)
  return before === after ? null : { before: shown(before), after: shown(after) }
})

function reverse(): void {
  // What the device keeps to is turned there; what it is sent stays.
  if (isLocal || target.value.device) setRange(range.value.toe, range.value.heel)
  else edit({ sends: reversed(target.value).sends })
}

function remove(): void {
  const { targets } = pedal.roles[role]!
  if (rigs.edit(editRole(rig, pedal.id, role, { targets: targets.toSpliced(at, 1) }))) emit('gone')
}

const highest = computed(() => highestSent(target.value, control.value))
</script>

<template>
  <div class="inspector">
    <header>
      <h2>{{ device.name }} {{ control.name }}</h2>
      <IconButton :icon="Trash2" name="Take this target off" @click="remove" />
    </header>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <div class="two">
      <ValueField
        :rig="rig"
        :control-id="control.id"
        label="At the heel"
        :value="range.heel"
        @take="setRange($event, range.toe)"
      />
      <ValueField
        :rig="rig"
        :control-id="control.id"
        label="At the toe"
        :value="range.toe"
        @take="setRange(range.heel, $event)"
      />
    </div>
    <p class="soft small">
      {{ SUGGESTION_TEXT[suggestion.kind] }}
      <button
        v-if="!isSuggested"
        type="button"
        class="word"
        @click="setRange(suggestion.ends.heel, suggestion.ends.toe)"
      >
        Use {{ shown(suggestion.ends.heel) }} to {{ shown(suggestion.ends.toe) }}
      </button>
    </p>
    <p v-if="caution" class="caution"><b>Caution:</b> {{ SWEEP_CAUTION_TEXT[caution] }}</p>
    <p>
      <button type="button" class="tool" @click="reverse">
        <ArrowLeftRight :size="14" aria-hidden="true" /> Reverse heel and toe
      </button>
    </p>
    <p v-if="leap" class="soft small">
      With the foot where it is, reversing moves it from {{ leap.before }} to {{ leap.after }} at once.
    </p>
    <ChoiceField label="Curve" :value="target.curve.kind" :choices="CURVES" @choose="setCurve" />
    <p v-if="target.curve.kind === 'points'" class="soft small">
      Drag a point, or step to it with Tab and use the arrow keys. Double-click adds one, Delete takes one
      off.
      <button
        v-if="target.curve.points.length < CURVE_POINTS_MAX"
        type="button"
        class="word"
        @click="addPoint"
      >
        Add a point
      </button>
    </p>
    <div class="two">
      <NumberField
        label="Follows from"
        :value="target.from"
        :min="0"
        :max="Math.max(0, target.to - 1)"
        suffix=" % of the travel"
        @take="edit({ from: $event })"
      />
      <NumberField
        label="to"
        :value="target.to"
        :min="Math.min(100, target.from + 1)"
        :max="100"
        suffix=" % of the travel"
        @take="edit({ to: $event })"
      />
    </div>
    <template v-if="!isLocal">
      <ChoiceRow
        label="The range is kept to"
        :value="where"
        :choices="[
          { value: 'controller', text: 'at the controller' },
          { value: 'device', text: 'at the device' },
        ]"
        @choose="move"
      />
      <template v-if="where === 'device'">
        <NumberField
          label="The device follows CC"
          :value="target.number ?? (control.address.kind === 'cc' ? control.address.number : 11)"
          :min="0"
          :max="119"
          @take="edit({ number: $event as never })"
        />
        <HeardControl
          :number="target.number ?? (control.address.kind === 'cc' ? control.address.number : 11)"
          @take="edit({ number: $event as never })"
        />
        <div class="two">
          <NumberField
            label="Sent at the heel"
            :value="target.sends.heel"
            :min="0"
            :max="highest"
            @take="edit({ sends: { ...target.sends, heel: $event } })"
          />
          <NumberField
            label="Sent at the toe"
            :value="target.sends.toe"
            :min="0"
            :max="highest"
            @take="edit({ sends: { ...target.sends, toe: $event } })"
          />
        </div>
      </template>
      <p class="soft small" :class="{ warn: isNarrowedTwice(target, control) }">
        The controller sends {{ percent(left.controller) }} of the range, the device keeps to
        {{ percent(left.device) }}: {{ percent(left.arrives) }} arrives.
      </p>
    </template>
    <p v-else class="soft small">
      The pedal is in the device's own jack: the device keeps to the range, and no message is sent.
    </p>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 11px;
}

header {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}

h2 {
  overflow-wrap: anywhere;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.small {
  font-size: 12px;
}

.warn,
.caution {
  color: var(--warning);
}

.caution {
  font-size: 12px;
}

.tool {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 2px 9px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  font-size: 13px;
}
</style>
