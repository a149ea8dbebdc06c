import type { ActionOf } from '../../rig/table/action'
import { without } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

/** The foot that holds the layer gives it back when it comes off: the floor does that. */
export const layer: ActionDoes<ActionOf<'layer'>> = {
  starts: () => ({ kind: 'layer', does: 'hold' }),
  asks: () => ['place'],
  steps: (_, { does }, { known, by }) => {
    const to =
      does === 'change' ? (known.layer === 'base' ? 'shift' : 'base') : does === 'base' ? 'base' : 'shift'
    return [{ kind: 'know', learned: { layer: to, heldBy: does === 'hold' ? by : null } }]
  },
  isLit: (_, __, known) => known.layer === 'shift',
  rows: (_, { does }) => [['layer', PANEL_LAYER.indexOf(does)]],
  leads: ({ does }) => (does === 'hold' ? 'held' : 'layer'),
  reads: (_, { words, isHold }) => {
    const said = without(words, 'shift', 'layer')
    if (!said) return []
    if (said.length === 0)
      return [{ action: { kind: 'layer', does: isHold ? 'hold' : 'change' }, isHeld: isHold, sureness: 6 }]
    return without(said, 'off', 'base', 'layer')?.length === 0
      ? [{ action: { kind: 'layer', does: 'base' }, sureness: 5 }]
      : []
  },
}

/** In the order of a panel's row. */
export const PANEL_LAYER = ['hold', 'change', 'shift', 'base'] as const
