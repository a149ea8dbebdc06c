<script setup lang="ts" generic="Value extends string | number | boolean">
import { useId } from 'vue'

/** A few choices side by side, one chosen: arrow keys move, as among radio buttons. */
const {
  label,
  value,
  choices,
  isQuiet = false,
} = defineProps<{
  label: string
  value: Value
  choices: readonly { readonly value: Value; readonly text: string }[]
  /** The label is for readers of the screen only: what the choices are is plain. */
  isQuiet?: boolean
}>()
const emit = defineEmits<{ choose: [value: Value] }>()

const name = useId()
</script>

<template>
  <fieldset>
    <legend :class="{ unseen: isQuiet }">{{ label }}</legend>
    <div class="row">
      <label
        v-for="choice in choices"
        :key="String(choice.value)"
        :class="{ chosen: choice.value === value }"
      >
        <input
          type="radio"
          class="unseen"
          :name="name"
          :checked="choice.value === value"
          @change="emit('choose', choice.value)"
        />
        {{ choice.text }}
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0;
  margin-bottom: 3px;
  font-weight: 600;
  font-size: 12px;
  color: var(--ink-soft);
}

.row {
  display: inline-flex;
  border: 1px solid var(--line-strong);
  border-radius: var(--corner);
  background: var(--sheet);
}

label {
  position: relative;
  padding: 3px 12px;
  cursor: pointer;
}

label + label {
  border-left: 1px solid var(--line);
}

label:hover {
  background: var(--hover);
}

label.chosen {
  background: var(--chosen);
  color: var(--on-chosen);
  font-weight: 600;
}

label:has(:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
  z-index: 1;
}
</style>
