<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Finding } from '#core/check'
import {
  editRow,
  endOf,
  leadsBetween,
  plugChoices,
  removeRow,
  type Adapter,
  type Cable,
  type Link,
  type Rig,
} from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { selectionOf, useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'
import { ADAPTER_TEXT, LEAD_TEXT } from '#shared/cableText'
import { roleText } from '~/text/jacks'

/** One cable: its ends, its lead and adapters, its length and colour for the label sheet. */
const { rig, link, found } = defineProps<{ rig: Rig; link: Link; found: readonly Finding[] }>()

const rigs = useRigStore()
const { select } = useSelection()

const cable = computed(() => link.cable)
const change = (fields: Partial<Cable>) =>
  rigs.edit(editRow(rig, 'changeCable', 'cables', cable.value.id, fields))
const ends = computed(() => [link.from, link.to])
const leads = computed(() => {
  const usual = leadsBetween(link.from.meant, link.to.meant)
  const both = new Set([...usual, cable.value.lead, ...(usual.includes('trs') ? (['trrs'] as const) : [])])
  return [...both].map((value) => ({ value, text: LEAD_TEXT[value] }))
})
const ADAPTERS = Object.keys(ADAPTER_TEXT) as Adapter[]
const hasAdapters = computed(() => !['usb', 'air', 'power'].includes(cable.value.lead))
const others = computed(() =>
  plugChoices(rig, link.from.end.id, link.from.port.id).map((choice, n) => ({
    value: n,
    text: `${choice.box.name}, ${choice.port.name}`,
    choice,
  })),
)

function moveEnd(n: number): void {
  const one = others.value[n]?.choice
  if (!one) return
  const { from, to, lead, adapters } = one.cable
  // What the player chose, with the parts that make it work.
  const isOurs = from.id === link.from.end.id
  change({
    from: endOf(rig, isOurs ? from.id : to.id, isOurs ? from.port : to.port),
    to: isOurs ? to : from,
    lead,
    adapters,
  })
}
</script>

<template>
  <div class="inspector">
    <h2>{{ link.from.box.name }} to {{ link.to.box.name }}</h2>
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <dl>
      <template v-for="(end, n) in ends" :key="n">
        <dt>{{ n === 0 ? 'From' : 'To' }}</dt>
        <dd>
          <button type="button" class="word" @click="select(selectionOf(end.end.table, end.end.id))">
            {{ end.box.name }}</button
          >, {{ end.port.name }}
          <span class="mono soft">{{ roleText(end.meant) }}</span>
        </dd>
      </template>
    </dl>
    <ChoiceField
      v-if="others.length > 0"
      label="Move its other end to"
      :value="-1"
      :choices="[{ value: -1, text: `${link.to.box.name}, ${link.to.port.name}` }, ...others]"
      @choose="moveEnd($event)"
    />
    <ChoiceField label="Lead" :value="cable.lead" :choices="leads" @choose="change({ lead: $event })" />
    <fieldset v-if="hasAdapters">
      <legend>Adapters on it</legend>
      <CheckField
        v-for="adapter in ADAPTERS"
        :key="adapter"
        :label="ADAPTER_TEXT[adapter]"
        :value="cable.adapters.includes(adapter)"
        @take="
          change({
            adapters: $event ? [...cable.adapters, adapter] : cable.adapters.filter((one) => one !== adapter),
          })
        "
      />
    </fieldset>
    <div class="fields">
      <NumberField
        label="Length"
        suffix=" cm"
        :value="cable.centimetres"
        :min="5"
        :max="10000"
        @take="change({ centimetres: $event })"
      />
      <TextField
        label="Colour, for its label"
        :value="cable.colour"
        :max="60"
        @take="change({ colour: $event })"
      />
    </div>
    <CautionLine v-if="cable.lead === 'power'" caution="power" />
    <CautionLine v-if="cable.lead === 'din5'" caution="midiPower" />
    <CautionLine v-if="link.from.meant.kind === 'switchOut'" caution="ampJack" />
    <CautionLine caution="walkway" />
    <div>
      <Button
        label="Take this cable out"
        severity="secondary"
        variant="outlined"
        size="small"
        @click="rigs.edit(removeRow(rig, 'removeCable', 'cables', cable.id))"
      />
    </div>
  </div>
</template>

<style scoped>
.inspector {
  display: grid;
  gap: 12px;
}

h2 {
  overflow-wrap: anywhere;
}

dl {
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr);
  gap: 4px 8px;
}

dt,
.soft {
  font-size: 12px;
}

fieldset {
  display: grid;
  gap: 3px;
  margin: 0;
  padding: 0;
  border: 0;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1.4fr;
  gap: 10px;
}
</style>
