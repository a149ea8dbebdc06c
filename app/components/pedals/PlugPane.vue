<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import {
  footJacks,
  inputPlan,
  plugAndRead,
  pluggedPedal,
  type Arrangement,
  type PlannedJack,
} from '#core/pedal'
import { inOrder, type CableId, type Pedal, type Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import CautionLine from '~/components/common/CautionLine.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { costText, refusedText } from '~/text/pedals'

/** Which jacks a pedal's sweep and toe switch can go into, what each way costs, and the cables of the one chosen. */
const { rig, pedal } = defineProps<{ rig: Rig; pedal: Pedal }>()

const rigs = useRigStore()
const boxes = computed(() => inOrder(rig.devices).filter((device) => footJacks(device).sweep !== null))
const wanted = ref<string | null>(null)
const box = computed(
  () =>
    boxes.value.find(({ id }) => id === wanted.value) ??
    boxes.value.find(({ id }) => id === pluggedPedal(rig, pedal)?.id) ??
    boxes.value[0] ??
    null,
)
const hasToe = computed(() => box.value !== null && footJacks(box.value).toe !== null)
const plan = computed(() => (box.value ? inputPlan(rig, box.value) : null))

const SIDES = { controllers: 'the controller', devices: 'a device' } as const
function headOf({ sweep, toe }: Arrangement): string {
  const from = SIDES[sweep.end.table]
  if (!toe) return hasToe.value ? `Sweep into ${from}, toe switch left out` : `Sweep into ${from}`
  if (toe.end.id === sweep.end.id) return `Both into ${from}`
  return `Sweep into ${from}, toe switch into ${SIDES[toe.end.table]}`
}
const jackText = ({ box: name, jack }: PlannedJack) => `${name}, ${jack}`
const costs = ({ sweep, toe }: Arrangement): string[] => [
  count(toe ? 2 : 1, 'jack'),
  ...[...sweep.costs, ...(toe?.costs ?? [])].map(costText),
]

/** The pedal on view is read where the sweep then comes in. */
function lay(one: Arrangement): void {
  if (!box.value) return
  const ids = [nanoid(12) as CableId, nanoid(12) as CableId] as const
  rigs.edit(plugAndRead(rig, box.value, one, pedal, ids))
}
const isRead = ({ sweep: { end } }: Arrangement) =>
  pedal.place.kind === 'jack' && pedal.place.id === end.id && pedal.place.port === end.port
</script>

<template>
  <div class="tab-pane">
    <p v-if="!box" class="soft">
      {{
        pedal.place.kind === 'builtIn'
          ? 'This pedal is built into the controller: it takes no jack, and its toe switch none either.'
          : 'There is no expression pedal on the floor yet. Add one in Rig, then plan here where it goes.'
      }}
    </p>
    <template v-else>
      <div class="top">
        <ChoiceField
          label="The pedal to plug in"
          :value="box.id as string"
          :choices="boxes.map(({ id, name }) => ({ value: id as string, text: name }))"
          @choose="wanted = $event"
        />
        <CautionLine caution="jackRole" />
      </div>
      <p v-if="plan && plan.arrangements.length === 0" class="warn" role="status">
        No jack on the floor can take it.
        {{ plan.refused.length > 0 ? 'Below is why.' : 'None is for expression.' }}
      </p>
      <table v-else-if="plan">
        <thead>
          <tr>
            <th scope="col">Way</th>
            <th scope="col">Sweep</th>
            <th scope="col">Toe switch</th>
            <th scope="col">Costs</th>
            <th scope="col"><span class="unseen">Lay it</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, n) in plan.arrangements" :key="n" :class="{ now: one.isNow }">
            <th scope="row">{{ headOf(one) }}</th>
            <td>{{ jackText(one.sweep) }}</td>
            <td>{{ one.toe ? jackText(one.toe) : 'none' }}</td>
            <td>{{ costs(one).join('; ') }}</td>
            <td class="do">
              <template v-if="one.isNow">
                <span class="good">as it is</span>
                <button v-if="!isRead(one)" type="button" class="word" @click="lay(one)">
                  Read {{ pedal.name }} here
                </button>
              </template>
              <Button v-else label="Lay the cables" size="small" severity="secondary" @click="lay(one)" />
            </td>
          </tr>
        </tbody>
      </table>
      <section v-if="plan && plan.refused.length > 0" class="refused">
        <h3>What cannot be done</h3>
        <ul>
          <li v-for="(one, n) in plan.refused" :key="n">{{ refusedText(one) }}</li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 260px 1fr;
  align-items: end;
  gap: 16px;
}

.now {
  background: var(--sheet);
}

.do {
  white-space: nowrap;
}

.do .word {
  margin-left: 8px;
}

.good {
  color: var(--good);
  font-weight: 600;
}

.warn {
  color: var(--warning);
}

.refused {
  font-size: 13px;
}

@media (max-width: 620px) {
  .top {
    grid-template-columns: 1fr;
  }
}
</style>
