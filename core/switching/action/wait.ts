import type { ActionOf } from '#core/rig'
import { onlyNumber, without } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

export const wait: ActionDoes<ActionOf<'wait'>> = {
  starts: () => ({ kind: 'wait', ms: 50 }),
  steps: (_, { ms }) => [{ kind: 'wait', microseconds: ms * 1000 }],
  waits: ({ ms }) => ms,
  rows: (_, { ms }) => [['wait', ms]],
  reads: (_, { words }) => {
    const said = without(words, 'wait')
    if (!said) return []
    const ms = onlyNumber(said.filter((word) => word !== 'ms').map((word) => word.replace(/ms$/, '')))
    return ms !== null && Number.isInteger(ms) && ms >= 1 && ms <= 10_000
      ? [{ action: { kind: 'wait', ms }, sureness: 6 }]
      : []
  },
}
