import { isSoundLead, soundPaths, type SoundStop, type Rig, type Sound } from '#core/rig'
import { spokenCells } from '#core/sound'

/** What a sound makes of a box on the sound's way. */
export interface HeardStop {
  readonly stop: SoundStop
  /** `off`: the sound switches it off, and its jacks, its buffer and its noise stay on the way. */
  readonly state: 'on' | 'off' | 'unsaid' | 'always'
}

/** The ways of all instruments as a sound leaves them. */
export const heardThrough = (rig: Rig, sound: Sound): readonly (readonly HeardStop[])[] =>
  soundPaths(rig).map(({ stops }) =>
    stops.map((stop): HeardStop => {
      const cell = spokenCells(rig, sound).get(stop.device.id)?.cell
      if (stop.place === 'source' || stop.place === 'end' || isSoundLead(stop.device))
        return { stop, state: 'always' }
      if (!cell || cell.kind === 'leave') return { stop, state: 'unsaid' }
      return { stop, state: cell.kind === 'off' ? 'off' : 'on' }
    }),
  )
