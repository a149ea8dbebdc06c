<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { own } from '#core/base'
import {
  byIndex,
  songTempo,
  type BankId,
  type PartId,
  type Rig,
  type Show,
  type Song,
  type SwitchId,
} from '#core/rig'
import { addPart, editShow, fillFromSong, moveSong, placeSongSwitch, showController } from '#core/show'
import { editSong } from '#core/tempo'
import ChoiceField from '~/components/common/ChoiceField.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import ShowSwitches from './ShowSwitches.vue'
import { useRigStore } from '~/stores/rig'
import { bankText } from '#shared/actions/travel'
import { count } from '#shared/words/counts'
import { bpmText } from '~/text/tempo'

/** A song as it stands in the show: its parts are added here, a bank filled from it, its place changed. */
const { rig, show, song, nth } = defineProps<{ rig: Rig; show: Show; song: Song; nth: number }>()
const emit = defineEmits<{ choose: [key: string]; gone: [] }>()

const rigs = useRigStore()
const edit = (fields: Partial<Song>): unknown => rigs.edit(editSong(rig, song.id, fields))

function add(): void {
  const id = nanoid(12) as PartId
  if (rigs.edit(addPart(rig, id, song.id, null))) emit('choose', `${nth}/${id}`)
}
function move(by: number): void {
  if (rigs.edit(moveSong(rig, show.id, nth, nth + by))) emit('choose', String(nth + by))
}
function takeOut(): void {
  if (rigs.edit(editShow(rig, show.id, { songIds: show.songIds.toSpliced(nth, 1) }))) emit('gone')
}

const banks = computed(() =>
  byIndex(rig.banks).map(({ id }) => ({ value: id as string, text: bankText(rig, id) })),
)
const ours = computed(() => byIndex(rig.banks).filter(({ songId }) => songId === song.id))
const wanted = ref<string | null>(null)
/** Its own bank, else one of no song: what belongs to another is not offered first. */
const bankId = computed(
  () =>
    wanted.value ??
    ours.value[0]?.id ??
    byIndex(rig.banks).find(({ songId }) => songId === null)?.id ??
    banks.value[0]?.value ??
    null,
)
const ofOther = computed(() => {
  const songId = own(rig.banks, bankId.value ?? '')?.songId ?? null
  return songId !== null && songId !== song.id ? (own(rig.songs, songId)?.name ?? '') : ''
})
const controller = computed(() => showController(rig))
const oneSwitch = computed(
  () =>
    bankId.value &&
    placeSongSwitch(rig, bankId.value as BankId, song.id, `${song.name}, parts`, nanoid(12) as SwitchId),
)
const told = ref('')
function fill(): void {
  if (bankId.value === null) return
  const { edit: filled, left } = fillFromSong(
    rig,
    bankId.value as BankId,
    song.id,
    () => nanoid(12) as SwitchId,
  )
  const names = left.map((id) => own(rig.sounds, id)?.name ?? '').join(', ')
  if (filled) rigs.edit(filled)
  told.value =
    left.length > 0
      ? `No free switch is left for ${names}.`
      : filled
        ? 'Its sounds are on the switches of the bank.'
        : 'All its sounds are there already.'
}
</script>

<template>
  <div class="song">
    <TextField label="Song" :value="song.name" :max="60" required @take="edit({ name: $event })" />
    <p class="soft">
      {{ songTempo(song) === null ? 'It stores no tempo' : `${bpmText(songTempo(song)!)} bpm` }}: tempo,
      count-in and banks are kept in Tempo.
    </p>
    <div class="pair">
      <TextField label="Key" :value="song.key" :max="60" @take="edit({ key: $event })" />
      <NumberField
        label="Beats in a bar"
        :value="song.beatsPerBar"
        :min="1"
        :max="32"
        @take="edit({ beatsPerBar: $event })"
      />
    </div>
    <TextField label="Notes" :value="song.notes" :max="400" @take="edit({ notes: $event })" />
    <div class="tools">
      <Button label="Add a part" size="small" @click="add" />
      <Button label="Earlier" size="small" severity="secondary" :disabled="nth === 0" @click="move(-1)" />
      <Button
        label="Later"
        size="small"
        severity="secondary"
        :disabled="nth === show.songIds.length - 1"
        @click="move(1)"
      />
    </div>
    <section v-if="bankId !== null" class="fill" aria-label="Fill a bank">
      <h3>Its sounds on the switches of a bank</h3>
      <ChoiceField label="Bank" :value="bankId" :choices="banks" @choose="((wanted = $event), (told = ''))" />
      <Button
        label="Fill it from this song"
        size="small"
        severity="secondary"
        :disabled="ofOther !== ''"
        @click="fill"
      />
      <p class="soft" role="status">
        {{ ofOther ? `This bank is played in ${ofOther}. Choose another, or change that in Tempo.` : told }}
      </p>
      <p v-if="ours.length > 0" class="soft">
        Played in {{ count(ours.length, 'bank') }}: {{ ours.map(({ id }) => bankText(rig, id)).join(', ') }}.
      </p>
    </section>
    <section class="fill" aria-label="Steps to this song">
      <h3>Steps to it</h3>
      <ShowSwitches :rig="rig" :steps="[{ to: 'song', songId: song.id, text: `First of ${song.name}` }]" />
      <template v-if="!controller?.keepsShow && bankId !== null">
        <Button
          label="Its parts one a press, on one switch"
          size="small"
          severity="secondary"
          :disabled="oneSwitch === null || ofOther !== ''"
          @click="oneSwitch && rigs.edit(oneSwitch)"
        />
        <p class="soft">
          {{
            oneSwitch
              ? `On a free switch of ${bankText(rig, bankId)}.`
              : 'That takes a free switch in the bank, and from 2 to 16 parts with a sound.'
          }}
        </p>
      </template>
    </section>
    <button type="button" class="word" @click="takeOut">Take it out of this show</button>
  </div>
</template>

<style scoped>
.song,
.fill {
  display: grid;
  gap: 10px;
}

.fill {
  padding-top: 8px;
  border-top: 1px solid var(--line);
}

.fill :deep(button.p-button),
.song > .word {
  justify-self: start;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
