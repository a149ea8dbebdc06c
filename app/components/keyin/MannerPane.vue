<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { ArrowDown, ArrowUp } from '@lucide/vue'
import { keyingOf, setKeying, USUAL_KEYINGS } from '#core/keyin'
import type { Controller, Keying, Rig, Setter } from '#core/rig'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import IconButton from '~/components/common/IconButton.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { MANNER_TEXT } from '~/text/keyIn'

/** How this controller is keyed in: one of five usual manners, made the player's own. */
const { rig, controller } = defineProps<{ rig: Rig; controller: Controller }>()

const rigs = useRigStore()
const keying = computed(() => keyingOf(controller))
const keep = (after: Keying | null) => rigs.edit(setKeying(rig, controller.id, after))
const alter = (fields: Partial<Keying>) => keep({ ...keying.value, ...fields })

const MANNERS = Object.keys(USUAL_KEYINGS) as Keying['manner'][]

const nameKey = (n: number, name: string) =>
  alter({ keys: keying.value.keys.with(n, { ...keying.value.keys[n]!, name }) })
const nameField = (n: number, name: string) =>
  alter({ fields: keying.value.fields.with(n, { ...keying.value.fields[n]!, name }) })
const nameKind = (n: number, name: string) =>
  alter({ kinds: keying.value.kinds.with(n, { ...keying.value.kinds[n]!, name }) })

/** Two that stand side by side change places. */
function swapped<Item>(all: readonly Item[], n: number): Item[] {
  return all.with(n, all[n + 1]!).with(n + 1, all[n]!)
}
const moveField = (n: number) => alter({ fields: swapped(keying.value.fields, n) })
const moveKind = (n: number) => alter({ kinds: swapped(keying.value.kinds, n) })
const dropKind = (n: number) => alter({ kinds: keying.value.kinds.filter((_, at) => at !== n) })

type Steps = Extract<Setter, { how: 'steps' }>
/** Values that are stepped through: they wrap or not, and run fast or not, all alike. */
const stepped = computed(
  () => keying.value.fields.map(({ set }) => set).find((set): set is Steps => set.how === 'steps') ?? null,
)
const alterSteps = (fields: Partial<Steps>) =>
  alter({
    fields: keying.value.fields.map((one) =>
      one.set.how === 'steps' ? { ...one, set: { ...one.set, ...fields } } : one,
    ),
  })

const usualCopy = computed(() => USUAL_KEYINGS[keying.value.manner].copy)
const saveHold = computed(() => keying.value.save.keys[0]!.holdMs)
const setSaveHold = (seconds: number) =>
  alter({
    save: {
      ...keying.value.save,
      keys: keying.value.save.keys.with(0, {
        ...keying.value.save.keys[0]!,
        holdMs: Math.round(seconds * 1000),
      }),
    },
  })
const LOSSES = [
  { value: 'leave', text: 'Leaving without saving loses it' },
  { value: 'bank', text: 'Turning to another bank loses it' },
  { value: 'power', text: 'Switching off loses it' },
] as const
const loses = (one: (typeof LOSSES)[number]['value'], isSo: boolean) =>
  alter({
    losesOn: isSo ? [...keying.value.losesOn, one] : keying.value.losesOn.filter((other) => other !== one),
  })
const FIELD_TEXT: Record<Keying['fields'][number]['field'], string> = {
  kind: 'what a message is',
  channel: 'channel',
  number: 'program, controller or note',
  value: 'value',
  other: 'the second value',
  what: 'which way',
  amount: 'how much, how long',
  every: 'from one to the next',
  bpm: 'tempo',
  positions: 'positions of a switch',
  group: 'group of a switch',
  light: 'how the lamp shines',
  colour: 'colour of the lamp',
  letter: 'a letter of the name',
}
</script>

