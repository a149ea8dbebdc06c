<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { Rig } from '#core/rig'
import { useFollowStore } from '~/stores/follow'
import { useMidiStore } from '~/stores/midi'
import { heardText } from '~/text/practice'
import { MIDI_TEXT } from '~/text/midi'
import { count } from '#shared/words/counts'

/** The floor follows a real controller on a MIDI input, or only what is done here. */
const { rig } = defineProps<{ rig: Rig }>()

const follow = useFollowStore()
const midi = useMidiStore()
const away = computed(() => (midi.state === 'open' || midi.state === 'unasked' ? '' : MIDI_TEXT[midi.state]))
const inputs = computed(() => midi.ins.map(({ name }) => name).join(', '))
</script>

<template>
  <section class="follow" aria-label="A real controller">
    <h3>A real controller</h3>
    <template v-if="follow.isOn">
      <p role="status">
        Following {{ inputs || 'no MIDI input yet: plug one in' }}.
        {{ count(follow.messages, 'message') }} in.
      </p>
      <p v-if="follow.heard" class="heard" role="status">{{ heardText(rig, follow.heard) }}</p>
      <p class="soft">
        Banks turn without a message: where a step could have been made in several, it is taken for the bank
        shown here. Nothing is sent to real gear from here meanwhile.
      </p>
      <p><Button label="Stop following" size="small" severity="secondary" @click="follow.end" /></p>
    </template>
    <template v-else>
      <p class="soft">
        Connect its MIDI out: the floor, the stage and practice then follow the real one’s steps, told by what
        they send.
      </p>
      <p v-if="away" class="soft" role="status">{{ away }}</p>
      <p>
        <Button
          label="Follow the real one"
          size="small"
          severity="secondary"
          :disabled="midi.state === 'none' || midi.state === 'insecure'"
          @click="follow.start"
        />
      </p>
    </template>
  </section>
</template>

<style scoped>
.follow {
  display: grid;
  gap: 8px;
  margin-top: 14px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

.heard {
  font-weight: 600;
}
</style>
