<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId, useTemplateRef } from 'vue'
import type { Device, Rig } from '#core/rig'
import { cellChoices, formatCell, parseCell } from '#core/sound'
import { cellRefusalText } from '~/text/sounds'

/** One line typed into a cell, read while it is typed: what it will be, or why not; and what can be meant. */
const { rig, device, initial, label } = defineProps<{
  rig: Rig
  device: Device
  initial: string
  label: string
}>()
const emit = defineEmits<{
  take: [text: string, move: 'down' | 'right' | 'left' | 'none']
  /** Left, and not understood. */
  keep: [text: string]
  cancel: []
}>()

const text = ref(initial)
const input = useTemplateRef('input')
const listId = useId()
/** The choice the arrow keys stand on; -1 for what is typed. */
const at = ref(-1)
const choices = computed(() => cellChoices(rig, device, text.value))
const read = computed(() => (text.value.trim() === '' ? null : parseCell(rig, device, text.value)))
const meaning = computed(() => {
  if (!read.value) return 'Empty: says nothing of it'
  return read.value.ok
    ? formatCell(rig, device, read.value.value)
    : cellRefusalText(read.value.refusal, device.name)
})
const isDone = ref(false)

onMounted(async () => {
  await nextTick()
  input.value?.focus()
  if (initial.length > 1) input.value?.select()
})

function take(move: 'down' | 'right' | 'left' | 'none'): void {
  const chosen = choices.value[at.value]
  if (chosen !== undefined) text.value = chosen
  at.value = -1
  if (isDone.value || (read.value && !read.value.ok)) return
  isDone.value = true
  emit('take', text.value, move)
}

function onKey(event: KeyboardEvent): void {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
  if (step !== undefined) {
    event.preventDefault()
    at.value = Math.max(-1, Math.min(choices.value.length - 1, at.value + step))
  } else if (event.key === 'Enter' || event.key === 'Tab') {
    event.preventDefault()
    take(event.key === 'Enter' ? 'down' : event.shiftKey ? 'left' : 'right')
  } else if (event.key === 'Escape') {
    event.preventDefault()
    isDone.value = true
    emit('cancel')
  }
  event.stopPropagation()
}

/** Left with the mouse: what can be read is taken, the rest stays as it was typed. */
function onBlur(): void {
  if (isDone.value) return
  isDone.value = true
  if (!read.value || read.value.ok) emit('take', text.value, 'none')
  else emit('keep', text.value)
}

function pick(choice: string): void {
  text.value = choice
  take('right')
}
</script>

<template>
  <div class="editor">
    <input
      ref="input"
      v-model="text"
      role="combobox"
      autocomplete="off"
      spellcheck="false"
      maxlength="400"
      :aria-label="label"
      :aria-expanded="choices.length > 0"
      :aria-controls="listId"
      :aria-activedescendant="at < 0 ? undefined : `${listId}-${at}`"
      :aria-invalid="read !== null && !read.ok"
      :aria-describedby="`${listId}-meaning`"
      @input="at = -1"
      @keydown="onKey"
      @blur="onBlur"
      @copy.stop
      @cut.stop
      @paste.stop
    />
    <div class="under">
      <p :id="`${listId}-meaning`" class="meaning" :class="{ bad: read && !read.ok }" role="status">
        {{ meaning }}
      </p>
      <ul :id="listId" role="listbox" :aria-label="`What ${device.name} can be`">
        <li
          v-for="(choice, n) in choices"
          :id="`${listId}-${n}`"
          :key="choice"
          role="option"
          tabindex="-1"
          :aria-selected="n === at"
          @mousedown.prevent="pick(choice)"
        >
          {{ choice }}
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.editor {
  position: absolute;
  z-index: 4;
  inset: -1px auto auto -1px;
  width: max(100% + 2px, 220px);
}

input {
  width: 100%;
  height: 30px;
  padding: 2px 8px;
  border: 2px solid var(--ink);
  border-radius: var(--corner) var(--corner) 0 0;
  background: var(--sheet);
  color: var(--ink);
  font-weight: 600;
  outline: none;
}

.under {
  border: 2px solid var(--ink);
  border-top: 0;
  background: var(--sheet);
  font-size: 12px;
}

.meaning {
  padding: 5px 8px;
  border-bottom: 1px solid var(--line);
  font-weight: 600;
}

.meaning.bad {
  color: var(--error);
}

ul {
  max-height: 168px;
  margin: 0;
  padding: 0;
  overflow: auto;
  list-style: none;
}

li {
  padding: 3px 8px;
  cursor: default;
}

li:hover,
li[aria-selected='true'] {
  background: var(--chosen);
  color: var(--on-chosen);
}
</style>
