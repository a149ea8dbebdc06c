<script setup lang="ts">
import { computed } from 'vue'
import type { Finding } from '#core/check'
import { links, type Rig } from '#core/rig'
import { layerOf, type Layer } from '~/charts/rigMap'
import FindingMark from '~/components/common/FindingMark.vue'
import type { Selection } from '~/composables/useSelection'
import { count } from '#shared/words/counts'
import { lengthText, partsText } from '#shared/cableText'

/** Every cable in words: what the map shows, for those who read it. */
const { rig, found, chosenId, layers } = defineProps<{
  rig: Rig
  found: readonly Finding[]
  chosenId: string | null
  layers: ReadonlySet<Layer>
}>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const all = computed(() => links(rig).filter((link) => layers.has(layerOf(link))))
const hidden = computed(() => links(rig).length - all.value.length)
const about = (id: string) => found.filter((one) => one.about.table === 'cables' && one.about.id === id)
</script>

<template>
  <section class="cables">
    <h2>
      {{ count(all.length, 'cable') }}
      <span v-if="hidden > 0" class="soft">and {{ count(hidden, 'more cable') }} not shown</span>
    </h2>
    <p v-if="all.length === 0" class="soft">
      None yet. Drag from a round jack of a box to another box, or plug in by the list of its jacks.
    </p>
    <ul v-else aria-label="Cables" tabindex="-1">
      <li v-for="{ cable, from, to } in all" :key="cable.id">
        <button
          type="button"
          :aria-pressed="chosenId === cable.id"
          :class="{ chosen: chosenId === cable.id }"
          @click="emit('choose', { kind: 'cable', cableId: cable.id })"
        >
          <span class="ends">
            <b>{{ from.box.name }}</b> {{ from.port.name }} <span aria-hidden="true">→</span
            ><span class="unseen">to</span> <b>{{ to.box.name }}</b> {{ to.port.name }}
          </span>
          <span class="mono parts">{{ partsText(cable) }}, {{ lengthText(cable.centimetres) }}</span>
          <FindingMark :found="about(cable.id)" />
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.cables {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  flex: 0 1 112px;
  min-height: 84px;
  border-top: 1px solid var(--line);
  padding-top: 6px;
}

h2 {
  font: 600 12px/1.5 var(--text);
  color: var(--ink-soft);
}

ul {
  min-height: 0;
  overflow: auto;
}

button {
  display: flex;
  align-items: center;
  gap: 10px;
  width: 100%;
  min-height: 25px;
  padding: 2px 6px;
  border: 0;
  border-bottom: 1px solid var(--line);
  background: none;
  text-align: left;
  font-size: 13px;
}

button:hover {
  background: var(--hover);
}

button:focus-visible {
  outline-offset: -2px;
}

.chosen {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--ink);
}

.ends {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

b {
  font-weight: 600;
}

.parts {
  flex: 0 1 auto;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 11.5px;
  color: var(--ink-soft);
}

.soft {
  font-weight: 400;
  color: var(--ink-soft);
}
</style>
