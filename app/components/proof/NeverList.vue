<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { thingChoices, thingText } from '#core/check'
import type { Proved } from '#core/prove'
import {
  addRow,
  inOrder,
  lastOrder,
  removeRow,
  THINGS_MAX,
  type Never,
  type NeverId,
  type Rig,
  type Thing,
} from '#core/rig'
import IconButton from '~/components/common/IconButton.vue'
import { useRigStore } from '~/stores/rig'
import { listText } from '#shared/words/counts'

/** What must never be so at once, said by picking things from lists. */
const { rig, proved } = defineProps<{ rig: Rig; proved: readonly Proved[] }>()
const rigs = useRigStore()

const choices = computed(() =>
  inOrder(rig.devices).flatMap((device) => {
    const things = thingChoices(rig, device)
    return things.length === 0
      ? []
      : [{ label: device.name, things: things.map((thing) => ({ thing, text: thingText(rig, thing) })) }]
  }),
)
const nevers = computed(() => inOrder(rig.nevers))
const textOf = ({ things }: Never) => listText(things.map((thing) => thingText(rig, thing)))

const SAID = { holds: 'holds', fails: 'can come about', notProven: 'not proven' } as const
const saidOf = ({ id }: Never): string => {
  const one = proved.find(({ about }) => about.table === 'nevers' && about.id === id)
  return one ? SAID[one.verdict.kind] : rigs.isSearchLost ? 'not known' : 'looking'
}

const isAdding = ref(false)
const picked = ref<(Thing | null)[]>([null, null])
const chosen = computed(() => picked.value.filter((one) => one !== null))
const isSame = (a: Thing, b: Thing) => JSON.stringify(a) === JSON.stringify(b)
const problem = computed(() => {
  if (chosen.value.length === 0) return 'Choose at least one thing.'
  const isTwice = chosen.value.some((one, n) => chosen.value.slice(n + 1).some((other) => isSame(one, other)))
  if (isTwice) return 'The same thing is there twice.'
  return nevers.value.some(
    ({ things }) =>
      things.length === chosen.value.length &&
      things.every((one) => chosen.value.some((other) => isSame(one, other))),
  )
    ? 'That is said already.'
    : ''
})

function choose(n: number, thing: Thing | null): void {
  picked.value = picked.value.map((one, at) => (at === n ? thing : one))
}

function add(): void {
  if (problem.value) return
  const id = nanoid(12) as NeverId
  rigs.edit(addRow('addNever', 'nevers', { id, order: lastOrder(rig.nevers), things: chosen.value }))
  picked.value = [null, null]
  isAdding.value = false
}

const NAMES = ['Never', 'together with', 'and with', 'and also with']
</script>

<template>
  <div class="nevers">
    <ul v-if="nevers.length > 0" aria-label="Must never be">
      <li v-for="one in nevers" :key="one.id">
        <span>Never {{ textOf(one) }}{{ one.things.length > 1 ? ' at once' : '' }}</span>{{ ' ' }}
        <span class="said">{{ saidOf(one) }}</span>
        <IconButton
          :icon="Trash2"
          :name="`Remove: never ${textOf(one)}`"
          @click="rigs.edit(removeRow(rig, 'removeNever', 'nevers', one.id))"
        />
      </li>
    </ul>
    <button v-if="!isAdding" type="button" class="word" @click="isAdding = true">
      <Plus :size="14" aria-hidden="true" /> Something that must never be
    </button>
    <form v-else @submit.prevent="add">
      <p v-if="choices.length === 0" class="soft">
        There is nothing to choose from yet: presets and controls come from the charts.
      </p>
      <div v-for="(thing, n) in picked" v-else :key="n" class="field">
        <label :id="`never-${n}-label`" :for="`never-${n}`">{{ NAMES[n] }}</label>
        <Select
          :input-id="`never-${n}`"
          :aria-labelledby="`never-${n}-label`"
          :model-value="thing"
          :options="choices"
          option-group-label="label"
          option-group-children="things"
          option-label="text"
          option-value="thing"
          filter
          show-clear
          fluid
          @update:model-value="choose(n, $event)"
        />
      </div>
      <div class="acts">
        <button
          v-if="picked.length < THINGS_MAX"
          type="button"
          class="word"
          @click="picked = [...picked, null]"
        >
          One more
        </button>
        <button type="submit" class="action" :disabled="problem !== ''">Prove it</button>
        <button type="button" class="word" @click="isAdding = false">Cancel</button>
        <span v-if="chosen.length > 0 && problem" class="soft" role="status">{{ problem }}</span>
      </div>
    </form>
  </div>
</template>

<style scoped>
.nevers {
  margin: 4px 24px 0 30px;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 24px;
  align-items: center;
  gap: 10px;
  padding: 1px 0;
}

.said {
  color: var(--ink-soft);
  font: 500 12px/20px var(--mono);
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 6px 10px;
  max-width: 640px;
  padding: 6px 0;
}

.acts {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
</style>
