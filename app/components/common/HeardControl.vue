<script setup lang="ts">
import { ref } from 'vue'
import { useRealPedal } from '~/composables/useRealPedal'
import { useMidiStore } from '~/stores/midi'

/** Turn or step on the real thing: the controller number that moves names itself. */
const { number } = defineProps<{
  /** The number it is now. */
  number: number
}>()
const emit = defineEmits<{ take: [number: number] }>()

const midi = useMidiStore()
const isOn = ref(false)
/** What moved, and on which channel; null until something does. */
const heard = ref<{ readonly controller: number; readonly channel: number } | null>(null)

/** Bank select goes along with programs: it names nothing that moves. */
const ASIDE = [0, 32]
useRealPedal(
  () => isOn.value,
  ({ controller, channel }) => {
    if (ASIDE.includes(controller)) return
    heard.value = { controller, channel }
  },
)

async function listen(): Promise<void> {
  heard.value = null
  isOn.value = true
  await midi.open()
}

function take(): void {
  if (heard.value) emit('take', heard.value.controller)
  isOn.value = false
}
</script>

<template>
  <p class="heard">
    <button v-if="!isOn" type="button" class="word" @click="listen">Hear the number</button>
    <template v-else>
      <span role="status">
        {{
          heard
            ? `CC ${heard.controller} moved, on channel ${heard.channel}${heard.controller === number ? ': that is it' : ''}.`
            : 'Move the real one: its number is listened for.'
        }}
      </span>
      <button v-if="heard && heard.controller !== number" type="button" class="word" @click="take">
        Take CC {{ heard.controller }}
      </button>
      <button type="button" class="word" @click="isOn = false">Stop</button>
    </template>
  </p>
</template>

<style scoped>
.heard {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  font-size: 12.5px;
}
</style>
