import { ref } from 'vue'

/** What the inspector is about. Null: the view says what. */
export type Selection =
  /** `jack` as in the row; the controller's own where it is left out. */
  | { readonly kind: 'switch'; readonly bankId: string; readonly number: number; readonly jack?: string }
  | { readonly kind: 'macro'; readonly macroId: string }
  | { readonly kind: 'bank'; readonly bankId: string }
  | { readonly kind: 'device'; readonly deviceId: string }
  | { readonly kind: 'controller'; readonly controllerId: string }
  | { readonly kind: 'cable'; readonly cableId: string }
  /** `value` is one to try, as found by the search. */
  | { readonly kind: 'control'; readonly controlId: string; readonly value?: number }
  | { readonly kind: 'preset'; readonly deviceId: string; readonly index: number }
  | { readonly kind: 'pair'; readonly pairId: string }
  | { readonly kind: 'sound'; readonly soundId: string; readonly deviceId?: string }

/** The choice that shows a row of a table in the inspector. */
export function selectionOf(table: string, id: string): Selection | null {
  if (table === 'devices') return { kind: 'device', deviceId: id }
  if (table === 'controllers') return { kind: 'controller', controllerId: id }
  return table === 'cables' ? { kind: 'cable', cableId: id } : null
}

const selection = ref<Selection | null>(null)

export function useSelection() {
  return {
    selection,
    select: (next: Selection | null) => {
      selection.value = next
    },
  }
}