<template>
  <div class="tab-pane" role="tabpanel" aria-label="Front panel">
    <p class="soft">
      Take the manner nearest to your box, try it on the panel beside, and change what differs until it
      behaves like yours. Names are the ones on your box.
    </p>
    <ul class="manners">
      <li v-for="manner in MANNERS" :key="manner">
        <button
          type="button"
          :aria-pressed="keying.manner === manner"
          @click="keying.manner === manner ? undefined : keep(USUAL_KEYINGS[manner])"
        >
          <b>{{ MANNER_TEXT[manner].name }}</b>
          <span>{{ MANNER_TEXT[manner].about }}</span>
        </button>
      </li>
    </ul>
    <p>
      <Button
        label="As it usually is"
        size="small"
        severity="secondary"
        @click="keep(USUAL_KEYINGS[keying.manner])"
      />
    </p>
    <FoldSection title="Keys" :summary="`${keying.keys.length}`" open>
      <div class="grid">
        <TextField
          v-for="(one, n) in keying.keys"
          :key="one.id"
          :label="USUAL_KEYINGS[keying.manner].keys.find(({ id }) => id === one.id)?.name ?? one.id"
          :value="one.name"
          :max="24"
          required
          @take="nameKey(n, $event)"
        />
      </div>
    </FoldSection>
    <FoldSection title="Setting, copying, saving" open>
      <template v-if="stepped">
        <CheckField
          label="Values wrap"
          note="From the last straight to the first, and back."
          :value="stepped.wraps"
          @take="alterSteps({ wraps: $event })"
        />
        <CheckField
          label="A held key runs fast"
          :value="stepped.fast !== null"
          @take="alterSteps({ fast: $event ? { afterMs: 800, by: 10 } : null })"
        />
        <NumberField
          v-if="stepped.fast"
          label="Fast steps are of"
          :value="stepped.fast.by"
          :min="2"
          :max="100"
          @take="alterSteps({ fast: { ...stepped.fast, by: $event } })"
        />
      </template>
      <CheckField
        v-if="usualCopy"
        label="A switch can be copied"
        :value="keying.copy !== null"
        @take="alter({ copy: $event ? usualCopy : null })"
      />
      <NumberField
        label="Save is held for"
        :value="saveHold / 1000"
        :min="0"
        :max="10"
        :decimals="1"
        suffix=" s"
        @take="setSaveHold($event)"
      />
      <CheckField
        v-for="one in LOSSES"
        :key="one.value"
        :label="one.text"
        :value="keying.losesOn.includes(one.value)"
        @take="loses(one.value, $event)"
      />
      <ChoiceField
        label="The display shows"
        :value="keying.display.shows"
        :choices="[
          { value: 'value', text: 'the value alone' },
          { value: 'named', text: 'the field and its value' },
          { value: 'row', text: 'the whole message' },
        ]"
        @choose="alter({ display: { ...keying.display, shows: $event } })"
      />
      <NumberField
        label="Characters on the display"
        :value="keying.display.width"
        :min="2"
        :max="80"
        @take="alter({ display: { ...keying.display, width: $event } })"
      />
    </FoldSection>
    <FoldSection title="Fields, in their order" :summary="`${keying.fields.length}`">
      <ol class="order">
        <li v-for="(one, n) in keying.fields" :key="one.field">
          <TextField
            :label="`Name of ${FIELD_TEXT[one.field]}`"
            :value="one.name"
            :max="16"
            @take="nameField(n, $event)"
          />
          <IconButton
            v-if="n > 1"
            :icon="ArrowUp"
            :name="`${FIELD_TEXT[one.field]} comes earlier`"
            @click="moveField(n - 1)"
          />
          <IconButton
            v-if="n > 0 && n < keying.fields.length - 1"
            :icon="ArrowDown"
            :name="`${FIELD_TEXT[one.field]} comes later`"
            @click="moveField(n)"
          />
        </li>
      </ol>
    </FoldSection>
    <FoldSection title="What a message can be, in the box’s order" :summary="`${keying.kinds.length}`">
      <ol class="order">
        <li v-for="(one, n) in keying.kinds" :key="one.kind">
          <TextField
            :label="`Name of ${one.kind}`"
            :value="one.name"
            :max="16"
            required
            @take="nameKind(n, $event)"
          />
          <IconButton
            v-if="n > 0"
            :icon="ArrowUp"
            :name="`${one.name} comes earlier`"
            @click="moveKind(n - 1)"
          />
          <IconButton
            v-if="n < keying.kinds.length - 1"
            :icon="ArrowDown"
            :name="`${one.name} comes later`"
            @click="moveKind(n)"
          />
          <button
            v-if="one.kind !== 'end'"
            type="button"
            class="word"
            :aria-label="`My box has no ${one.name}`"
            @click="dropKind(n)"
          >
            Has none
          </button>
        </li>
      </ol>
    </FoldSection>
  </div>
</template>

<style scoped>
.manners {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 8px;
}

.manners button {
  display: grid;
  gap: 2px;
  width: 100%;
  height: 100%;
  padding: 8px 10px;
  align-content: start;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
  text-align: left;
}

.manners span {
  font-size: 12.5px;
  color: var(--ink-soft);
}

.manners [aria-pressed='true'] {
  background: var(--chosen);
  color: var(--on-chosen);
}

.manners [aria-pressed='true'] span {
  color: inherit;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
  gap: 8px 14px;
}

.order li {
  display: flex;
  align-items: end;
  gap: 8px;
  padding: 2px 0;
}

/* On a phone the page scrolls, not a part of it: the sheet lies beside the controller. */
@media (max-width: 620px) {
  .tab-pane {
    flex: none;
    overflow: visible;
  }
}
</style>
