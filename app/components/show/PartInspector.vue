<script setup lang="ts">
import Button from 'primevue/button'
import { isoDate } from '#shared/words/times'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { own } from '#core/base'
import { inOrder, removeRow, byIndex, type Part, type Rig, type SoundId, type SwitchId } from '#core/rig'
import {
  editPart,
  partTonight,
  placeSound,
  showController,
  freeNumbersOf,
  type PartWay,
  type Wrong,
} from '#core/show'
import CheckField from '~/components/common/CheckField.vue'
import ChoiceField from '~/components/common/ChoiceField.vue'
import FoldSection from '~/components/common/FoldSection.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { bankText } from '#shared/actions/travel'
import { heardText, inTimeText, placeLong, wayText, wrongText } from '~/text/show'
import { moveText } from '#shared/placeText'
import BoardPath from './BoardPath.vue'

/** One part: its sound, how long it lasts, the rest before it, tonight; and the foot's way to it, from above. */
const { rig, ways, part, nth, wrong } = defineProps<{
  rig: Rig
  ways: readonly PartWay[]
  part: Part
  /** Which of the show's songs it is played in. */
  nth: number
  wrong: readonly Wrong[]
}>()
const emit = defineEmits<{ gone: []; play: [way: PartWay] }>()

const rigs = useRigStore()
const edit = (fields: Partial<Part>): unknown => rigs.edit(editPart(rig, part.id, fields))
const NONE = 'none'
const sounds = computed(() => [
  { value: NONE, text: 'no sound yet' },
  ...inOrder(rig.sounds).map(({ id, name }) => ({ value: id as string, text: name })),
])
const idOf = (value: string) => (value === NONE ? null : (value as SoundId))
const today = () => isoDate(new Date())

const way = computed(
  () => ways.find(({ played }) => played.nth === nth && played.part.id === part.id) ?? null,
)
const ofSong = computed(() => ways.filter(({ played }) => played.nth === nth))
const controller = computed(() => showController(rig))
const last = computed(() => way.value?.route?.moves.at(-1) ?? null)
/** The banks a sound that no switch plays can go to: the song's own first. */
const room = computed(() =>
  byIndex(rig.banks)
    .filter(
      ({ id, controllerId }) => controllerId === controller.value?.id && freeNumbersOf(rig, id).length > 0,
    )
    .sort((a, b) => Number(b.songId === part.songId) - Number(a.songId === part.songId) || a.index - b.index),
)
function place(): void {
  const [bank] = room.value
  const soundId = way.value?.played.soundId ?? part.soundId
  if (bank && soundId) rigs.edit(placeSound(rig, bank.id, soundId, nanoid(12) as SwitchId))
}
function remove(): void {
  if (rigs.edit(removeRow(rig, 'removePart', 'parts', part.id))) emit('gone')
}
</script>

