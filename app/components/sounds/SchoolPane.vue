<script setup lang="ts">
import { computed } from 'vue'
import { own } from '#core/base'
import { ABOUT_ID, editRow, SCHOOLS, type About, type Rig } from '#core/rig'
import { useRigStore } from '~/stores/rig'
import { SCHOOL_TEXT } from '~/text/sayings/sounds'

/** How the player makes sounds: advice follows it, nothing is forced. */
const { rig } = defineProps<{ rig: Rig }>()

const rigs = useRigStore()
const about = computed(() => own(rig.about, ABOUT_ID))
const change = (fields: Partial<About>) => rigs.edit(editRow(rig, 'setSchool', 'about', ABOUT_ID, fields))
const UNSAID = [
  { value: 'leave', name: 'is left alone', is: 'A device a sound does not speak of stays as it is.' },
  {
    value: 'rest',
    name: 'goes back to rest',
    is: 'It goes back to its rest, where it has one; each press sends that too.',
  },
] as const
</script>

<template>
  <div class="pane">
    <fieldset>
      <legend>How you make sounds</legend>
      <label v-for="school in SCHOOLS" :key="school">
        <input
          type="radio"
          name="school"
          :value="school"
          :checked="about?.school === school"
          @change="change({ school })"
        />
        <span>
          <b>{{ SCHOOL_TEXT[school].name }}</b>
          <span>{{ SCHOOL_TEXT[school].is }}</span>
          <span class="soft">{{ SCHOOL_TEXT[school].costs }}</span>
        </span>
      </label>
    </fieldset>
    <fieldset>
      <legend>A device that a sound does not speak of</legend>
      <label v-for="one in UNSAID" :key="one.value">
        <input
          type="radio"
          name="unsaid"
          :value="one.value"
          :checked="about?.unsaid === one.value"
          @change="change({ unsaid: one.value })"
        />
        <span>
          <b>{{ one.name }}</b>
          <span>{{ one.is }}</span>
        </span>
      </label>
    </fieldset>
  </div>
</template>

<style scoped>
.pane {
  flex: 1 1 0;
  display: grid;
  align-content: start;
  gap: 16px;
  max-width: 640px;
  min-height: 0;
  overflow: auto;
  padding: 14px 2px;
}

fieldset {
  display: grid;
  gap: 9px;
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0 0 6px;
  font: 700 16px/1.3 var(--display);
}

label {
  display: flex;
  gap: 10px;
  align-items: baseline;
}

label > span {
  display: grid;
}
</style>
