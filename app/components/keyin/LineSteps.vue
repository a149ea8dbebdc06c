<script setup lang="ts">
import { computed } from 'vue'
import { keyingOf, type KeyInLine } from '#core/keyin'
import type { Controller, Rig } from '#core/rig'
import { actionText } from '#shared/actions'
import { holdsText, stepText, strokesText } from '#shared/keyInText'

/** Every press of one line, with what the display shows then. */
const { rig, controller, line } = defineProps<{ rig: Rig; controller: Controller; line: KeyInLine }>()

const keying = computed(() => keyingOf(controller))
const steps = computed(() =>
  line.steps.map((step) => ({
    text: stepText(step),
    keys: strokesText(controller, keying.value, step.strokes),
    shows: step.shows,
  })),
)
const left = computed(() => line.unit?.left.flatMap(({ actions }) => actions) ?? [])
</script>

<template>
  <div class="steps">
    <p class="soft">Holds then: {{ holdsText(rig, controller, line) }}</p>
    <p v-if="left.length > 0" class="left">
      Cannot be keyed in at this front panel: {{ left.map((action) => actionText(rig, action)).join('; ') }}.
      See the controller’s manual.
    </p>
    <p v-if="(line.unit?.over ?? 0) > 0" class="left">
      {{ line.unit!.over }} more than a list has room for: left out.
    </p>
    <table>
      <thead>
        <tr>
          <th scope="col">For</th>
          <th scope="col">Press</th>
          <th scope="col">Display</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(step, n) in steps" :key="n">
          <td>{{ step.text }}</td>
          <td class="keys">{{ step.keys || 'nothing' }}</td>
          <td>
            <span v-if="step.shows !== null" class="shows mono">{{ step.shows || ' ' }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.steps {
  grid-column: 1 / -1;
  display: grid;
  gap: 6px;
  padding: 4px 8px 12px 34px;
}

.keys {
  font-weight: 600;
}

.shows {
  padding: 1px 7px;
  border-radius: 2px;
  background: var(--dock);
  color: var(--dock-ink);
  white-space: pre;
}

.left {
  color: var(--warning);
}

td {
  padding: 3px 8px;
}

@media (max-width: 620px) {
  .steps {
    padding: 4px 4px 12px;
  }

  .keys {
    font-size: 16px;
  }

  .shows {
    white-space: normal;
  }
}
</style>