<template>
  <div class="part">
    <ChoiceField
      label="Played with"
      :value="(part.soundId as string | null) ?? NONE"
      :choices="sounds"
      @choose="edit({ soundId: idOf($event) })"
    />
    <template v-if="way">
      <BoardPath
        v-if="controller && last"
        :rig="rig"
        :controller="controller"
        :bank-id="last.from.bankId"
        :layer="last.from.layer"
        :ways="ofSong"
      />
      <p v-if="last" class="where">
        {{ placeLong(rig, { ...last.from, number: last.number }) }}
        <span v-if="last.position" class="soft"
          >, position {{ last.position.at + 1 }} of {{ last.position.of }}</span
        >
      </p>
      <p :class="{ bad: way.why !== null || way.inTime === 'tight' || way.inTime === 'never' }">
        {{ wayText(way)
        }}<template v-if="way.why === null && inTimeText(way)">: {{ inTimeText(way) }}</template>.
      </p>
      <p v-if="way.route && way.route.moves.length > 1" class="soft">
        On the way:
        {{
          way.route.moves
            .slice(0, -1)
            .map((move) => moveText(rig, move))
            .join(', ')
        }}.
      </p>
      <p v-if="heardText(rig, way)" class="soft">{{ heardText(rig, way) }}.</p>
      <p v-if="way.inTime === 'unknown' && way.why === null" class="soft">
        Whether that is soon enough cannot be told: say how long the rest before it is.
      </p>
      <div class="tools">
        <Button v-if="way.route" label="Step on it" size="small" @click="emit('play', way)" />
        <Button
          v-if="way.why === 'noSwitch' && room[0]"
          :label="`Put it on a switch of ${bankText(rig, room[0].id)}`"
          size="small"
          @click="place"
        />
      </div>
      <p v-if="way.why === 'noSwitch' && !room[0]" class="soft">
        No bank has a free switch. Add a bank in Switches, or clear a switch.
      </p>
    </template>
    <ul v-if="wrong.length > 0" class="wrong" aria-label="Wrong when walked through">
      <li v-for="(one, n) in wrong" :key="n">{{ wrongText(rig, one) }}</li>
    </ul>
    <FoldSection title="How long" :open="true">
      <CheckField
        label="I know how long it lasts"
        :value="part.lasts !== null"
        @take="edit({ lasts: $event ? { amount: 8, unit: 'bars' } : null })"
      />
      <div v-if="part.lasts" class="pair">
        <NumberField
          label="It lasts"
          :value="part.lasts.amount"
          :min="0.25"
          :max="9999"
          :decimals="2"
          @take="edit({ lasts: { ...part.lasts!, amount: $event } })"
        />
        <ChoiceField
          label="Counted in"
          :value="part.lasts.unit"
          :choices="[
            { value: 'bars', text: 'bars' },
            { value: 'seconds', text: 'seconds' },
          ]"
          @choose="edit({ lasts: { ...part.lasts!, unit: $event } })"
        />
      </div>
      <CheckField
        label="I know the rest before it"
        :value="part.ahead !== null"
        @take="edit({ ahead: $event ? { amount: 2, unit: 'beats' } : null })"
      />
      <div v-if="part.ahead" class="pair">
        <NumberField
          label="Rest before it"
          :value="part.ahead.amount"
          :min="0"
          :max="9999"
          :decimals="2"
          @take="edit({ ahead: { ...part.ahead!, amount: $event } })"
        />
        <ChoiceField
          label="Rest counted in"
          :value="part.ahead.unit"
          :choices="[
            { value: 'beats', text: 'beats' },
            { value: 'seconds', text: 'seconds' },
          ]"
          @choose="edit({ ahead: { ...part.ahead!, unit: $event } })"
        />
      </div>
    </FoldSection>
    <FoldSection
      title="Only tonight"
      :summary="part.tonight ? `since ${part.tonight.since}` : ''"
      :open="part.tonight !== null"
    >
      <CheckField
        label="Left out"
        :value="part.tonight?.isOut === true"
        @take="rigs.edit(partTonight(rig, part.id, { isOut: $event }, today()))"
      />
      <ChoiceField
        label="With another sound"
        :value="(part.tonight?.soundId as string | null | undefined) ?? NONE"
        :choices="[{ value: NONE, text: 'its own' }, ...sounds.slice(1)]"
        @choose="rigs.edit(partTonight(rig, part.id, { soundId: idOf($event) }, today()))"
      />
    </FoldSection>
    <TextField label="Called" :value="part.name" :max="60" @take="edit({ name: $event })" />
    <button type="button" class="word" @click="remove">
      Remove this part from {{ own(rig.songs, part.songId)?.name }}
    </button>
  </div>
</template>

<style scoped>
.part {
  display: grid;
  gap: 10px;
}

.part > .word {
  justify-self: start;
  text-align: left;
}

.where {
  font-weight: 600;
}

.where::first-letter {
  text-transform: uppercase;
}

.bad,
.wrong {
  color: var(--error);
}

.wrong {
  display: grid;
  gap: 4px;
  padding: 8px 10px;
  border-left: 3px solid currentcolor;
  background: var(--error-ground);
}

.wrong li {
  color: var(--ink);
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
