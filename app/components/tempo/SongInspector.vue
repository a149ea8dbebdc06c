<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { byIndex, editRow, removeRow, type BankId, type Rig, type Song } from '#core/rig'
import { dropTonight, editSong } from '#core/tempo'
import CheckField from '~/components/common/CheckField.vue'
import FindingNote from '~/components/common/FindingNote.vue'
import NumberField from '~/components/common/NumberField.vue'
import TextField from '~/components/common/TextField.vue'
import { useRigStore } from '~/stores/rig'
import { bpmText } from '~/text/tempo'

/** One song: its tempo, tonight's, how long until its first note, and the banks it is played in. */
const { rig, song } = defineProps<{ rig: Rig; song: Song }>()
const emit = defineEmits<{ gone: [] }>()

const rigs = useRigStore()
const edit = (fields: Partial<Song>): unknown => rigs.edit(editSong(rig, song.id, fields))
const found = computed(() =>
  rigs.found.filter(({ about }) => about.table === 'songs' && about.id === song.id),
)
const banks = computed(() =>
  byIndex(rig.banks).map(({ id, index, name, songId, controllerId }) => ({
    id,
    text: `${index + (own(rig.controllers, controllerId)?.firstBank ?? 1)} ${name}`.trim(),
    isOurs: songId === song.id,
    other: songId !== null && songId !== song.id ? (own(rig.songs, songId)?.name ?? '') : '',
  })),
)

function play(bankId: BankId, isIn: boolean): void {
  rigs.edit(editRow(rig, 'changeBank', 'banks', bankId, { songId: isIn ? song.id : null }))
}

function remove(): void {
  if (rigs.edit(removeRow(rig, 'removeSong', 'songs', song.id))) emit('gone')
}
</script>

<template>
  <div class="song">
    <TextField label="Song" :value="song.name" :max="60" required @take="edit({ name: $event })" />
    <CheckField
      label="It stores a tempo"
      :value="song.tempo !== null"
      @take="edit({ tempo: $event ? 120 : null })"
    />
    <NumberField
      v-if="song.tempo !== null"
      label="Stored tempo"
      :value="song.tempo"
      :min="20"
      :max="400"
      :decimals="1"
      suffix=" bpm"
      @take="edit({ tempo: $event })"
    />
    <p v-if="song.tonight" class="tonight">
      Since {{ song.tonight.since }} it is played at <b>{{ bpmText(song.tonight.bpm) }} bpm</b>; what is
      stored stays.
      <button type="button" class="word" @click="rigs.edit(dropTonight(rig, song.id))">Drop it</button>
    </p>
    <CheckField
      label="I know how long before its first note I step on it"
      :value="song.countIn !== null"
      @take="edit({ countIn: $event ? 4 : null })"
    />
    <NumberField
      v-if="song.countIn !== null"
      label="Beats before its first note"
      :value="song.countIn"
      :min="0"
      :max="256"
      @take="edit({ countIn: $event })"
    />
    <fieldset v-if="banks.length > 0" class="banks">
      <legend>Played in</legend>
      <CheckField
        v-for="bank in banks"
        :key="bank.id"
        :label="bank.other ? `${bank.text} (now ${bank.other})` : bank.text"
        :value="bank.isOurs"
        @take="play(bank.id, $event)"
      />
    </fieldset>
    <TextField label="Notes" :value="song.notes" :max="400" @take="edit({ notes: $event })" />
    <FindingNote v-for="(one, n) in found" :key="n" :finding="one" @fix="rigs.edit(one.fix ?? null)" />
    <button type="button" class="word" @click="remove">Remove this song</button>
  </div>
</template>

<style scoped>
.song {
  display: grid;
  gap: 10px;
  justify-items: stretch;
}

.song > .word {
  justify-self: start;
}

.tonight {
  font-size: 13px;
}

.banks {
  display: grid;
  gap: 2px;
  max-height: 190px;
  overflow: auto;
}
</style>
