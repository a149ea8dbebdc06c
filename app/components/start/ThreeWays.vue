<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import FilePick from '~/components/common/FilePick.vue'

/** Three ways to begin. */
const emit = defineEmits<{ build: [name: string]; demo: []; file: [file: File] }>()

const name = ref('')
</script>

<template>
  <ol class="ways" aria-label="Ways to begin">
    <li>
      <h3>Build it with me</h3>
      <p>Say what is on your floor. It comes cabled, powered and with channels.</p>
      <form @submit.prevent="emit('build', name)">
        <InputText v-model="name" aria-label="Name of the new rig" placeholder="Pit bass" maxlength="60" />
        <Button type="submit" label="Build it" size="small" :disabled="name.trim() === ''" />
      </form>
    </li>
    <li>
      <h3>Copy the demo</h3>
      <p>A bass player’s floor in the pit of “The Tidewright”, to step on and take apart.</p>
      <Button
        label="Copy the demo"
        size="small"
        severity="secondary"
        variant="outlined"
        @click="emit('demo')"
      />
    </li>
    <li>
      <h3>Open a file</h3>
      <p>A rig.json, all-rigs.zip with many, or a backup.</p>
      <FilePick
        label="Choose a file"
        accept=".json,.zip,application/json,application/zip"
        @file="emit('file', $event)"
      />
    </li>
  </ol>
</template>

<style scoped>
.ways {
  display: grid;
  gap: 10px;
}

li {
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 12px 14px;
  border: 1px solid var(--line);
  border-radius: var(--corner);
  background: var(--sheet);
}

h3 {
  font: 700 15px/1.3 var(--display);
  color: var(--ink);
}

p {
  color: var(--ink-soft);
  font-size: 13.5px;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  width: 100%;
}

form :deep(input) {
  flex: 1 1 140px;
  min-width: 0;
}
</style>
