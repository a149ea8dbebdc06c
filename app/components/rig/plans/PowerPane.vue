<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import type { Finding } from '#core/check'
import { powerPlan, type Consumer, type Outlet, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import { selectionOf, type Selection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { isAboutPower } from '../rigTabs'

/** Who is fed by what: every outlet with what hangs on it, and who has no power yet. */
const { rig, found } = defineProps<{ rig: Rig; found: readonly Finding[] }>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const rigs = useRigStore()
const plan = computed(() => powerPlan(rig))
const faults = computed(() => found.filter(isAboutPower))
const unfed = computed(() => plan.value.consumers.filter(({ by }) => by.length === 0))
const kindText = ({ volts, current, centre }: Outlet['gives'] | Consumer['needs']) =>
  `${volts} V ${current.toUpperCase()}${current === 'dc' ? `, centre ${centre}` : ''}`
const show = (id: string) =>
  emit('choose', selectionOf(own(rig.controllers, id) ? 'controllers' : 'devices', id)!)
</script>

<template>
  <div class="tab-pane" role="tabpanel" tabindex="0" aria-label="Power">
    <CautionLine caution="power" />
    <FindingNote v-for="(one, n) in faults" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <p v-if="plan.outlets.length === 0" class="soft">
      There is no supply in the rig. Add one, and lay power cables from its outlets.
    </p>
    <table v-else>
      <caption class="unseen">
        Outlets and what hangs on them
      </caption>
      <thead>
        <tr>
          <th scope="col">Outlet</th>
          <th scope="col">Gives</th>
          <th scope="col">Feeds</th>
          <th scope="col" class="figure">Drawn of mA</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="outlet in plan.outlets" :key="`${outlet.box.id}/${outlet.port.id}`">
          <th scope="row">
            <button type="button" class="word" @click="show(outlet.box.id)">{{ outlet.box.name }}</button>,
            {{ outlet.port.name }}
          </th>
          <td class="soft">{{ kindText(outlet.gives) }}</td>
          <td>
            <span v-for="(feed, n) in outlet.feeds" :key="feed.link.cable.id"
              >{{ n > 0 ? ', ' : ''
              }}<button
                type="button"
                class="word"
                @click="emit('choose', { kind: 'cable', cableId: feed.link.cable.id })"
              >
                {{ feed.box.name }}
              </button></span
            >
            <span v-if="outlet.feeds.length === 0" class="soft">free</span>
          </td>
          <td class="mono figure" :class="{ bad: outlet.drawn > outlet.gives.milliamps }">
            <meter
              min="0"
              :max="Math.max(1, outlet.gives.milliamps)"
              :value="outlet.drawn"
              aria-hidden="true"
            />
            {{ outlet.drawn }} / {{ outlet.gives.milliamps }}
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="unfed.length > 0">
      <h3>No power yet in this plan</h3>
      <ul>
        <li v-for="{ box, needs } in unfed" :key="box.id">
          <button type="button" class="word" @click="show(box.id)">{{ box.name }}</button>
          <span class="mono soft"> {{ kindText(needs) }}, {{ needs.milliamps }} mA</span>
        </li>
      </ul>
      <p class="soft">They may have supplies of their own; then nothing needs to be laid here.</p>
    </template>
  </div>
</template>

<style scoped>
.figure {
  text-align: right;
  white-space: nowrap;
}

meter {
  width: 60px;
  height: 10px;
  margin-right: 8px;
}

.bad {
  color: var(--error);
  font-weight: 700;
}
</style>
