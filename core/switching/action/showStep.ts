import { own } from '#core/base'
import {
  type Rig,
  playedParts,
  showOn,
  showPlace,
  showTarget,
  songsOf,
  type ActionOf,
  songTempo,
  type SongId,
  type SoundId,
} from '#core/rig'
import { take, without } from '../phrase/phrase'
import { storedTempo } from '../tempoNow'
import type { ActionDoes } from './actionDoes'
import { recallSound } from './recallSound'

type Step = ActionOf<'showStep'>

const step = (to: Step['to'], songId: SongId | null = null): Step => ({ kind: 'showStep', to, songId })

/**
 * The song's tempo where it comes to another song, then the sound of the part; a part without a sound sends nothing. The
 * bank stays. What is played meanwhile by other switches does not move the list.
 */
export const showStep: ActionDoes<Step> = {
  starts: (rig) => (soundsOf(rig, step('nextPart')).length > 0 ? step('nextPart') : null),
  asks: () => ['show'],
  goesInShow: ({ to, songId }) => ({ to, songId }),
  needs: 'showList',
  litBy: 'show',
  isVain: (rig, { to, songId }) =>
    showTarget(rig, null, to === 'song' ? 'song' : 'nextPart', songId) === null,
  mayChangeTempo: (rig, action) => {
    const show = showOn(rig)
    if (show !== null && songsOf(rig, show).some((song) => songTempo(song) !== null)) return 'song'
    return soundsOf(rig, action).some((soundId) =>
      recallSound.mayChangeTempo?.(rig, { kind: 'recallSound', soundId }),
    )
      ? 'sound'
      : null
  },
  steps: (rig, { to, songId }, doing) => {
    const { known } = doing
    const target = showTarget(rig, known.showAt, to, songId)
    if (!target) return []
    const { song, nth, soundId } = target
    const bpm = songTempo(song)
    const isNewSong = song.id !== known.songId || (known.showAt !== null && known.showAt.nth !== nth)
    return [
      {
        kind: 'know',
        learned: {
          showAt: showPlace(target),
          songId: song.id,
          ...(isNewSong && bpm !== null && storedTempo(bpm, { kind: 'song', songId: song.id })),
        },
      },
      ...(soundId === null ? [] : recallSound.steps(rig, { kind: 'recallSound', soundId }, doing)),
    ]
  },
  oneOf: (rig, action) => soundsOf(rig, action).map((soundId) => ({ kind: 'recallSound', soundId })),
  recalls: (rig, action) =>
    soundsOf(rig, action).flatMap(
      (soundId) => recallSound.recalls?.(rig, { kind: 'recallSound', soundId }) ?? [],
    ),
  isLit: (_, { to, songId }, { showAt }) => (to === 'song' ? showAt?.songId === songId : null),
  rows: (rig, { to, songId }, { keepsShow }) => {
    if (!keepsShow) return null
    const show = showOn(rig)
    const songs = show ? [...new Set(playedParts(rig, show).map(({ song }) => song.id))] : []
    const index = to === 'song' ? songs.findIndex((id) => id === songId) : 0
    return index < 0 ? null : [['show', PANEL_WHAT.indexOf(to), index]]
  },
  setsTempo: (rig, { to, songId }, { showAt, songId: now }) => {
    const target = showTarget(rig, showAt, to, songId)
    if (!target) return null
    const ofSound = own(rig.sounds, target.soundId ?? '')?.tempo ?? null
    if (ofSound !== null) return { bpm: ofSound, by: 'sound' }
    const bpm = target.song.id === now ? null : songTempo(target.song)
    return bpm === null ? null : { bpm, by: 'song' }
  },
  reads: (rig, { words }) => {
    const plain = (
      [
        ['nextPart', 'next', 'part'],
        ['previousPart', 'previous', 'part'],
        ['nextSong', 'next', 'song'],
        ['previousSong', 'previous', 'song'],
      ] as const
    ).find(([, ...said]) => words.length === 2 && said.every((word) => words.includes(word)))
    if (plain) return [{ action: step(plain[0]), sureness: 7 }]
    const said = without(words, 'song')
    if (!said || said.length === 0) return []
    return Object.values(rig.songs).flatMap(({ id, name }) => {
      const { left, fit } = take(said, name)
      return fit === 0 || left.length > 0 ? [] : [{ action: step('song', id), sureness: fit + 3 }]
    })
  },
}

/** The sounds of the parts it can lead to, each once. */
function soundsOf(rig: Rig, { to, songId }: Step): readonly SoundId[] {
  const show = showOn(rig)
  const parts = (show ? playedParts(rig, show) : []).filter(({ isFirstOfSong, song }) => {
    if (to === 'song') return isFirstOfSong && song.id === songId
    return to === 'nextPart' || to === 'previousPart' || isFirstOfSong
  })
  return [...new Set(parts.flatMap(({ soundId }) => (own(rig.sounds, soundId ?? '') ? soundId! : [])))]
}

/** In the order of a panel's row. */
const PANEL_WHAT = ['nextPart', 'previousPart', 'nextSong', 'previousSong', 'song']
