import { own } from '../base/own'
import type { Rig } from '../rig/rig'
import { switchesHere } from '../rig/switchesHere'
import type { Action } from '../rig/table/action'
import { showTarget } from '../rig/showOrder'
import { songTempo } from '../rig/table/song'
import { actionLists, type SwitchId } from '../rig/table/switch'
import { destination } from './action/travel'
import { expanded } from './action'
import type { SwitchEvent } from './compile'
import type { Known } from './known'

/** Something under the foot that would change the tempo. */
export interface TempoMove {
  readonly switchId: SwitchId
  readonly event: SwitchEvent
  /** The tempo it leads to; null where that hangs on the foot or on what holds then. */
  readonly bpm: number | null
  readonly by: 'tap' | 'nudge' | 'set' | 'stored' | 'sound' | 'song'
}

/** What changes the tempo from here, switch by switch: taps and nudges override, the rest is stored. */
export function tempoMoves(rig: Rig, known: Known): TempoMove[] {
  if (known.bankId === null) return []
  return [...switchesHere(rig, known.bankId, known.layer).values()].flatMap((footswitch) =>
    actionLists(footswitch).flatMap(({ path, actions }): TempoMove[] => {
      const last = expanded(rig, actions)
        .flatMap(({ action }) => moveOf(rig, action, known))
        .at(-1)
      const event = path[0] === 'positions' ? 'press' : (path[0] as SwitchEvent)
      return last ? [{ switchId: footswitch.id, event, ...last }] : []
    }),
  )
}

function moveOf(rig: Rig, action: Action, known: Known): Pick<TempoMove, 'bpm' | 'by'>[] {
  switch (action.kind) {
    case 'tap':
      return [{ bpm: null, by: 'tap' }]
    case 'tempo':
      if (action.does === 'set') return [{ bpm: action.bpm, by: 'set' }]
      if (action.does === 'nudge') return [{ bpm: null, by: 'nudge' }]
      return known.stored ? [{ bpm: known.stored.bpm, by: 'stored' }] : []
    case 'recallSound': {
      const tempo = own(rig.sounds, action.soundId)?.tempo ?? null
      return tempo === null ? [] : [{ bpm: tempo, by: 'sound' }]
    }
    case 'showStep': {
      const target = showTarget(rig, known.showAt, action.to, action.songId)
      if (!target) return []
      const ofSound = own(rig.sounds, target.soundId ?? '')?.tempo ?? null
      if (ofSound !== null) return [{ bpm: ofSound, by: 'sound' }]
      const isNew = target.song.id !== known.songId
      const bpm = isNew ? songTempo(target.song) : null
      return bpm === null ? [] : [{ bpm, by: 'song' }]
    }
    case 'travel': {
      const bank = own(rig.banks, destination(rig, action, known) ?? '')
      if (!bank || bank.id === known.bankId) return []
      const song = own(rig.songs, bank.songId ?? '')
      const ofSong = song && song.id !== known.songId ? songTempo(song) : null
      const entered = expanded(rig, bank.enter).flatMap(({ action: one }) =>
        one.kind === 'travel' ? [] : moveOf(rig, one, known),
      )
      return entered.length > 0 ? entered.slice(-1) : ofSong === null ? [] : [{ bpm: ofSong, by: 'song' }]
    }
    default:
      return []
  }
}
