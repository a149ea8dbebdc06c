<script setup lang="ts">
import { ref, watch } from 'vue'
import { cutText, letterCount } from '#core/base'
import { useTakeOnLeave } from '~/composables/useTakeOnLeave'

/** The label tape, written on in place: taken when left or on Enter, put back with Escape. */
const { label, name, max } = defineProps<{
  label: string
  /** What it is called without one: after its sound. */
  name: string
  /** Letters the controller's display holds; null when it has none. */
  max: number | null
}>()
const emit = defineEmits<{ take: [label: string] }>()

const draft = ref(label)
watch(
  () => label,
  (next) => {
    draft.value = next
  },
)

function take(): void {
  if (draft.value.trim() !== label) emit('take', draft.value.trim())
}
const leave = useTakeOnLeave(take)
</script>

<template>
  <div>
    <input
      v-model="draft"
      class="tape"
      aria-label="Label"
      :placeholder="name || 'Name this switch'"
      maxlength="60"
      @blur="leave"
      @keydown.enter="take"
      @keydown.escape="draft = label"
    />
    <p v-if="max !== null && letterCount(draft) > max" class="long" role="status">
      The controller shows {{ max }} letters: "{{ cutText(draft, max) }}"
    </p>
  </div>
</template>

<style scoped>
.tape {
  width: 100%;
  padding: 4px 10px;
  border: 0;
  border-radius: 0;
  background: var(--tape);
  color: var(--tape-ink);
  font: 700 19px/1.3 var(--display);
}

.tape::placeholder {
  color: var(--tape-ink);
  opacity: 0.62;
}

.long {
  padding-top: 3px;
  color: var(--warning);
  font-size: 12px;
}
</style>
