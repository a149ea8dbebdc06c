import type { ActionOf, Layer } from '#core/rig'
import { without } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

/** The foot that holds the layer gives it back when it comes off: the floor does that. */
export const layer: ActionDoes<ActionOf<'layer'>> = {
  starts: () => ({ kind: 'layer', does: 'hold' }),
  asks: () => ['place'],
  litBy: 'place',
  isAlike: () => true,
  brings: (_, { does }, { layer: now }) => ({ layer: layerAfter(does, now) }),
  steps: (_, { does }, { known, by }) => [
    { kind: 'know', learned: { layer: layerAfter(does, known.layer), heldBy: does === 'hold' ? by : null } },
  ],
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

const layerAfter = (does: ActionOf<'layer'>['does'], now: Layer): Layer =>
  does === 'base' || (does === 'change' && now === 'shift') ? 'base' : 'shift'

/** In the order of a panel's row. */
export const PANEL_LAYER = ['hold', 'change', 'shift', 'base'] as const
