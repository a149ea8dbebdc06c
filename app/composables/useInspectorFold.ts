import { ref } from 'vue'

const isFolded = ref(false)

/** Whether the column for what is chosen is folded away, in every view. */
export function useInspectorFold() {
  return {
    isFolded,
    fold: () => {
      isFolded.value = !isFolded.value
    },
  }
}
