import type { ActionOf } from '#core/rig'
import { without, type PhraseReading } from '../phrase/phrase'
import type { ActionStep } from '../step'
import type { ActionDoes } from './actionDoes'

/** Start FA, continue FB, stop FC; the clock itself goes on from what the controller knows (M1 v4.2.1, from memory). */
export const clock: ActionDoes<ActionOf<'clock'>> = {
  starts: () => ({ kind: 'clock', does: 'change' }),
  asks: () => ['clock'],
  steps: (_, { does }, { known }) => {
    const kind = does === 'change' ? (known.clock ? 'stop' : 'start') : does
    const message: ActionStep = { kind: 'send', deviceId: null, message: { kind } }
    const learned: ActionStep = { kind: 'know', learned: { clock: kind !== 'stop' } }
    return [message, learned]
  },
  isLit: (_, __, known) => known.clock,
  litBy: 'clock',
  needs: 'clock',
  rows: (_, { does }) => [['clock', ['start', 'stop', 'continue', 'change'].indexOf(does)]],
  reads: (_, { words, isHold }) => {
    const said = without(words, 'clock')
    if (!said) return []
    const of = (does: ActionOf<'clock'>['does']): PhraseReading => ({
      action: { kind: 'clock', does },
      sureness: 5,
    })
    if (said.length === 0) return isHold ? [{ ...of('start'), release: of('stop').action }] : [of('change')]
    return (['start', 'stop', 'continue'] as const).flatMap((does) =>
      without(said, does)?.length === 0 ? [of(does)] : [],
    )
  },
}
