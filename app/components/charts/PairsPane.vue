<script setup lang="ts">
import RemoveUsed from '~/components/common/RemoveUsed.vue'
import Button from 'primevue/button'
import { Lock } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { learnedText, mustLearn, pairLines } from '#core/chart'
import type { Finding } from '#core/check'
import {
  addRow,
  editRow,
  highestValue,
  lastOrder,
  removeRow,
  shownText,
  type Control,
  type Device,
  type Pair,
  type PairId,
  type Rig,
} from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { addressText } from '~/text/charts'
import ValueList from './ValueList.vue'

/** Two states a device has learned for one external switch: all they hold, where they differ, and when to learn again. */
const { rig, device, found } = defineProps<{ rig: Rig; device: Device; found: readonly Finding[] }>()

const rigs = useRigStore()
const pairs = computed(() =>
  Object.values(rig.pairs)
    .filter(({ deviceId }) => deviceId === device.id)
    .sort((a, b) => a.order - b.order),
)
const change = (pair: Pair, fields: Partial<Pair>) =>
  rigs.edit(editRow(rig, 'changePair', 'pairs', pair.id, fields))
const add = () =>
  rigs.edit(
    addRow('addPair', 'pairs', {
      id: nanoid(12) as PairId,
      deviceId: device.id,
      order: lastOrder(rig.pairs),
      name: `Pair ${pairs.value.length + 1}`,
      by: '',
      a: [],
      b: [],
      isLocked: false,
      losesAll: '',
      learned: null,
    }),
  )
const shown = (control: Control, value: number | null) =>
  value === null ? 'as it was' : shownText(control.reading, value, highestValue(control.address))
const about = (id: string) => found.filter((one) => one.about.table === 'pairs' && one.about.id === id)
const STATES = ['a', 'b'] as const
</script>

<template>
  <div class="tab-pane">
    <p class="soft">
      Some units learn two states for one external switch. They cannot be edited, only learned again: set A,
      learn A, set B, learn B, then save.
    </p>
    <section v-for="pair in pairs" :key="pair.id" class="pair">
      <h3>
        {{ pair.name }}
        <span v-if="pair.isLocked" class="locked"><Lock :size="13" aria-hidden="true" /> locked</span>
        <span class="soft">{{ pair.by }}</span>
      </h3>
      <FindingNote
        v-for="(one, n) in about(pair.id)"
        :key="n"
        :finding="one"
        @fix="rigs.edit(one.fix ?? null)"
      />
      <table>
        <caption class="unseen">
          What both states of
          {{ pair.name }}
          hold
        </caption>
        <thead>
          <tr>
            <th scope="col">Control</th>
            <th scope="col">A</th>
            <th scope="col">B</th>
            <th scope="col"><span class="unseen">Difference</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in pairLines(rig, pair)" :key="line.control.id" :class="{ same: !line.differs }">
            <th scope="row">
              {{ line.control.name }} <span class="mono soft">{{ addressText(line.control.address) }}</span>
            </th>
            <td class="mono">{{ shown(line.control, line.a) }}</td>
            <td class="mono">{{ shown(line.control, line.b) }}</td>
            <td>{{ line.differs ? 'differs' : 'same' }}</td>
          </tr>
        </tbody>
      </table>
      <FoldSection title="Change it" :summary="pair.losesAll && `Lost by: ${pair.losesAll}`">
        <div class="fields">
          <TextField
            label="Name"
            :value="pair.name"
            :max="60"
            required
            @take="change(pair, { name: $event })"
          />
          <TextField label="Changed by" :value="pair.by" :max="60" @take="change(pair, { by: $event })" />
          <TextField
            label="What loses it all"
            :value="pair.losesAll"
            :max="120"
            @take="change(pair, { losesAll: $event })"
          />
          <CheckField
            label="Locked: meant to stay as it is"
            :value="pair.isLocked"
            @take="change(pair, { isLocked: $event })"
          />
        </div>
        <div class="states">
          <div v-for="state in STATES" :key="state">
            <h4>State {{ state.toUpperCase() }}</h4>
            <ValueList
              :rig="rig"
              :device-id="device.id"
              :values="pair[state]"
              :label="`state ${state.toUpperCase()} of ${pair.name}`"
              @change="change(pair, { [state]: $event })"
            />
          </div>
        </div>
        <div class="buttons">
          <Button
            label="It has been learned"
            size="small"
            :disabled="!mustLearn(rig, pair)"
            @click="change(pair, { learned: learnedText(rig, pair) })"
          />
          <RemoveUsed
            :id="pair.id"
            :rig="rig"
            table="pairs"
            label="Remove this pair"
            @remove="rigs.edit(removeRow(rig, 'removePair', 'pairs', pair.id))"
          />
        </div>
      </FoldSection>
    </section>
    <p v-if="pairs.length === 0" class="soft">None yet.</p>
    <div>
      <Button label="Add a learned pair" size="small" severity="secondary" variant="outlined" @click="add" />
    </div>
  </div>
</template>

<style scoped>
h3 {
  font: 700 15px/1.5 var(--display);
  color: var(--ink);
}

h3 .soft {
  font: 400 13px var(--text);
}

h4 {
  margin: 0;
  font-size: 12px;
}

.locked {
  display: inline-flex;
  align-items: center;
  gap: 3px;
  padding: 0 6px;
  font: 600 12px var(--text);
}

.same {
  color: var(--ink-soft);
}

.fields,
.states {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.buttons {
  display: flex;
  gap: 8px;
}
</style>
