<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { addPedal, editTarget, pedalController, sweepPlaces, toePlace, type SweepPlace } from '#core/pedal'
import { inOrder, type CurvePoint, type PedalId } from '#core/rig'
import { roleNow } from '#core/simulate'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import TabRow from '~/components/common/TabRow.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import CalibratePane from '~/components/pedals/CalibratePane.vue'
import OffPane from '~/components/pedals/OffPane.vue'
import PedalChart from '~/components/pedals/PedalChart.vue'
import PedalInspector from '~/components/pedals/PedalInspector.vue'
import PlugPane from '~/components/pedals/PlugPane.vue'
import RoleBar from '~/components/pedals/RoleBar.vue'
import TargetInspector from '~/components/pedals/TargetInspector.vue'
import ValuesTable from '~/components/pedals/ValuesTable.vue'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { findingsOfStage, STAGES } from '~/text/stages'

const rigs = useRigStore()
const floor = useFloorStore()
const rig = computed(() => rigs.rig!)
const pedals = computed(() => inOrder(rig.value.pedals))
const wanted = ref<string | null>(null)
const pedal = computed(() => pedals.value.find(({ id }) => id === wanted.value) ?? pedals.value[0] ?? null)
const found = computed(() =>
  rigs.found.filter(({ about }) => about.table === 'pedals' && about.id === pedal.value?.id),
)
const loose = computed(() =>
  findingsOfStage(
    STAGES.find(({ page }) => page === 'pedals')!,
    rigs.found,
  ),
)

const PANES = [
  { key: 'sweep', text: 'Sweep' },
  { key: 'off', text: 'Off by itself' },
  { key: 'calibrate', text: 'Calibrate' },
  { key: 'plug', text: 'Plug in' },
] as const
type Pane = (typeof PANES)[number]['key']
const pane = ref<Pane>('sweep')

const role = ref(0)
const target = ref<number | null>(null)
const roleAt = computed(() => Math.min(role.value, (pedal.value?.roles.length ?? 1) - 1))
const shownRole = computed(() => pedal.value?.roles[roleAt.value] ?? null)
const targetAt = computed(() =>
  target.value !== null && target.value < (shownRole.value?.targets.length ?? 0) ? target.value : null,
)
const isLocal = computed(() => pedal.value !== null && pedalController(pedal.value) === null)
watch(
  () => pedal.value?.id,
  () => {
    role.value = liveOrFirst()
    target.value = null
  },
  { immediate: true },
)

/** The role that is live is on view first. */
function liveOrFirst(): number {
  return (pedal.value && floor.state && roleNow(rig.value, pedal.value, floor.state)) || 0
}

function goToRole(at: number): void {
  role.value = at
  target.value = null
}

const aboutTarget = computed(() =>
  found.value.filter(({ about }) => about.field === `roles.${roleAt.value}.targets.${targetAt.value}`),
)

const summary = computed(() => {
  const targets = pedals.value.reduce(
    (sum, { roles }) => sum + roles.reduce((all, one) => all + one.targets.length, 0),
    0,
  )
  const toes = pedals.value.filter((one) => toePlace(rig.value, one) !== null).length
  return [
    count(pedals.value.length, 'sweep'),
    count(targets, 'target'),
    ...(toes > 0 ? [count(toes, 'toe switch', 'toe switches')] : []),
  ].join(', ')
})

const places = computed(() => sweepPlaces(rig.value).filter(({ taken }) => taken === null))
const textOf = ({ box, jack }: SweepPlace) => (jack === '' ? `${box}, the pedal built in` : `${box}, ${jack}`)
const placeAt = ref(0)
const isAdding = ref(false)

function add(): void {
  const place = places.value[placeAt.value] ?? places.value[0]
  if (!place) return
  const id = nanoid(12) as PedalId
  const name = pedals.value.length === 0 ? 'Right foot' : `Pedal ${pedals.value.length + 1}`
  if (rigs.edit(addPedal(rig.value, id, name, place.place))) {
    wanted.value = id
    pane.value = 'sweep'
    isAdding.value = false
    placeAt.value = 0
  }
}

