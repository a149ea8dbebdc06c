import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

export const tempo: ActionText<ActionOf<'tempo'>> = {
  name: 'Tempo',
  lines: (_, { does, bpm }) =>
    ownLine(
      'Tempo',
      does === 'stored'
        ? 'back to the stored one'
        : does === 'set'
          ? `${bpm} bpm`
          : `${bpm > 0 ? '+' : '\u2212'}${Math.abs(bpm)} bpm`,
    ),
  short: (_, { does, bpm }) =>
    does === 'set' ? `${bpm} bpm` : does === 'stored' ? 'stored tempo' : 'tempo a little on',
}
