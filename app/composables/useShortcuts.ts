import { tinykeys } from 'tinykeys'
import { onBeforeUnmount, onMounted } from 'vue'

/** One line of the table of shortcuts: what the player reads and what the keys do. */
export interface Shortcut {
  /** As tinykeys writes it. */
  readonly keys: string
  /** As the player reads it. */
  readonly shown: string
  readonly does: string
  readonly run: () => void
  /** What lifting the key does. */
  readonly lift?: () => void
}

/** Keys typed into a field, or into an open list or dialog, are not for us; those with Ctrl or Command are, except in fields. */
function isForField({ target, ctrlKey, metaKey }: KeyboardEvent): boolean {
  if (!(target instanceof Element)) return false
  // What is typed over a table is written into its cell.
  if (!ctrlKey && !metaKey && target.closest('[role="grid"]')) return true
  return (
    target.closest(
      // A box that is ticked takes no letters: keys go on working after it.
      'input:not([type="checkbox"], [type="radio"], [type="button"], [type="range"]), textarea, select, [contenteditable], [role="combobox"], [role="listbox"], [role="menu"], [role="dialog"]',
    ) !== null
  )
}

/** Listens while the component is mounted. */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const stops: (() => void)[] = []
  onMounted(() => {
    const down = Object.fromEntries(shortcuts.map(({ keys, run }) => [keys, unlessField(run)]))
    const up = Object.fromEntries(
      // A key that went down outside a field may come up inside one.
      shortcuts.flatMap(({ keys, lift }) => (lift ? [[keys, lift] as const] : [])),
    )
    stops.push(tinykeys(window, down), tinykeys(window, up, { event: 'keyup' }))
  })
  onBeforeUnmount(() => stops.forEach((stop) => stop()))
}

const unlessField = (run: () => void) => (event: KeyboardEvent) => {
  if (event.repeat || isForField(event)) return
  event.preventDefault()
  run()
}
