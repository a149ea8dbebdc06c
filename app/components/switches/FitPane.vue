<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { own, requireU7 } from '#core/base'
import type { Finding } from '#core/check'
import { editRow, type Controller, type KeptGesture, type Rig } from '#core/rig'
import { combosOf, type Combo } from '#core/switching'
import { X } from '@lucide/vue'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import IconButton from '~/components/common/IconButton.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { count, listText } from '#shared/words/counts'
import { switchPlace } from '~/text/sounds'

/** What the controller knows about feet, and what is asked of it that does not fit. */
const { rig, controller, found } = defineProps<{
  rig: Rig
  controller: Controller
  found: readonly Finding[]
}>()

const rigs = useRigStore()
const alter = (fields: Partial<Controller>) =>
  rigs.edit(editRow(rig, 'changeController', 'controllers', controller.id, fields))

const knows = (event: Controller['events'][number], isKnown: boolean) =>
  alter({
    events: isKnown ? [...controller.events, event] : controller.events.filter((one) => one !== event),
  })

const placeOf = (finding: Finding): string => {
  const row = finding.about.table === 'switches' ? own(rig.switches, finding.about.id) : undefined
  return row ? switchPlace(rig, row) : ''
}
const shown = computed(() => found.map((one) => ({ one, place: placeOf(one) })))
/** More than these are counted. */
const MOST = 60

const FIRES = [
  { value: 'release', text: 'when the foot comes off' },
  { value: 'press', text: 'at once, and the long one after it' },
] as const
const ON_BANK = [
  { value: 'keeps', text: 'keep where they were' },
  { value: 'restarts', text: 'begin with the first press' },
] as const
const HOW = [
  { value: 'press', text: 'a press on' },
  { value: 'longPress', text: 'holding' },
  { value: 'doublePress', text: 'a double press on' },
  { value: 'together', text: 'all at once of' },
] as const

const keep = (at: number, fields: Partial<KeptGesture>) =>
  alter({ keeps: controller.keeps.with(at, { ...controller.keeps[at]!, ...fields }) })
const numbersIn = (text: string): number[] =>
  [
    ...new Set(
      text
        .split(/[^\d]+/)
        .filter(Boolean)
        .map(Number),
    ),
  ].filter((n) => n >= 1 && n <= 72)

const combos = computed(() => combosOf(rig, controller))
const WHY: Record<Combo['outside'][number]['why'], string> = {
  channel: 'its channel is beyond the list',
  program: 'its program is beyond the list',
  bank: 'it needs bank select',
  control: 'controls',
  contact: 'contacts',
}
const outside = ({ outside: all }: Combo): string =>
  listText([
    ...new Set(all.map(({ deviceId, why }) => `${own(rig.devices, deviceId)?.name ?? ''} (${WHY[why]})`)),
  ])
</script>

