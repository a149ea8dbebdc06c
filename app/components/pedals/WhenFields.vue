<script setup lang="ts">
import { computed } from 'vue'
import { byIndex, type ControlId, type Rig, type SwitchId, type When } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import ChoiceRow from '~/components/common/ChoiceRow.vue'
import ControlField from '~/components/switches/actions/ControlField.vue'
import { WHEN_TEXT } from '~/text/pedals'

/** When a role is live. */
const { rig, when } = defineProps<{ rig: Rig; when: When }>()
const emit = defineEmits<{ change: [when: When] }>()

const isSwitched = (kind: string) => kind === 'switch' || kind === 'toggle'
const firstSwitched = computed(() =>
  Object.values(rig.controls).find(({ reading }) => isSwitched(reading.kind)),
)
const switches = computed(() =>
  byIndex(rig.banks).flatMap((bank) =>
    Object.values(rig.switches)
      .filter(({ bankId }) => bankId === bank.id)
      .sort((a, b) => a.number - b.number)
      .map(({ id, label, number }) => ({
        value: id,
        text: `${bank.name || 'Bank'}, ${label || `switch ${number}`}`,
      })),
  ),
)
const kinds = computed(() =>
  (Object.keys(WHEN_TEXT) as When['kind'][])
    .filter((kind) => kind !== 'control' || firstSwitched.value || when.kind === 'control')
    .filter((kind) => kind !== 'held' || switches.value.length > 0)
    .map((value) => ({ value, text: WHEN_TEXT[value] })),
)

function become(kind: When['kind']): void {
  if (kind === 'always' || kind === 'layer') emit('change', { kind })
  else if (kind === 'banks')
    emit('change', {
      kind,
      bankIds: byIndex(rig.banks)
        .slice(0, 1)
        .map(({ id }) => id),
    })
  else if (kind === 'held') emit('change', { kind, switchId: switches.value[0]!.value })
  else emit('change', { kind, controlId: firstSwitched.value!.id, is: 'on' })
}
</script>

<template>
  <div class="fields">
    <ChoiceField label="Live" :value="when.kind" :choices="kinds" @choose="become" />
    <fieldset v-if="when.kind === 'banks'" class="banks">
      <legend>Banks</legend>
      <CheckField
        v-for="bank in byIndex(rig.banks)"
        :key="bank.id"
        :label="bank.name || `Bank ${bank.index + 1}`"
        :value="when.bankIds.includes(bank.id)"
        @take="
          emit('change', {
            ...when,
            bankIds: $event ? [...when.bankIds, bank.id] : when.bankIds.filter((id) => id !== bank.id),
          })
        "
      />
    </fieldset>
    <template v-else-if="when.kind === 'control'">
      <ControlField
        :rig="rig"
        :value="when.controlId"
        :only="({ reading }) => isSwitched(reading.kind)"
        @choose="emit('change', { ...when, controlId: $event as ControlId })"
      />
      <ChoiceRow
        label="It is"
        :value="when.is"
        :choices="[
          { value: 'on', text: 'on' },
          { value: 'off', text: 'off' },
        ]"
        @choose="emit('change', { ...when, is: $event })"
      />
      <p class="soft">As far as the controller knows: what it last sent. Until then it counts as off.</p>
    </template>
    <ChoiceField
      v-else-if="when.kind === 'held'"
      label="Switch"
      :value="when.switchId"
      :choices="switches"
      @choose="emit('change', { kind: 'held', switchId: $event as SwitchId })"
    />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 10px;
}

.banks {
  max-height: 150px;
  overflow: auto;
}

p {
  font-size: 12px;
}
</style>
