<script setup lang="ts">
import { Settings2 } from '@lucide/vue'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { CHANNELS } from '#core/base'
import {
  alterRole,
  boxName,
  cablesIn,
  isFree,
  plugChoices,
  roleOf,
  setRole,
  type Box,
  type PlugChoice,
  type Port,
  type Rig,
  type Role,
} from '#core/rig'
import { jackCautions } from '#core/setup'
import CautionLine from '~/components/common/CautionLine.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import IconButton from '~/components/common/IconButton.vue'
import NumberField from '~/components/common/NumberField.vue'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { layPlug } from './layPlug'
import { ROLE_TEXT, roleText } from '~/text/jacks'
import { roleSettings } from './roleSettings'

/** One jack: what it is, where its cable goes or could go, and its settings. */
const { rig, box, port } = defineProps<{ rig: Rig; box: Box; port: Port }>()

const rigs = useRigStore()
const { select } = useSelection()
const isOpen = ref(false)

const role = computed(() => roleOf(port))
const plugged = computed(() =>
  cablesIn(rig, box.id, port.id).map(({ cable, from, to }) => {
    const other = from.end.id === box.id && from.end.port === port.id ? to : from
    return { id: cable.id, text: `${boxName(rig, other.end.id)}, ${other.port.name}` }
  }),
)
const choices = computed(() =>
  (isFree(rig, box.id, port) ? plugChoices(rig, box.id, port.id) : []).map((choice) => ({
    choice,
    text: `${choice.box.name}, ${choice.port.name}`,
    parts: roleText(roleOf(choice.port)),
  })),
)
const lost = computed(() => port.roles.filter((one) => one !== role.value).map(({ kind }) => ROLE_TEXT[kind]))

const alter = (fields: object) => rigs.edit(alterRole(rig, box.id, port.id, fields as Partial<Role>))
const lay = (choice: PlugChoice) => layPlug(rigs, choice.cable)
</script>

<template>
  <li>
    <div class="head">
      <span class="name">{{ port.name }}</span>
      <span class="mono role">{{ roleText(role) }}</span>
      <IconButton :icon="Settings2" :name="`Settings of ${port.name}`" @click="isOpen = !isOpen" />
    </div>
    <p v-for="one in plugged" :key="one.id" class="to">
      to
      <button type="button" class="word" @click="select({ kind: 'cable', cableId: one.id })">
        {{ one.text }}
      </button>
    </p>
    <Select
      v-if="choices.length > 0"
      :model-value="null"
      :options="choices"
      option-label="text"
      placeholder="Plug in…"
      :aria-label="`Plug ${port.name} into`"
      :filter="choices.length > 8"
      size="small"
      fluid
      @update:model-value="lay($event.choice)"
    >
      <template #option="{ option }">
        <span class="option">{{ option.text }}</span>
        <span class="mono parts">{{ option.parts }}</span>
      </template>
    </Select>
    <div v-if="port.roles.length > 1" class="roles">
      <ChoiceField
        label="Used as"
        :value="port.role"
        :choices="
          port.roles.map((one, n) => ({
            value: n,
            text: ROLE_TEXT[one.kind] + (n === port.factoryRole ? ' (factory)' : ''),
          }))
        "
        @choose="rigs.edit(setRole(rig, box.id, port.id, $event))"
      />
      <p class="soft">No {{ lost.join(', no ') }} on it then.</p>
      <CautionLine caution="jackRole" />
    </div>
    <div v-if="isOpen" class="settings">
      <ChoiceField
        v-for="one in roleSettings(role)"
        :key="one.field"
        :label="one.label"
        :value="one.value"
        :choices="one.choices"
        @choose="alter({ [one.field]: $event })"
      />
      <template v-if="role.kind === 'powerIn' || role.kind === 'powerOut'">
        <NumberField label="Volts" :value="role.volts" :min="1" :max="60" @take="alter({ volts: $event })" />
        <NumberField
          label="mA"
          :value="role.milliamps"
          :min="0"
          :max="20000"
          @take="alter({ milliamps: $event })"
        />
      </template>
      <ChoiceField
        v-if="role.kind === 'midiIn'"
        label="Merges"
        :value="role.merges"
        :choices="[
          { value: false, text: 'One sender' },
          { value: true, text: 'Several senders' },
        ]"
        @choose="alter({ merges: $event })"
      />
      <fieldset v-if="role.kind === 'midiOut'" class="blocks">
        <legend>Keeps back channels</legend>
        <label v-for="channel in CHANNELS" :key="channel" class="mono">
          <input
            type="checkbox"
            :checked="role.blocks.includes(channel)"
            @change="
              alter({
                blocks: role.blocks.includes(channel)
                  ? role.blocks.filter((one) => one !== channel)
                  : [...role.blocks, channel],
              })
            "
          />
          {{ channel }}
        </label>
      </fieldset>
      <CautionLine v-for="caution in jackCautions(role)" :key="caution" :caution="caution" class="wide" />
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  gap: 4px;
  padding: 5px 0;
}

li + li {
  border-top: 1px solid var(--line);
}

.head {
  display: flex;
  align-items: center;
  gap: 8px;
}

.name {
  font-weight: 600;
}

.role {
  flex: 1;
  text-align: right;
  font-size: 12px;
  color: var(--ink-soft);
}

.to {
  font-size: 13px;
}

.option {
  flex: 1;
}

.parts {
  padding-left: 12px;
  font-size: 12px;
}

.roles,
.settings {
  display: grid;
  gap: 8px;
  padding: 4px 0 4px 12px;
  border-left: 2px solid var(--line);
}

.settings {
  grid-template-columns: 1fr 1fr;
}

.wide,
.blocks {
  grid-column: 1 / -1;
}

.blocks {
  display: grid;
  grid-template-columns: repeat(8, 1fr);
  gap: 2px;
  margin: 0;
  padding: 0;
  border: 0;
  font-size: 12px;
}

.blocks legend {
  font-weight: 600;
  color: var(--ink-soft);
}

.soft {
  font-size: 12px;
  color: var(--ink-soft);
}
</style>
