<script setup lang="ts">
import { computed } from 'vue'
import { own, fixedText } from '#core/base'
import type { Finding } from '#core/check'
import {
  editPedal,
  editRole,
  needsCalibration,
  newTarget,
  noFoot,
  pedalController,
  roleLeaps,
} from '#core/pedal'
import {
  highestValue,
  removeRow,
  shownText,
  TARGETS_MAX,
  type ControlId,
  type Pedal,
  type Rig,
} from '#core/rig'
import { holdsUp, pauseFor, sweepLoad } from '#core/simulate'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import ControlField from '~/components/switches/actions/ControlField.vue'
import { useRigStore } from '~/stores/rig'
import { NO_FOOT_TEXT, pedalRoleName, placeText } from '~/text/pedals'
import { dateText } from '#shared/words/times'
import WhenFields from './WhenFields.vue'

/** A pedal and the role on view: where the foot is, when the role is live, what it puts on the wire. */
const { rig, pedal, role, found } = defineProps<{
  rig: Rig
  pedal: Pedal
  role: number
  found: readonly Finding[]
}>()
const emit = defineEmits<{ target: [at: number]; role: [at: number]; calibrate: []; plug: [] }>()

const rigs = useRigStore()
const shownRole = computed(() => pedal.roles[role]!)
const controller = computed(() => own(rig.controllers, pedalController(pedal) ?? ''))
const reason = computed(() => noFoot(rig, pedal))
const sweepAgain = computed(() => needsCalibration(rig, pedal))
const load = computed(() => (controller.value && reason.value === null ? sweepLoad(rig, pedal, role) : null))
const pause = computed(() =>
  load.value && controller.value?.thinsPedals && holdsUp(load.value) ? pauseFor(rig, pedal, role) : null,
)
/** The furthest leap into the role on view, or out of it. */
const leap = computed(() => {
  const one = roleLeaps(rig, pedal).find(({ from, to }) => from === role || to === role)
  const control = own(rig.controls, one?.controlId ?? '')
  if (!one || !control) return null
  const text = (value: number) => shownText(control.reading, value, highestValue(control.address))
  return {
    ...one,
    name: control.name,
    beforeText: text(one.before),
    afterText: text(one.after),
    fromName: pedalRoleName(pedal.roles[one.from]!, one.from),
    toName: pedalRoleName(pedal.roles[one.to]!, one.to),
  }
})

function add(controlId: ControlId): void {
  const control = own(rig.controls, controlId)
  const { targets } = shownRole.value
  if (control && rigs.edit(editRole(rig, pedal.id, role, { targets: [...targets, newTarget(control)] })))
    emit('target', targets.length)
}

function moveRole(by: number): void {
  const roles = pedal.roles.toSpliced(role, 1).toSpliced(role + by, 0, shownRole.value)
  if (rigs.edit(editPedal(rig, pedal.id, { roles }))) emit('role', role + by)
}

function removeRole(): void {
  if (rigs.edit(editPedal(rig, pedal.id, { roles: pedal.roles.toSpliced(role, 1) })))
    emit('role', Math.max(0, role - 1))
}

const canLead = ({ reading, kind }: { reading: { kind: string }; kind: string }) =>
  kind !== 'reserved' && ['range', 'named', 'switch'].includes(reading.kind)
</script>

