<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import FindingNote from '~/components/common/FindingNote.vue'
import { useRigStore } from '~/stores/rig'
import { count } from '#shared/words/counts'
import { switchPlace } from '~/text/sounds'

/** Lamps that can lie: the fewest steps that make each, to be played, and what would mend it. */
const rigs = useRigStore()
const lies = computed(() => {
  const { rig } = rigs
  if (!rig) return []
  return rigs.found.flatMap((one) => {
    const row = one.code === 'lyingLamp' ? own(rig.switches, one.about.id) : undefined
    return row ? [{ one, place: switchPlace(rig, row) }] : []
  })
})
const state = computed(() => {
  if (rigs.isSearchLost) return 'Whether a lamp can lie could not be looked for: it is not known.'
  if (rigs.search !== null) return `Looking for lamps that can lie: ${Math.round(rigs.search * 100)} %.`
  const unknown = rigs.unknownLamps.length
  const known =
    lies.value.length === 0
      ? 'No lamp was found that can lie.'
      : `${count(lies.value.length, 'lamp')} can lie.`
  return unknown === 0
    ? known
    : `${known} Of ${unknown} more it is not known: there is more that can happen than was looked through.`
})
</script>

<template>
  <div class="lamps">
    <p class="soft" role="status">
      {{ state }} Counted from power-on, each step made in peace: what comes of hurrying is shown by the floor
      itself.
    </p>
    <ul v-if="lies.length > 0" aria-label="Lamps that can lie" tabindex="0">
      <li v-for="{ one, place } in lies" :key="one.about.id">
        <p class="soft">{{ place }}</p>
        <FindingNote :finding="one" @fix="rigs.edit(one.fix ?? null)" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.lamps {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-height: 0;
  overflow: auto;
}

ul {
  display: grid;
  gap: 6px;
}

.soft {
  color: var(--dock-soft);
  font-size: 12px;
}
</style>
