<script setup lang="ts">
import { computed, ref } from 'vue'
import { own } from '#core/base'
import {
  applyEdit,
  type BankId,
  type Controller,
  type Edit,
  type Layer,
  type Rig,
  type Show,
} from '#core/rig'
import { waysOfShow, type PartWay } from '#core/show'
import ChoiceField from '~/components/common/ChoiceField.vue'
import { bankText } from '#shared/actions/travel'
import BoardPath from './BoardPath.vue'

/** One bank from above as it is and as it would be, with the foot's ways over the whole show. */
const { rig, controller, show, edit } = defineProps<{
  rig: Rig
  controller: Controller
  show: Show
  /** What would move. */
  edit: Edit
}>()

const asked = computed((): Show => ({ ...show, stepsOn: 'sounds' }))
const then = computed(() => {
  const applied = applyEdit(rig, edit)
  return applied.ok ? applied.value : rig
})
const nowWays = computed(() => waysOfShow(rig, asked.value))
const thenWays = computed(() => waysOfShow(then.value, asked.value))

/** Presses by bank and layer. */
function pressed(ways: readonly PartWay[]): Map<string, number> {
  const all = new Map<string, number>()
  for (const { route } of ways)
    for (const { from } of route?.moves ?? []) {
      const key = `${from.bankId}/${from.layer}`
      all.set(key, (all.get(key) ?? 0) + 1)
    }
  return all
}
const spots = computed(() => {
  const [now, after] = [pressed(nowWays.value), pressed(thenWays.value)]
  const count = (key: string) => (now.get(key) ?? 0) + (after.get(key) ?? 0)
  return [...new Set([...after.keys(), ...now.keys()])]
    .sort((a, b) => count(b) - count(a))
    .map((value) => {
      const [bankId = '', layer = 'base'] = value.split('/')
      return { value, text: `${bankText(rig, bankId)}${layer === 'shift' ? ', shift layer' : ''}` }
    })
})
const wanted = ref<string | null>(null)
const spot = computed(() => spots.value.find(({ value }) => value === wanted.value) ?? spots.value[0] ?? null)
const at = computed(() => {
  const [bankId = '', layer = 'base'] = spot.value?.value.split('/') ?? []
  return own(rig.banks, bankId) ? { bankId: bankId as BankId, layer: layer as Layer } : null
})
</script>

<template>
  <section v-if="spot && at" aria-label="The board, now and then">
    <ChoiceField label="Bank" :value="spot.value" :choices="spots" @choose="wanted = $event" />
    <div class="both">
      <div>
        <h3>As it is</h3>
        <BoardPath :rig="rig" :controller="controller" v-bind="at" :ways="nowWays" />
      </div>
      <div>
        <h3>As it would be</h3>
        <BoardPath :rig="then" :controller="controller" v-bind="at" :ways="thenWays" />
      </div>
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  max-width: 820px;
}

.both {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 8px 20px;
}

section > :first-child {
  max-width: 260px;
}
</style>