<template>
  <div class="inspector">
    <h2>{{ pedal.name }}</h2>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <p class="small">
      {{ placeText(rig, pedal) }}.
      {{ reason ? `${NO_FOOT_TEXT[reason]} ` : '' }}
      <button type="button" class="word" @click="emit('plug')">Plan the jacks</button>
    </p>
    <p v-if="sweepAgain" class="small">
      {{
        sweepAgain === 'never'
          ? 'Not calibrated yet: sweep it once before you trust its ends.'
          : 'Another pedal is plugged in: calibrate again.'
      }}
      <button type="button" class="word" @click="emit('calibrate')">Calibrate</button>
    </p>
    <p v-else-if="pedal.calibration" class="small soft">
      Calibrated {{ dateText(pedal.calibration.on) }}: heel {{ pedal.calibration.heel }}, toe
      {{ pedal.calibration.toe }} of 127, noise {{ pedal.calibration.noise }}.
      <button type="button" class="word" @click="emit('calibrate')">Again</button>
    </p>

    <h3>The role on view: {{ pedalRoleName(shownRole, role) }}</h3>
    <TextField
      label="Name of the role"
      :value="shownRole.name"
      :max="60"
      @take="rigs.edit(editRole(rig, pedal.id, role, { name: $event }))"
    />
    <WhenFields
      v-if="controller || shownRole.when.kind !== 'always'"
      :rig="rig"
      :when="shownRole.when"
      @change="rigs.edit(editRole(rig, pedal.id, role, { when: $event }))"
    />
    <p v-else class="small soft">
      Live at any time: the device whose own jack the pedal is in knows nothing of banks and switches.
    </p>
    <ControlField
      v-if="shownRole.targets.length < TARGETS_MAX"
      :key="`${role}/${shownRole.targets.length}`"
      label="Lead another control"
      :rig="rig"
      :value="null"
      :only="canLead"
      @choose="add"
    />
    <p v-if="pedal.roles.length > 1" class="small tools">
      <button v-if="role > 0" type="button" class="word" @click="moveRole(-1)">Ask this role earlier</button>
      <button v-if="role < pedal.roles.length - 1" type="button" class="word" @click="moveRole(1)">
        Later
      </button>
      <button type="button" class="word" @click="removeRole">Take the role off</button>
    </p>

    <template v-if="pedal.roles.length > 1">
      <ChoiceRow
        label="When a role comes, the first move"
        :value="pedal.takeover"
        :choices="[
          { value: 'leaps', text: 'leaps to the foot' },
          { value: 'catches', text: 'picks up' },
        ]"
        @choose="rigs.edit(editPedal(rig, pedal.id, { takeover: $event }))"
      />
      <p v-if="leap" class="small">
        From {{ leap.fromName }} to {{ leap.toName }} with the foot at the {{ leap.foot }},
        {{ leap.name }} leaps from {{ leap.isMost ? 'as much as ' : '' }}{{ leap.beforeText }} to
        {{ leap.afterText }}.
      </p>
      <p v-else class="small soft">
        {{
          pedal.takeover === 'catches'
            ? 'A control stays where it is until the foot passes there: nothing leaps.'
            : 'Nothing leaps at either end.'
        }}
      </p>
    </template>

    <template v-if="load && controller">
      <h3>Over the wire</h3>
      <p class="small">
        A fast sweep, heel to toe in a quarter of a second:
        <b class="mono">{{ Math.round(load.perSecond) }}</b> messages a second,
        <b class="mono">{{ Math.round(load.share * 100) }} %</b> of the wire. A recall in the same moment
        waits <b class="mono">{{ fixedText(load.delayMs, 1) }} ms</b> at most.
      </p>
      <NumberField
        v-if="controller.thinsPedals"
        label="A value at most every"
        :value="pedal.everyMs"
        :min="0"
        :max="200"
        suffix=" ms"
        @take="rigs.edit(editPedal(rig, pedal.id, { everyMs: $event }))"
      />
      <p v-else class="small soft">This controller leaves no values out.</p>
      <p v-if="pause !== null" class="small">
        Every {{ pause }} ms is enough.
        <button type="button" class="word" @click="rigs.edit(editPedal(rig, pedal.id, { everyMs: pause }))">
          Use it
        </button>
      </p>
    </template>

    <h3>The pedal</h3>
    <TextField
      label="Name"
      :value="pedal.name"
      :max="60"
      required
      @take="rigs.edit(editPedal(rig, pedal.id, { name: $event }))"
    />
    <p>
      <button
        type="button"
        class="word"
        @click="rigs.edit(removeRow(rig, 'removePedal', 'pedals', pedal.id))"
      >
        Remove this pedal
      </button>
    </p>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 10px;
}

h2 {
  overflow-wrap: anywhere;
}

h3 {
  padding-top: 8px;
  border-top: 1px solid var(--line);
}

.small {
  font-size: 13px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
