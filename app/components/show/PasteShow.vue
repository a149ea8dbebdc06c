<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { rigName, type PartId, type Rig, type ShowId, type SongId } from '#core/rig'
import { pasteShow, readShow } from '#core/show'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { showFaultText } from '~/text/show'

/** A show pasted as lines of text, looked at before anything is written. */
const { rig } = defineProps<{ rig: Rig }>()
const isOpen = defineModel<boolean>({ required: true })

const rigs = useRigStore()
const text = ref('')
const read = computed(() => readShow(rig, text.value))
const parts = computed(() => read.value.songs.reduce((sum, song) => sum + song.parts.length, 0))
const fresh = computed(() => read.value.songs.filter(({ known }) => known === null).length)
const EXAMPLE = 'Net menders, 96, E minor, 4/4\n- Verse, dry, 16 bars\n- Chorus, drive, 8 bars, 2 beats ahead'
const refused = ref('')

function take(): void {
  const edit = pasteShow(
    rig,
    read.value,
    {
      song: () => nanoid(12) as SongId,
      part: () => nanoid(12) as PartId,
      show: () => nanoid(12) as ShowId,
    },
    rigName(rig),
  )
  if (edit && rigs.edit(edit)) {
    text.value = ''
    refused.value = ''
    isOpen.value = false
  } else refused.value = 'A show holds 300 songs: with these it would be more. Nothing was taken.'
}
</script>

<template>
  <Dialog v-model:visible="isOpen" modal header="Paste a show" :style="{ width: 'min(720px, 94vw)' }">
    <p id="paste-how">
      A song a line; its parts below it, each begun with a dash. Behind a name comes what you know: tempo,
      key, metre of a song; length of a part and the rest before it.
    </p>
    <textarea
      v-model="text"
      aria-label="Lines of the show"
      aria-describedby="paste-how"
      :placeholder="EXAMPLE"
      rows="10"
      spellcheck="false"
    />
    <p class="sum" role="status">
      <template v-if="read.songs.length > 0">
        {{ count(read.songs.length, 'song') }}, {{ fresh }} of them new, {{ count(parts, 'part') }}.
      </template>
      <template v-else>Nothing to take yet.</template>
    </p>
    <ul v-if="read.faults.length > 0" class="faults" aria-label="Not taken as it stands">
      <li v-for="(fault, n) in read.faults.slice(0, 100)" :key="n">
        <span class="mono">line {{ fault.line }}</span> {{ showFaultText(fault) }}
      </li>
      <li v-if="read.faults.length > 100">And {{ read.faults.length - 100 }} more.</li>
    </ul>
    <p v-if="refused" class="refused" role="alert">{{ refused }}</p>
    <template #footer>
      <Button label="Leave it" severity="secondary" variant="outlined" @click="isOpen = false" />
      <Button
        :label="`Take ${count(read.songs.length, 'song')}`"
        :disabled="read.songs.length === 0"
        @click="take"
      />
    </template>
  </Dialog>
</template>

<style scoped>
textarea {
  width: 100%;
  margin-top: 8px;
}

.sum {
  padding: 6px 0;
  font-weight: 600;
}

.faults {
  display: grid;
  gap: 3px;
  max-height: 180px;
  overflow: auto;
  color: var(--warning);
}

.faults .mono {
  margin-right: 8px;
}

.refused {
  color: var(--error);
}
</style>
