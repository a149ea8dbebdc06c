import { own } from '#core/base'
import { inOrder, type Rig, type ActionOf, type SoundId } from '#core/rig'
import { sendingOf, wantsOf } from '#core/sound'
import { valueClaims, type Claim } from '../claim'
import { contactKey } from '../known'
import { take, without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import { storedTempo } from '../tempoNow'
import type { ActionDoes, Recalled } from './actionDoes'

/** All that the sound speaks for, since a controller cannot know where it comes from. */
export const recallSound: ActionDoes<ActionOf<'recallSound'>> = {
  starts: (rig) => {
    const [first] = inOrder(rig.sounds)
    return first ? { kind: 'recallSound', soundId: first.id } : null
  },
  sets: 'outright',
  litBy: 'sound',
  steps: (rig, { soundId }, { controller }) => {
    const sound = own(rig.sounds, soundId)
    if (!sound) return []
    const presets: { [deviceId: string]: number } = {}
    const values: { [controlId: string]: number } = {}
    const contacts: { [key: string]: boolean } = {}
    for (const [deviceId, want] of wantsOf(rig, sound)) {
      if (want.kind !== 'be') continue
      if (want.preset !== null) presets[deviceId] = want.preset
      for (const { controlId, value } of want.sets) values[controlId] = value
      for (const { contact, isClosed } of want.contacts) contacts[contactKey(deviceId, contact.id)] = isClosed
    }
    const tempo = sound.tempo === null ? {} : storedTempo(sound.tempo, { kind: 'sound', soundId })
    return [
      ...(sendingOf(rig, sound, controller ?? undefined).steps as readonly ActionStep[]),
      { kind: 'know', learned: { sound: sound.id, presets, values, contacts, ...tempo } },
    ]
  },
  recalls: (rig, { soundId }) => {
    const sound = own(rig.sounds, soundId)
    return [...(sound ? wantsOf(rig, sound) : [])].flatMap(([deviceId, want]): Recalled[] =>
      want.kind === 'be' && want.preset !== null ? [{ deviceId, index: want.preset }] : [],
    )
  },
  isLit: (_, { soundId }, { sound }) => sound === soundId,
  claims: (rig, { soundId }) => {
    const sound = own(rig.sounds, soundId)
    return [...(sound ? wantsOf(rig, sound) : [])].flatMap(([deviceId, want]): Claim[] =>
      want.kind !== 'be'
        ? []
        : [
            ...(want.preset === null ? [] : [{ kind: 'preset' as const, deviceId, index: want.preset }]),
            ...[...want.holds].flatMap(([controlId, value]) => valueClaims(rig, controlId, value)),
            ...want.contacts.map(({ contact, isClosed }) => ({
              kind: 'contact' as const,
              deviceId,
              contactId: contact.id,
              isClosed,
            })),
          ],
    )
  },
  mayChangeTempo: (rig, { soundId }) => (hasTempo(rig, soundId) ? 'sound' : null),
  further: (rig, action, { series, n }) => {
    if (series !== 'sound') return action
    const sounds = inOrder(rig.sounds)
    const at = sounds.findIndex(({ id }) => id === action.soundId)
    const next = sounds[at + n]
    return at < 0 || !next ? null : { ...action, soundId: next.id }
  },
  setsTempo: (rig, { soundId }) => {
    const bpm = own(rig.sounds, soundId)?.tempo ?? null
    return bpm === null ? null : { bpm, by: 'sound' }
  },
  reads: (rig, { words }) => {
    const said = without(words, 'sound')
    return Object.values(rig.sounds).flatMap(({ id, name }) => {
      const { left, fit } = take(said ?? words, name)
      return fit === 0 || left.length > 0
        ? []
        : [{ action: { kind: 'recallSound' as const, soundId: id }, sureness: fit + (said ? 4 : 2) }]
    })
  },
}

const hasTempo = (rig: Rig, soundId: SoundId): boolean => (own(rig.sounds, soundId)?.tempo ?? null) !== null
