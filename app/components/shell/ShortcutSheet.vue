<script setup lang="ts">
import Dialog from 'primevue/dialog'
import type { Shortcut } from '~/composables/useShortcuts'

const { shortcuts } = defineProps<{ shortcuts: readonly Shortcut[] }>()
const isOpen = defineModel<boolean>({ required: true })
</script>

<template>
  <!-- There are more than a low window shows: what scrolls can be reached by keys. -->
  <Dialog
    v-model:visible="isOpen"
    modal
    header="Shortcuts"
    :draggable="false"
    :style="{ width: '440px' }"
    :pt="{ content: { tabindex: 0 } }"
  >
    <dl>
      <template v-for="shortcut in shortcuts" :key="shortcut.keys">
        <dt class="mono">{{ shortcut.shown }}</dt>
        <dd>{{ shortcut.does }}</dd>
      </template>
    </dl>
  </Dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 4px 12px;
}
</style>
