<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { own } from '#core/base'
import { useDock } from '~/composables/useDock'
import { useFloorStore } from '~/stores/floor'
import { useRigStore } from '~/stores/rig'
import { causeText, lieText } from '~/text/lies'

/** The first lamp that says what is not so: what is, since when and why, and the way to put it right. */
const floor = useFloorStore()
const rigs = useRigStore()
const { isTall } = useDock()
const tick = useNow({ interval: 1000 })

const settled = computed(() => floor.lies.filter(({ isMoving }) => !isMoving))
const first = computed(() => settled.value[0] ?? null)
const text = computed(() => {
  const one = first.value
  const { rig } = rigs
  if (!one || !rig) return ''
  const by = own(rig.switches, one.cause?.by ?? '')
  const name = floor.nameOf(one.footswitch) || `switch ${one.footswitch.number}`
  // Told again as time goes by.
  void tick.value
  const cause = causeText(rig, one.cause, floor.now(), by ? floor.nameOf(by) || `switch ${by.number}` : '')
  return `${name}: ${lieText(rig, one.truth, one.claim)} ${cause}`
})
const found = computed(() =>
  rigs.found.find(({ code, about }) => code === 'lyingLamp' && about.id === first.value?.footswitch.id),
)
</script>

<template>
  <div v-if="first" class="lie" :class="{ tall: isTall }" role="status">
    <p :title="text">
      {{ text }}<template v-if="settled.length > 1"> And {{ settled.length - 1 }} more.</template>
    </p>
    <button type="button" @click="floor.putRight()">Put right</button>
    <button v-if="found?.fix" type="button" @click="rigs.edit(found.fix)">Cure it</button>
  </div>
</template>

<style scoped>
.lie {
  display: flex;
  align-items: flex-start;
  gap: 6px;
  font-size: 12px;
  line-height: 16px;
}

p {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--dock-fault);
}

.tall p {
  white-space: normal;
  max-height: 96px;
  overflow: auto;
}

button {
  flex: none;
  min-height: 24px;
  padding: 0 6px;
  border: 1px solid var(--dock-line);
  border-radius: var(--corner);
  background: var(--dock-sheet);
  font-size: 12px;
  white-space: nowrap;
}
</style>
