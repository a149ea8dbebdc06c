<script setup lang="ts">
import { Check, X } from '@lucide/vue'
import { computed } from 'vue'
import { CONTROLLERS } from '#core/archetype'
import { inOrder, type Rig } from '#core/rig'
import { abilityFor, lacking, requirements } from '#core/switching'
import { NEED_TEXT } from '~/text/sayings/control'

/** What the rig asks of a foot controller, what this one has, and which kind would do. */
const { rig } = defineProps<{ rig: Rig }>()

const controller = computed(() => inOrder(rig.controllers)[0] ?? null)
const asked = computed(() => (controller.value ? requirements(rig, controller.value) : []))
const kinds = computed(() =>
  CONTROLLERS.map(({ key, fields }) => ({
    key,
    name: fields.name,
    has: asked.value.map(({ need, wanted }) => {
      const has = abilityFor(fields, need)
      return { need, has, isEnough: has >= wanted }
    }),
    lacks: lacking(fields, asked.value),
  })),
)
const own = computed(() =>
  asked.value.map((one) => {
    const has = abilityFor(controller.value!, one.need)
    return { ...one, has, isEnough: has >= one.wanted }
  }),
)
</script>

<template>
  <div class="tab-pane" role="tabpanel" tabindex="0" aria-label="Controller">
    <p v-if="!controller">
      There is no foot controller yet. Add one, and what the rig asks of it is counted here.
    </p>
    <p v-else-if="asked.length === 0">The rig asks nothing of a controller yet.</p>
    <table v-else>
      <caption>
        What the rig asks, and which kind of controller would do
      </caption>
      <thead>
        <tr>
          <th scope="col">The rig asks for</th>
          <th scope="col" class="figure">Wanted</th>
          <th scope="col" class="figure own">{{ controller.name }}</th>
          <th v-for="kind in kinds" :key="kind.key" scope="col" class="figure">
            {{ kind.name.replace(' controller', '').replace(' with', ',') }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(one, n) in own" :key="one.need">
          <th scope="row">
            {{ NEED_TEXT[one.need] }}
            <span v-if="one.by.length > 0" class="soft">{{ one.by.join(', ') }}</span>
          </th>
          <td class="mono figure">{{ one.wanted }}</td>
          <td class="mono figure own" :class="{ bad: !one.isEnough }">
            {{ one.has }} <component :is="one.isEnough ? Check : X" :size="13" aria-hidden="true" />
            <span class="unseen">{{ one.isEnough ? 'enough' : 'too few' }}</span>
          </td>
          <td
            v-for="kind in kinds"
            :key="kind.key"
            class="mono figure"
            :class="{ bad: !kind.has[n]!.isEnough }"
          >
            {{ kind.has[n]!.has }}
            <span v-if="!kind.has[n]!.isEnough"
              ><X :size="13" aria-hidden="true" /><span class="unseen">too few</span></span
            >
          </td>
        </tr>
        <tr class="sum">
          <th scope="row">Would do</th>
          <td />
          <td class="figure own">{{ own.every(({ isEnough }) => isEnough) ? 'yes' : 'no' }}</td>
          <td v-for="kind in kinds" :key="kind.key" class="figure">
            {{ kind.lacks.length === 0 ? 'yes' : 'no' }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="soft">Contacts are counted one by one. A shared jack counts for each of its roles.</p>
  </div>
</template>

<style scoped>
caption {
  text-align: left;
  color: var(--ink-soft);
}

th {
  vertical-align: bottom;
}

th .soft {
  display: block;
  font-weight: 400;
  font-size: 12px;
}

.figure {
  text-align: right;
}

.own {
  background: var(--sheet);
}

.bad {
  color: var(--error);
  font-weight: 700;
}

.sum {
  font-weight: 700;
}
</style>
