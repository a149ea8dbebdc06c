<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import { relayTable, type RelayRow } from '#core/chart'
import { editRow, formatDisplay, type Device, type RelayFunction, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import IconButton from '~/components/common/IconButton.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { sentText } from '~/text/presets'

/** Which contacts each program of a relay box closes, and what each contact does to the amp. */
const { rig, device } = defineProps<{ rig: Rig; device: Device }>()

const rigs = useRigStore()
const rows = computed(() => relayTable(rig, device))
const setRelays = (relays: RelayFunction[]) =>
  rigs.edit(editRow(rig, 'setRelay', 'devices', device.id, { relays }))
const alter = (id: string, fields: Partial<RelayFunction>) =>
  setRelays(device.relays.map((one) => (one.id === id ? { ...one, ...fields } : one)))

function add(): void {
  let n = device.relays.length + 1
  while (device.relays.some(({ id }) => id === `f${n}`)) n++
  setRelays([...device.relays, { id: `f${n}`, name: `Function ${n}`, does: '', within: '' }])
}

const toggle = ({ preset }: RelayRow, id: string) =>
  rigs.edit(
    editRow(rig, 'setRelay', 'presets', preset.id, {
      closes: preset.closes.includes(id) ? preset.closes.filter((one) => one !== id) : [...preset.closes, id],
    }),
  )
const withinChoices = (own: RelayFunction) => [
  { value: 'always', text: 'Always' },
  ...device.relays
    .filter(({ id }) => id !== own.id)
    .map(({ id, name }) => ({ value: id, text: `Within ${name}` })),
]
</script>

<template>
  <div class="tab-pane">
    <CautionLine caution="ampJack" />
    <table v-if="device.relays.length > 0">
      <caption class="unseen">
        Which contacts each program closes
      </caption>
      <thead>
        <tr>
          <th scope="col">Program</th>
          <th v-for="relay in device.relays" :key="relay.id" scope="col">{{ relay.name }}</th>
          <th scope="col"><span class="unseen">Remark</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.preset.id">
          <th scope="row">
            <span class="mono">{{ formatDisplay(device.numbering, row.preset.index) }}</span>
            {{ row.preset.name }}
            <span class="mono program">{{ sentText(device, row.preset.index) }}</span>
          </th>
          <td v-for="cell in row.cells" :key="cell.relay.id" :class="{ idle: cell.isIdle }">
            <label>
              <input
                type="checkbox"
                :checked="cell.isClosed"
                :aria-label="`${cell.relay.name} closed by ${row.preset.name || formatDisplay(device.numbering, row.preset.index)}`"
                @change="toggle(row, cell.relay.id)"
              />
              {{ cell.isIdle ? 'no effect' : cell.isClosed ? 'closed' : 'open' }}
            </label>
          </td>
          <td class="soft">{{ row.sameAs ? `the same as ${row.sameAs.name || 'an earlier one'}` : '' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="rows.length === 0" class="soft">
      Name the programs you use under Presets; each gets a line here.
    </p>
    <section>
      <h3>What each contact does</h3>
      <div v-for="relay in device.relays" :key="relay.id" class="function">
        <TextField
          label="Name"
          :value="relay.name"
          :max="60"
          required
          @take="alter(relay.id, { name: $event })"
        />
        <TextField
          label="When closed"
          :value="relay.does"
          :max="120"
          @take="alter(relay.id, { does: $event })"
        />
        <ChoiceField
          label="Matters"
          :value="relay.within || 'always'"
          :choices="withinChoices(relay)"
          @choose="alter(relay.id, { within: $event === 'always' ? '' : $event })"
        />
        <IconButton
          :icon="X"
          :name="`Remove ${relay.name}`"
          @click="setRelays(device.relays.filter(({ id }) => id !== relay.id))"
        />
      </div>
      <button v-if="device.relays.length < 16" type="button" class="word add" @click="add">
        <Plus :size="13" aria-hidden="true" /> Add a contact
      </button>
    </section>
  </div>
</template>

<style scoped>
.idle {
  color: var(--ink-faint);
  background: var(--hover);
}

td label {
  display: flex;
  align-items: center;
  gap: 6px;
}

.program {
  padding-left: 8px;
  font-size: 12px;
}

.function {
  display: grid;
  grid-template-columns: 1fr 1.6fr 1fr 24px;
  align-items: end;
  gap: 8px;
  padding: 3px 0;
}

.add {
  display: flex;
  align-items: center;
  gap: 4px;
  padding: 6px 0;
}
</style>