<template>
  <div class="pane">
    <section aria-label="What does not fit">
      <h2>What does not fit</h2>
      <p v-if="shown.length === 0">All that is asked of {{ controller.name }} fits.</p>
      <div
        v-for="{ one, place } in shown.slice(0, MOST)"
        :key="`${one.code}${one.about.id}${one.about.field}`"
      >
        <p v-if="place" class="place">{{ place }}</p>
        <FindingNote :finding="one" @fix="rigs.edit(one.fix ?? null)" />
      </div>
      <p v-if="shown.length > MOST" class="soft">And {{ shown.length - MOST }} more.</p>
    </section>
    <section class="fields" aria-label="What it knows">
      <h2>What it knows, as its manual says</h2>
      <CheckField
        label="When the foot comes off"
        :value="controller.events.includes('release')"
        @take="knows('release', $event)"
      />
      <CheckField
        label="A long press"
        :value="controller.events.includes('longPress')"
        @take="knows('longPress', $event)"
      />
      <template v-if="controller.events.includes('longPress')">
        <NumberField
          label="It counts as long after"
          suffix=" ms"
          :value="controller.longMs"
          :min="100"
          :max="5000"
          @take="alter({ longMs: $event })"
        />
        <ChoiceField
          label="A plain press on such a switch fires"
          :value="controller.pressWithLong"
          :choices="FIRES"
          @choose="alter({ pressWithLong: $event })"
        />
      </template>
      <CheckField
        label="A double press"
        :value="controller.events.includes('doublePress')"
        @take="knows('doublePress', $event)"
      />
      <NumberField
        v-if="controller.events.includes('doublePress')"
        label="The second within"
        suffix=" ms"
        :value="controller.doubleMs"
        :min="100"
        :max="1000"
        @take="alter({ doubleMs: $event })"
      />
      <CheckField
        label="Leaves out values of a fast pedal"
        :value="controller.thinsPedals"
        @take="alter({ thinsPedals: $event })"
      />
      <CheckField label="A shift layer" :value="controller.hasShift" @take="alter({ hasShift: $event })" />
      <CheckField
        label="Keeps a set list"
        :value="controller.keepsShow"
        @take="alter({ keepsShow: $event })"
      />
      <NumberField
        label="Macros it keeps"
        :value="controller.macros"
        :min="0"
        :max="1000"
        @take="alter({ macros: $event })"
      />
      <ChoiceField
        label="Coming to a bank, switches of several presses"
        :value="controller.onBank"
        :choices="ON_BANK"
        @choose="alter({ onBank: $event })"
      />
      <h3>Gestures it keeps for itself</h3>
      <div v-for="(kept, n) in controller.keeps" :key="n" class="kept">
        <ChoiceField label="It keeps" :value="kept.how" :choices="HOW" @choose="keep(n, { how: $event })" />
        <TextField
          label="Switches (none: all)"
          :value="kept.numbers.join(', ')"
          :max="60"
          @take="keep(n, { numbers: numbersIn($event) })"
        />
        <TextField label="What it does" :value="kept.does" :max="60" @take="keep(n, { does: $event })" />
        <NumberField
          v-if="kept.how === 'longPress'"
          label="Held for"
          suffix=" ms"
          :value="kept.afterMs ?? controller.longMs"
          :min="100"
          :max="10000"
          @take="keep(n, { afterMs: $event })"
        />
        <CheckField
          label="It opens editing"
          :value="kept.opensEditing"
          @take="keep(n, { opensEditing: $event })"
        />
        <IconButton
          :icon="X"
          :name="`It keeps no such gesture: ${kept.does || kept.how}`"
          @click="alter({ keeps: controller.keeps.toSpliced(n, 1) })"
        />
      </div>
      <div>
        <Button
          label="Add a gesture it keeps"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="
            alter({
              keeps: [
                ...controller.keeps,
                { numbers: [], how: 'longPress', afterMs: 2000, does: 'opens editing', opensEditing: true },
              ],
            })
          "
        />
      </div>
      <h3>Numbered combinations it keeps</h3>
      <CheckField
        label="It keeps a list of programs, one a channel, which switches call by number"
        :value="controller.combos !== null"
        @take="
          alter({
            combos: $event ? { count: 100, first: 1, channels: 4, highestProgram: requireU7(127) } : null,
          })
        "
      />
      <template v-if="controller.combos">
        <NumberField
          label="So many combinations"
          :value="controller.combos.count"
          :min="1"
          :max="1000"
          @take="alter({ combos: { ...controller.combos!, count: $event } })"
        />
        <NumberField
          label="The first is shown as"
          :value="controller.combos.first"
          :min="0"
          :max="1"
          @take="alter({ combos: { ...controller.combos!, first: $event as 0 | 1 } })"
        />
        <NumberField
          label="Channels in each, from 1"
          :value="controller.combos.channels"
          :min="1"
          :max="16"
          @take="alter({ combos: { ...controller.combos!, channels: $event } })"
        />
        <NumberField
          label="Highest program in one, as sent"
          :value="controller.combos.highestProgram"
          :min="0"
          :max="127"
          @take="alter({ combos: { ...controller.combos!, highestProgram: requireU7($event) } })"
        />
      </template>
    </section>
    <section v-if="controller.combos" class="wide" aria-label="Combinations">
      <h2>Which sounds live in the list</h2>
      <p v-if="combos.length === 0" class="soft">No switch recalls a sound yet.</p>
      <table v-else>
        <thead>
          <tr>
            <th scope="col">Shown</th>
            <th scope="col">From 0</th>
            <th scope="col">Sound</th>
            <th scope="col">Programs by channel</th>
            <th scope="col">Beside it on the switch</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="combo in combos" :key="combo.sound.id">
            <td class="mono">{{ combo.shown ?? '—' }}</td>
            <td class="mono">{{ combo.index ?? '—' }}</td>
            <td>{{ combo.sound.name }}</td>
            <td class="mono">
              {{
                combo.programs.map(({ channel, program }) => `${channel}: ${program}`).join(', ') || 'none'
              }}
              <span v-if="combo.index === null && combo.programs.length > 0" class="full">list full</span>
            </td>
            <td>{{ combo.outside.length > 0 ? outside(combo) : 'nothing' }}</td>
          </tr>
        </tbody>
      </table>
      <p class="soft">
        {{ count(combos.filter(({ index }) => index !== null).length, 'place') }} of
        {{ controller.combos.count }} used.
      </p>
    </section>
  </div>
</template>

<style scoped>
.pane {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(240px, 2fr);
  align-content: start;
  gap: 14px 26px;
  min-height: 0;
  overflow: auto;
  padding: 12px 2px;
}

section {
  display: grid;
  align-content: start;
  gap: 9px;
}

.wide {
  grid-column: 1 / -1;
}

.place {
  font-size: 12px;
  color: var(--ink-soft);
}

.kept {
  display: grid;
  gap: 7px;
  padding: 8px;
  border: 1px solid var(--line);
}

table {
  border-collapse: collapse;
}

th,
td {
  padding: 3px 12px 3px 0;
  border-bottom: 1px solid var(--line);
  text-align: left;
}

.full {
  color: var(--error);
}

@media (max-width: 900px) {
  .pane {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
