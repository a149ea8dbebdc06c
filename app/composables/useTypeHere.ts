import { onBeforeUnmount, onMounted } from 'vue'

let here: (() => void) | null = null

/** Where the key for typing what a switch does leads: the view that has a field for it says so while it is shown. */
export function useTypeHere(go: () => void): void {
  onMounted(() => {
    here = go
  })
  onBeforeUnmount(() => {
    if (here === go) here = null
  })
}

/** Goes there; false where the view in sight has no such field. */
export function typeHere(): boolean {
  here?.()
  return here !== null
}
