import type { ActionOf } from '#core/rig'
import { sendWants } from '#core/sound'
import { believedWants } from '../believedWants'
import { without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import type { ActionDoes } from './actionDoes'

/** For each device the preset last recalled, the values and contacts last sent. What changes over by itself is not sent. */
export const resync: ActionDoes<ActionOf<'resync'>> = {
  starts: () => ({ kind: 'resync' }),
  asks: () => ['all'],
  steps: (rig, _, { controller, known }) =>
    sendWants(rig, believedWants(rig, known), controller) as readonly ActionStep[],
  rows: () => [['again']],
  reads: (_, { words }) =>
    without(words, 'resync', 'resend')?.filter((word) => word !== 'all').length === 0
      ? [{ action: { kind: 'resync' }, sureness: 7 }]
      : [],
}
