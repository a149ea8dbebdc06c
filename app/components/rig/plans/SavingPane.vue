<script setup lang="ts">
import { computed } from 'vue'
import { boxes, type Rig } from '#core/rig'
import CautionLine from '~/components/common/CautionLine.vue'
import { selectionOf, type Selection } from '~/composables/useSelection'
import { SAVING_TEXT } from '~/text/saving'

/** Which places keep what was set, how each saves, and what loses it. */
const { rig } = defineProps<{ rig: Rig }>()
const emit = defineEmits<{ choose: [selection: Selection] }>()

const rows = computed(() => boxes(rig).filter((box) => !('kind' in box) || box.kind === 'receiver'))
</script>

<template>
  <div class="tab-pane" role="tabpanel" tabindex="0" aria-label="Where things are saved">
    <CautionLine caution="saveFirst" />
    <p v-if="rows.length === 0">Nothing here keeps anything yet.</p>
    <table v-else>
      <caption class="unseen">
        How each box saves
      </caption>
      <thead>
        <tr>
          <th scope="col">Box</th>
          <th scope="col">Keeps what is set</th>
          <th scope="col">Loses it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="box in rows" :key="box.id">
          <th scope="row">
            <button
              type="button"
              class="word"
              @click="emit('choose', selectionOf('kind' in box ? 'devices' : 'controllers', box.id)!)"
            >
              {{ box.name }}
            </button>
          </th>
          <td>{{ SAVING_TEXT[box.saving.how] }}</td>
          <td>
            {{
              box.saving.losesEdits
                ? 'When another preset or bank is called before saving'
                : box.saving.how === 'powerOff'
                  ? 'When the power is pulled instead of switched off'
                  : 'Only by a factory reset'
            }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