function setPoints(points: CurvePoint[]): void {
  if (pedal.value && targetAt.value !== null)
    rigs.edit(
      editTarget(rig.value, pedal.value.id, roleAt.value, targetAt.value, {
        curve: { kind: 'points', points },
      }),
    )
}
</script>

<template>
  <ViewFrame title="Pedals" :summary="summary" inspector="What is chosen">
    <template v-if="pedals.length > 0" #tools>
      <button v-if="places.length > 0" type="button" class="word" @click="isAdding = !isAdding">
        Add a pedal
      </button>
    </template>
    <div v-if="pedals.length === 0 || isAdding" class="adding">
      <p v-if="pedals.length === 0" class="soft">
        What one sweep of the foot does: which controls it leads, over which range and curve, and when it goes
        off by itself.
      </p>
      <template v-if="places.length > 0">
        <ChoiceField
          label="Where the foot's sweep comes in"
          :value="placeAt"
          :choices="places.map((place, value) => ({ value, text: textOf(place) }))"
          @choose="placeAt = $event"
        />
        <Button label="Add a pedal here" @click="add" />
      </template>
      <p v-else class="soft">
        No jack of the rig is set to take an expression pedal.
        <RouterLink :to="`/rigs/${rigs.rigId}/rig`">Set one in Rig</RouterLink>, or add a controller that has
        one.
      </p>
    </div>
    <template v-if="pedal && shownRole">
      <TabRow
        label="Pedals"
        :tabs="
          pedals.map(({ id, name }) => ({
            key: id as string,
            text: name,
            found: rigs.found.filter(({ about }) => about.id === id),
          }))
        "
        :current="pedal.id as string"
        @go="wanted = $event"
      />
      <TabRow label="Parts of the pedal" :tabs="PANES" :current="pane" @go="pane = $event" />
      <div v-if="pane === 'sweep'" class="sweep">
        <RoleBar :rig="rig" :pedal="pedal" :current="roleAt" @go="goToRole" />
        <p v-if="shownRole.targets.length === 0" class="soft nothing">
          This role leads nothing yet. Choose a control for it at the right.
        </p>
        <PedalChart
          v-else
          :rig="rig"
          :pedal="pedal"
          :role="shownRole"
          :chosen="targetAt"
          @choose="target = target === $event ? null : $event"
          @points="setPoints"
        />
        <ValuesTable v-if="shownRole.targets.length > 0" :rig="rig" :role="shownRole" :is-local="isLocal" />
      </div>
      <OffPane v-else-if="pane === 'off'" :key="pedal.id" :rig="rig" :pedal="pedal" />
      <CalibratePane v-else-if="pane === 'calibrate'" :key="`c-${pedal.id}`" :rig="rig" :pedal="pedal" />
      <PlugPane v-else :key="`p-${pedal.id}`" :rig="rig" :pedal="pedal" />
    </template>
    <template #inspector>
      <TargetInspector
        v-if="pedal && targetAt !== null && pane === 'sweep'"
        :key="`${pedal.id}/${roleAt}/${targetAt}`"
        :rig="rig"
        :pedal="pedal"
        :role="roleAt"
        :at="targetAt"
        :is-local="isLocal"
        :found="aboutTarget"
        @gone="target = null"
      />
      <PedalInspector
        v-else-if="pedal"
        :key="pedal.id"
        :rig="rig"
        :pedal="pedal"
        :role="roleAt"
        :found="found"
        @target="target = $event"
        @role="goToRole"
        @calibrate="pane = 'calibrate'"
        @plug="pane = 'plug'"
      />
      <div v-else class="notes">
        <FindingNote v-for="(one, n) in loose" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
        <p class="soft">Add a pedal to see its travel drawn and to try it on the floor below.</p>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
.adding {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 14px;
  padding: 8px 0 12px;
}

.adding > .soft {
  flex-basis: 100%;
  max-width: 520px;
}

.adding > .field {
  width: 320px;
}

.sweep {
  display: grid;
  grid-template-rows: max-content minmax(min-content, 1fr) max-content;
  flex: 1 1 0;
  min-height: 0;
  overflow: auto;
}

.nothing {
  padding: 24px 0;
}

.notes {
  display: grid;
  gap: 12px;
}
</style>
