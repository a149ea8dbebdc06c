import { own } from '#core/base'
import { type ActionOf, inOrder } from '#core/rig'
import { take, without } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

/** It is what it stands for. */
export const macro: ActionDoes<ActionOf<'macro'>> = {
  starts: (rig) => {
    const [first] = inOrder(rig.macros)
    return first ? { kind: 'macro', macroId: first.id } : null
  },
  steps: () => [],
  expands: (rig, { macroId }) => own(rig.macros, macroId)?.actions ?? [],
  reads: (rig, { words }) => {
    const rest = without(words, 'macro', 'run') ?? words
    return Object.values(rig.macros).flatMap(({ id, name }) => {
      const { left, fit } = take(rest, name)
      return fit === 0 || left.length > 0
        ? []
        : [{ action: { kind: 'macro' as const, macroId: id }, sureness: fit + 2 + (rest === words ? 0 : 2) }]
    })
  },
}
