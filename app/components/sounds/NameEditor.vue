<script setup lang="ts">
import { nextTick, onMounted, ref, useTemplateRef } from 'vue'

/** The name of a sound, written on its tape. */
const { initial } = defineProps<{ initial: string }>()
const emit = defineEmits<{ take: [text: string, move: 'down' | 'right' | 'left' | 'none']; cancel: [] }>()

const text = ref(initial)
const input = useTemplateRef('input')
const isDone = ref(false)

onMounted(async () => {
  await nextTick()
  input.value?.focus()
  if (initial.length > 1) input.value?.select()
})

function leave(move: 'down' | 'right' | 'left' | 'none'): void {
  if (isDone.value) return
  isDone.value = true
  if (text.value.trim() === '') emit('cancel')
  else emit('take', text.value.trim(), move)
}

function onKey(event: KeyboardEvent): void {
  event.stopPropagation()
  if (event.key === 'Enter' || event.key === 'Tab') {
    event.preventDefault()
    leave(event.key === 'Enter' ? 'down' : event.shiftKey ? 'left' : 'right')
  } else if (event.key === 'Escape') {
    event.preventDefault()
    isDone.value = true
    emit('cancel')
  }
}
</script>

<template>
  <input
    ref="input"
    v-model="text"
    class="tape"
    aria-label="Name of the sound"
    maxlength="60"
    autocomplete="off"
    @keydown="onKey"
    @blur="leave('none')"
    @copy.stop
    @cut.stop
    @paste.stop
  />
</template>

<style scoped>
.tape {
  width: 100%;
  height: 28px;
  padding: 1px 9px;
  border: 2px solid var(--ink);
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 14px/1.4 var(--display);
}
</style>
