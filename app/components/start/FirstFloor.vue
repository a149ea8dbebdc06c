<script setup lang="ts">
import { Minus, Plus } from '@lucide/vue'
import Button from 'primevue/button'
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { CONTROLLERS, DEVICES, type DeviceArchetype } from '#core/archetype'
import { applyEdit, links, type Rig } from '#core/rig'
import { firstFloor } from '#core/setup'
import { toneOf } from '~/charts/rigMap'
import { useRigStore } from '~/stores/rig'
import { count, listText } from '#shared/words/counts'

/** "Build it with me": which controller, which boxes; then the whole floor in one edit. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
const controllerKey = ref<string | null>(null)
const picked = ref<Record<string, number>>({})

const GROUPS: readonly { title: string; kinds: readonly DeviceArchetype['fields']['kind'][] }[] = [
  { title: 'Answers to MIDI', kinds: ['receiver'] },
  { title: 'Without MIDI', kinds: ['plain', 'pedal'] },
  { title: 'Passes messages on, or gives power', kinds: ['box', 'supply'] },
]
const groups = GROUPS.map(({ title, kinds }) => ({
  title,
  all: DEVICES.filter(({ fields }) => kinds.includes(fields.kind)),
}))
const many = (key: string) => picked.value[key] ?? 0
const put = (key: string, by: 1 | -1) =>
  (picked.value = { ...picked.value, [key]: Math.max(0, Math.min(16, many(key) + by)) })

const edit = computed(() => {
  const controller = CONTROLLERS.find(({ key }) => key === controllerKey.value)
  if (!controller) return null
  const devices = DEVICES.flatMap((kind) => Array.from({ length: many(kind.key) }, () => kind))
  return firstFloor(rig, { controller, devices }, () => nanoid(12))
})
/** What it will come to, worked out as it will be done. */
const comesTo = computed(() => {
  const after = edit.value && applyEdit(rig, edit.value)
  if (!after?.ok) return ''
  const laid = links(after.value)
  const power = laid.filter((link) => toneOf(link) === 'power').length
  const wanted = Object.values(picked.value).reduce((sum, n) => sum + n, 0)
  const more = Object.keys(after.value.devices).length - wanted
  return listText([
    count(wanted, 'box', 'boxes'),
    ...(more > 0 ? [`${count(more, 'more box', 'more boxes')} that it takes (thru boxes, supplies)`] : []),
    count(laid.length - power, 'cable'),
    ...(power > 0 ? [count(power, 'power cable')] : []),
  ])
})
</script>

<template>
  <div class="first">
    <fieldset>
      <legend>1. Which controller?</legend>
      <div class="cards">
        <label v-for="kind in CONTROLLERS" :key="kind.key" :class="{ chosen: controllerKey === kind.key }">
          <input
            v-model="controllerKey"
            type="radio"
            class="unseen"
            name="first-controller"
            :value="kind.key"
          />
          <span
            class="plate"
            :style="{ gridTemplateColumns: `repeat(${kind.fields.columns}, 9px)` }"
            aria-hidden="true"
          >
            <i v-for="n in kind.fields.rows * kind.fields.columns" :key="n" />
          </span>
          {{ kind.fields.name }}
        </label>
      </div>
    </fieldset>
    <fieldset>
      <legend>2. Which boxes are on your floor? Press once for each.</legend>
      <div v-for="group in groups" :key="group.title" class="group">
        <h3>{{ group.title }}</h3>
        <ul class="cards">
          <li v-for="kind in group.all" :key="kind.key" :class="{ chosen: many(kind.key) > 0 }">
            <button type="button" class="one" @click="put(kind.key, 1)">
              <Plus :size="14" aria-hidden="true" />
              {{ kind.fields.name }}
              <b v-if="many(kind.key) > 0" class="mono">{{ many(kind.key) }}</b>
            </button>
            <button
              v-if="many(kind.key) > 0"
              type="button"
              class="less"
              :aria-label="`One ${kind.fields.name} less`"
              @click="put(kind.key, -1)"
            >
              <Minus :size="14" aria-hidden="true" />
            </button>
          </li>
        </ul>
      </div>
    </fieldset>
    <div class="put">
      <p role="status">
        {{ edit ? `Comes to ${comesTo}.` : 'Choose the controller first.' }}
        <span v-if="edit" class="soft"
          >Each box is a usual one of its kind: set what differs by its manual.</span
        >
      </p>
      <Button label="Put it on the floor" :disabled="!edit" @click="rigs.edit(edit)" />
    </div>
  </div>
</template>

<style scoped>
.first {
  display: grid;
  gap: 14px;
}

fieldset {
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0 0 6px;
  font: 700 15px/1.3 var(--display);
}

h3 {
  padding: 6px 0 4px;
  font-size: 12px;
  font-weight: 600;
  color: var(--ink-soft);
}

.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(176px, 1fr));
  gap: 6px;
}

label,
li {
  position: relative;
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 36px;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
}

label {
  padding: 4px 10px;
  cursor: pointer;
}

.chosen {
  border-color: var(--ink);
  box-shadow: inset 3px 0 0 var(--ink);
  font-weight: 600;
}

label:has(:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.plate {
  display: grid;
  gap: 2px;
  padding: 4px;
  border-radius: 2px;
  background: var(--dock);
}

.plate i {
  height: 7px;
  border-radius: 1px;
  background: var(--tape);
}

.one {
  flex: 1;
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 34px;
  padding: 2px 10px;
  border: 0;
  background: none;
  font: inherit;
  text-align: left;
}

.one b {
  margin-left: auto;
}

.less {
  display: grid;
  place-items: center;
  align-self: stretch;
  width: 32px;
  border: 0;
  border-left: 1px solid var(--line);
  background: none;
}

.one:hover,
.less:hover,
label:hover {
  background: var(--hover);
}

.put {
  position: sticky;
  bottom: 0;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 14px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
  background: var(--ground);
}

.put p {
  display: grid;
}

.put :deep(button) {
  flex: none;
}

.soft {
  font-size: 12.5px;
  color: var(--ink-soft);
}
</style>
