import { ref } from 'vue'

/** What the inspector is about. Null: the view says what. */
export type Selection =
  | { readonly kind: 'switch'; readonly bankId: string; readonly number: number }
  | { readonly kind: 'bank'; readonly bankId: string }
  | { readonly kind: 'device'; readonly deviceId: string }
  | { readonly kind: 'controller'; readonly controllerId: string }

const selection = ref<Selection | null>(null)

export function useSelection() {
  return {
    selection,
    select: (next: Selection | null) => {
      selection.value = next
    },
  }
}
