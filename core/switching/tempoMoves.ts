import { own } from '#core/base'
import { type Rig, switchesHere, type Action, songTempo, actionLists, type SwitchId } from '#core/rig'
import { expanded, footAfter, tempoSetBy } from './action'
import type { TempoSet } from './action/actionDoes'
import type { SwitchEvent } from './compile'
import type { Known } from './known'

/** Something under the foot that would change the tempo. */
export interface TempoMove extends TempoSet {
  readonly switchId: SwitchId
  readonly event: SwitchEvent
}

/** What changes the tempo from here, switch by switch: taps and nudges override, the rest is stored. */
export function tempoMoves(rig: Rig, known: Known): TempoMove[] {
  if (known.bankId === null) return []
  return [...switchesHere(rig, known.bankId, known.layer).values()].flatMap((footswitch) =>
    actionLists(footswitch).flatMap(({ path, actions }): TempoMove[] => {
      const last = expanded(rig, actions)
        .flatMap(({ action }) => setBy(rig, action, known) ?? [])
        .at(-1)
      const event = path[0] === 'positions' ? 'press' : (path[0] as SwitchEvent)
      return last ? [{ switchId: footswitch.id, event, ...last }] : []
    }),
  )
}

/** A bank may do more on coming there: of that the last counts, or else the tempo of its song. */
function setBy(rig: Rig, action: Action, known: Known): TempoSet | null {
  const bank = own(rig.banks, footAfter(rig, action, known).bankId ?? '')
  if (!bank || bank.id === known.bankId) return tempoSetBy(rig, action, known)
  const song = own(rig.songs, bank.songId ?? '')
  const ofSong = song && song.id !== known.songId ? songTempo(song) : null
  const entered = expanded(rig, bank.enter).flatMap(({ action: one }) => tempoSetBy(rig, one, known) ?? [])
  return entered.at(-1) ?? (ofSong === null ? null : { bpm: ofSong, by: 'song' })
}
