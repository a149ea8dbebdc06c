<script setup lang="ts">
import Button from 'primevue/button'
import { computed, onUnmounted, ref } from 'vue'
import { sentBy, standInOf, type FootGesture, type StandInBox } from '#core/listen'
import { bytesOfHex } from '#core/midi'
import type { Controller, Rig } from '#core/rig'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { useListenStore } from '~/stores/listen'
import { usePlatform } from '~/platform/platform'
import { useMidiStore } from '~/stores/midi'

/** A simulated controller on the bench port: what it sends comes in as from a real one. */
const { rig, controller } = defineProps<{ rig: Rig; controller: Controller }>()

const listen = useListenStore()
const midi = useMidiStore()
const { clock } = usePlatform()

const box = ref<StandInBox>('keyedIn')
const held = computed(() => standInOf(rig, controller, box.value))

function step(gesture: FootGesture): number {
  const port = midi.outs.find(({ id }) => id === 'bench')
  const sent = sentBy(held.value, gesture)
  const from = midi.now() + 5
  for (const { ms, hex } of sent) port?.send(bytesOfHex(hex), from + ms)
  return sent.length
}

const gesture = computed(() => listen.askedFor)

/** It is stepped on as asked for, to the end. */
const isGoing = ref(false)
onUnmounted(() => (isGoing.value = false))
function stepOnce(): void {
  if (gesture.value && step(gesture.value) === 0) listen.nothingCame()
}
function stepAll(): void {
  isGoing.value = true
  goOn(null)
}
function goOn(before: string | null): void {
  const one = gesture.value
  if (!isGoing.value || !one || !listen.isOn || listen.asked === null) {
    isGoing.value = false
    return
  }
  // What was stepped on last is still being heard.
  if (listen.asked !== before) {
    const asked = listen.asked
    if (step(one) === 0) listen.nothingCame()
    clock.after(120, () => goOn(asked))
  } else clock.after(120, () => goOn(before))
}
</script>

<template>
  <fieldset class="stand">
    <legend>No controller at hand? A simulated one on the bench port</legend>
    <ChoiceField
      label="It holds"
      :value="box"
      :choices="[
        { value: 'keyedIn', text: 'what is keyed in so far' },
        { value: 'planned', text: 'the whole plan' },
        { value: 'slips', text: 'the plan with a few slips' },
      ]"
      @choose="box = $event"
    />
    <Button
      label="Step on it"
      size="small"
      severity="secondary"
      :disabled="!gesture || listen.mode !== 'inTurn' || isGoing"
      @click="stepOnce"
    />
    <Button
      v-if="!isGoing"
      label="Step on all"
      size="small"
      severity="secondary"
      :disabled="!gesture || listen.mode !== 'inTurn'"
      @click="stepAll"
    />
    <Button v-else label="Stop stepping" size="small" severity="secondary" @click="isGoing = false" />
  </fieldset>
</template>

<style scoped>
.stand {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 12px;
}
</style>
