import { own } from '#core/base'
import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

export const SHOW_STEP_TEXT = {
  nextPart: 'next part',
  previousPart: 'previous part',
  nextSong: 'next song',
  previousSong: 'previous song',
} as const

const SHORT = {
  nextPart: 'next part',
  previousPart: 'previous part',
  nextSong: 'next song',
  previousSong: 'previous song',
} as const

export const showStep: ActionText<ActionOf<'showStep'>> = {
  name: 'Step in the show',
  lines: (rig, { to, songId }) =>
    ownLine(
      'Show',
      to === 'song'
        ? `first of ${own(rig.songs, songId ?? '')?.name ?? 'a song that is gone'}`
        : SHOW_STEP_TEXT[to],
    ),
  short: (rig, { to, songId }) =>
    to === 'song' ? `first of ${own(rig.songs, songId ?? '')?.name ?? 'a song'}` : SHORT[to],
}
