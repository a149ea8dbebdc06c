<script setup lang="ts">
import Button from 'primevue/button'
import { useFileDialog } from '@vueuse/core'

/** A button that asks for a file. */
const { label, accept } = defineProps<{ label: string; accept: string }>()
const emit = defineEmits<{ file: [file: File] }>()

const { open, onChange, reset } = useFileDialog({ multiple: false })
onChange((files) => {
  const [file] = files ?? []
  if (file) emit('file', file)
  // The same file again is asked for again.
  reset()
})
</script>

<template>
  <Button :label="label" size="small" severity="secondary" variant="outlined" @click="open({ accept })" />
</template>
