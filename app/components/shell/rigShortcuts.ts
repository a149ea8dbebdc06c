import type { Shortcut } from '~/composables/useShortcuts'
import type { useFloorStore } from '~/stores/floor'
import type { useRigStore } from '~/stores/rig'
import { typeHere } from '~/composables/useTypeHere'
import { keyOf } from '~/text/keys'
import { STAGES } from '~/text/stages'

interface Reach {
  readonly rigs: ReturnType<typeof useRigStore>
  readonly floor: ReturnType<typeof useFloorStore>
  readonly goTo: (page: string) => void
  readonly foldInspector: () => void
  readonly raiseFloor: () => void
  readonly showShortcuts: () => void
}

/** Every key that works wherever a rig is open: the one table, run by the shell and shown to the player. */
export function rigShortcuts({
  rigs,
  floor,
  goTo,
  foldInspector,
  raiseFloor,
  showShortcuts,
}: Reach): Shortcut[] {
  return [
    ...Array.from({ length: 10 }, (_, n) => ({
      // By place on the keyboard as well: a French one has other signs there, and its digits with Shift.
      keys: `(${keyOf(n + 1)!}|Digit${keyOf(n + 1)!})`,
      shown: keyOf(n + 1)!,
      does: `Step on switch ${n + 1}; hold the key to hold it`,
      run: () => floor.press(n + 1),
      lift: () => floor.release(n + 1),
    })),
    { keys: '[', shown: '[', does: 'Previous bank', run: () => floor.turnBank(-1) },
    { keys: ']', shown: ']', does: 'Next bank', run: () => floor.turnBank(1) },
    { keys: 'c', shown: 'C', does: "Stop the floor's clock, or let it run", run: () => floor.togglePause() },
    {
      keys: 'b',
      shown: 'B',
      does: 'Tap the tempo',
      run: () => floor.perform({ kind: 'tap', controlId: null }),
    },
    { keys: '.', shown: '.', does: 'To the next thing due on the floor', run: () => floor.stepOn() },
    { keys: 'k', shown: 'K', does: 'Raise the floor, or lower it', run: raiseFloor },
    ...STAGES.map(({ name, page, key }) => ({
      keys: key,
      shown: key.toUpperCase(),
      does: `Go to ${name}`,
      run: () => goTo(page),
    })),
    {
      keys: 'e',
      shown: 'E',
      does: 'Type what the chosen switch does; Escape goes back to the switches',
      run: () => {
        if (!typeHere()) goTo('switches')
      },
    },
    { keys: 'i', shown: 'I', does: 'Fold the panel at the right away, or show it again', run: foldInspector },
    { keys: '$mod+z', shown: 'Ctrl Z', does: 'Undo', run: () => void rigs.undo() },
    { keys: '$mod+Shift+z', shown: 'Ctrl Shift Z', does: 'Redo', run: () => void rigs.redo() },
    { keys: 'Shift+?', shown: '?', does: 'Show these shortcuts', run: showShortcuts },
  ]
}
