<script setup lang="ts">
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { own } from '#core/base'
import { byIndex, inOrder, type Rig, type Song, type SongId } from '#core/rig'
import { addSong } from '#core/tempo'
import { useRigStore } from '~/stores/rig'
import { bpmText } from '~/text/tempo'

/** The songs with their tempi: stored, and tonight's. */
const { rig, chosen } = defineProps<{ rig: Rig; chosen: string | null }>()
const emit = defineEmits<{ choose: [id: SongId] }>()

const rigs = useRigStore()
const songs = computed(() => inOrder(rig.songs))
const banks = computed(() => {
  const by = new Map<string, string[]>()
  for (const { songId, name, index, controllerId } of byIndex(rig.banks)) {
    if (songId === null) continue
    const number = index + (own(rig.controllers, controllerId)?.firstBank ?? 1)
    by.set(songId, [...(by.get(songId) ?? []), `${number} ${name}`.trim()])
  }
  return by
})
const found = computed(
  () => new Set(rigs.found.flatMap(({ about }) => (about.table === 'songs' ? [about.id] : []))),
)
const countText = ({ countIn }: Song) =>
  countIn === null ? 'not said' : countIn === 0 ? 'none' : `${countIn} beat${countIn === 1 ? '' : 's'}`

function add(): void {
  const id = nanoid(12) as SongId
  if (rigs.edit(addSong(rig, id, `Song ${songs.value.length + 1}`, null))) emit('choose', id)
}
</script>

<template>
  <section class="songs" aria-label="Songs">
    <p v-if="songs.length === 0" class="soft">
      No songs yet. A song stores a tempo; the banks it is played in take it up when the foot comes to them.
    </p>
    <div v-else class="scroll" tabindex="0" role="group" aria-label="Songs and their tempi">
      <table>
        <thead>
          <tr>
            <th>Song</th>
            <th class="number">Stored</th>
            <th class="number">Tonight</th>
            <th>Time before its first note</th>
            <th>Played in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="song in songs" :key="song.id" :class="{ current: song.id === chosen }">
            <th>
              <button
                type="button"
                class="word"
                :aria-current="song.id === chosen ? 'true' : undefined"
                @click="emit('choose', song.id)"
              >
                {{ song.name }}
              </button>
              <span v-if="found.has(song.id)" class="mark">to look at</span>
            </th>
            <td class="mono number">{{ song.tempo === null ? '–' : bpmText(song.tempo) }}</td>
            <td class="mono number">{{ song.tonight ? bpmText(song.tonight.bpm) : '' }}</td>
            <td>{{ countText(song) }}</td>
            <td class="soft">{{ banks.get(song.id)?.join(', ') ?? 'no bank' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <Button label="Add a song" size="small" severity="secondary" class="add" @click="add" />
  </section>
</template>

<style scoped>
.songs {
  display: grid;
  gap: 6px;
  justify-items: start;
}

.scroll {
  width: 100%;
  max-height: 420px;
  overflow: auto;
}

.number {
  text-align: right;
}

tr.current {
  background: var(--sheet);
}

th .word {
  max-width: 260px;
  overflow: hidden;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.mark {
  margin-left: 6px;
  font-weight: 400;
  font-size: 12px;
  color: var(--warning);
}
</style>
