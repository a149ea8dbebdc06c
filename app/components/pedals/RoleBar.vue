<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { BLANK_ROLE, editPedal, noFoot } from '#core/pedal'
import type { Pedal, Rig } from '#core/rig'
import { roleNow } from '#core/simulate'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { whenText } from '#shared/whenText'
import { pedalRoleName } from '~/text/pedals'

/** The roles of a pedal, the first that fits leading; it always says which is live. */
const { rig, pedal, current } = defineProps<{ rig: Rig; pedal: Pedal; current: number }>()
const emit = defineEmits<{ go: [role: number] }>()

const rigs = useRigStore()
const floor = useFloorStore()
const isReached = computed(() => noFoot(rig, pedal) === null)
/** None is while no foot reaches the pedal. */
const live = computed(() => (floor.state && isReached.value ? roleNow(rig, pedal, floor.state) : null))

function add(): void {
  const always = pedal.roles.findIndex(({ when }) => when.kind === 'always')
  const at = always < 0 ? pedal.roles.length : always
  const role = { ...BLANK_ROLE, when: { kind: 'layer' as const } }
  if (rigs.edit(editPedal(rig, pedal.id, { roles: pedal.roles.toSpliced(at, 0, role) }))) emit('go', at)
}
</script>

<template>
  <div class="roles">
    <table>
      <caption class="unseen">
        Roles: the first whose time it is leads
      </caption>
      <tbody>
        <tr v-for="(role, n) in pedal.roles" :key="n" :class="{ current: n === current }">
          <td class="mark">
            <span v-if="n === live" class="live"><span aria-hidden="true">●</span> live</span>
          </td>
          <th scope="row">
            <button type="button" class="word" :aria-current="n === current" @click="emit('go', n)">
              {{ pedalRoleName(role, n) }}
            </button>
          </th>
          <td>{{ whenText(rig, role.when) }}</td>
          <td class="soft what">
            {{
              role.targets.map(({ controlId }) => own(rig.controls, controlId)?.name).join(', ') ||
              'leads nothing yet'
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="foot">
      <button v-if="pedal.roles.length < 16" type="button" class="word" @click="add">Add a role</button>
      <span role="status">{{
        live !== null
          ? ''
          : isReached
            ? 'No role is live now: the foot does nothing.'
            : 'No foot reaches it: no role is live.'
      }}</span>
    </p>
  </div>
</template>

<style scoped>
.roles {
  position: relative;
  max-height: 108px;
  overflow: auto;
  padding-top: 4px;
}

td,
th {
  padding: 0 8px;
}

th .word {
  min-height: 25px;
  text-align: left;
}

.mark {
  width: 58px;
  padding-left: 0;
}

.live {
  font-weight: 700;
  color: var(--good);
  white-space: nowrap;
}

.current {
  background: var(--sheet);
}

.current .word {
  color: var(--ink);
  font-weight: 700;
}

.what {
  overflow: hidden;
  max-width: 220px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.foot {
  display: flex;
  gap: 14px;
  padding-top: 3px;
  font-size: 13px;
}
</style>
