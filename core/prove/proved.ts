import type { NeverId, RunId, Layer, SwitchId, SoundId } from '#core/rig'
import type { Claim } from '#core/switching'
import type { CalmMove } from './moves'
import type { Part, PartValue } from './parts'

/** What is proven, a line each, the worst to fail first. */
export const PROOF_LINES = ['checks', 'sounds', 'lamps', 'pace', 'show', 'ways', 'switches'] as const

/** One line of the proof. */
export type ProofLine = (typeof PROOF_LINES)[number]

/** One thing that was to be shown of a row of the rig. */
export interface Proved {
  readonly line: ProofLine
  readonly about: {
    readonly table: 'sounds' | 'switches' | 'banks' | 'parts' | 'nevers' | 'runs'
    readonly id: string
  }
  readonly verdict: ProofVerdict
}

export type ProofVerdict =
  /** From everywhere the floor can come to. `presses`: within so many. */
  | { readonly kind: 'holds'; readonly presses?: number }
  /** The fewest calm moves from power-on that show it; `after` so many µs the last one follows the one before, where that matters. */
  | {
      readonly kind: 'fails'
      readonly fault: ProofFault
      readonly moves: readonly CalmMove[]
      readonly after: number | null
    }
  /** `atLeast`: it takes no fewer moves, if it happens at all. */
  | { readonly kind: 'notProven'; readonly why: NotProven; readonly atLeast?: number }

export type NotProven =
  /** More floors would have to be looked at than are. */
  | 'tooMany'
  /** What decides it takes too many values, or hangs on too many. */
  | 'beyond'
  /** A run was found and does not come out on the whole floor. */
  | 'notPlayed'
  /** A switch that alternates also travels, or the way hangs on where the show is. */
  | 'wayHangs'
  /** Something it hangs on was never set: nobody knows what it was at power-on. */
  | 'asFound'
  /** A pedal leads it, and pedals are not moved. */
  | 'pedal'

/** What fails, with what it takes to say so. */
export type ProofFault =
  /** After its recall something is not as the sound says; `is` undefined where nobody ever set it. */
  | { readonly kind: 'soundMissed'; readonly soundId: SoundId; readonly claim: Claim; readonly is: PartValue }
  /** It leaves something as it finds it, and that can be one thing or another. */
  | {
      readonly kind: 'soundLeaves'
      readonly soundId: SoundId
      readonly part: Part
      readonly usual: PartValue
      readonly is: PartValue
      /** The switch that put it there last. */
      readonly by: SwitchId | null
    }
  | {
      readonly kind: 'lampLies'
      readonly switchId: SwitchId
      readonly isLit: boolean
      readonly claim: Claim
      readonly isFewest: boolean
    }
  /** Messages are lost on a device that still loads. */
  | {
      readonly kind: 'deaf'
      readonly switchId: SwitchId
      readonly before: SwitchId
      readonly deviceId: string
      /** From this interval on, in ms, nothing is lost. */
      readonly safeMs: number
    }
  /** Things that must never be so at once are. */
  | { readonly kind: 'never'; readonly neverId: NeverId }
  /** A recorded run no longer does what it did. */
  | { readonly kind: 'runDiffers'; readonly runId: RunId; readonly differences: number }
  /** No switch recalls it. */
  | { readonly kind: 'notOnFoot'; readonly soundId: SoundId }
  /** No way leads from there to it. */
  | { readonly kind: 'noWay'; readonly soundId: SoundId; readonly bankId: string; readonly layer: Layer }
  | { readonly kind: 'noHome'; readonly bankId: string; readonly layer: Layer }
  /** It changes nothing, wherever it is stepped on. */
  | { readonly kind: 'dead'; readonly switchId: SwitchId }
  /** Another one under the same foot does the same from everywhere. */
  | { readonly kind: 'twin'; readonly switchId: SwitchId; readonly other: SwitchId }
  /** A preset it recalls it leaves again in the same list. */
  | {
      readonly kind: 'undone'
      readonly switchId: SwitchId
      readonly deviceId: string
      readonly preset: number
    }

/** The shortest time between two steps of one foot that is looked at, in ms: the same switch twice (common practice). */
export const SHORTEST_MS = 150
