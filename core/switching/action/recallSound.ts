import { own } from '../../base/own'
import type { ActionOf } from '../../rig/table/action'
import { sendingOf } from '../../sound/sending'
import { wantsOf } from '../../sound/want'
import type { ActionDoes, Recalled } from './actionDoes'

/** All that the sound speaks for, since a controller cannot know where it comes from. */
export const recallSound: ActionDoes<ActionOf<'recallSound'>> = {
  steps: (rig, { soundId }, controller) => {
    const sound = own(rig.sounds, soundId)
    return sound ? sendingOf(rig, sound, controller ?? undefined).steps : []
  },
  recalls: (rig, { soundId }) => {
    const sound = own(rig.sounds, soundId)
    return [...(sound ? wantsOf(rig, sound) : [])].flatMap(([deviceId, want]): Recalled[] =>
      want.kind === 'be' && want.preset !== null ? [{ deviceId, index: want.preset }] : [],
    )
  },
}
