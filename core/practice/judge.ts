import type { Rig, SoundId } from '#core/rig'
import { restPoint, nearestTo, playerOf, type FootRoute, showController } from '#core/show'
import type { Known } from '#core/switching'

/** What a step was, held against the sound that was called. */
export type StepVerdict =
  | 'found'
  /** It plays nothing else and less is left to step on: a bank turned the right way, a layer. */
  | 'onTheWay'
  | 'wrong'

/** The foot's way to a sound from where it is; null where none leads there. */
export function wayFromHere(
  rig: Rig,
  { bankId, layer, next }: Pick<Known, 'bankId' | 'layer' | 'next'>,
  soundId: SoundId,
): FootRoute | null {
  const controller = showController(rig)
  if (!controller || bankId === null) return null
  const from = { bankId, layer, point: restPoint(controller, playerOf(rig)) }
  return nearestTo(rig, controller, from, soundId, next)
}

/** Times the foot still has to come down until a sound plays; null where no way leads there. */
export const pressesLeft = (
  rig: Rig,
  known: Pick<Known, 'bankId' | 'layer' | 'next'>,
  soundId: SoundId,
): number | null => wayFromHere(rig, known, soundId)?.presses ?? null

/** What a controller knew before a step and knows after it, all waits over. */
export function judgeStep(rig: Rig, before: Known, after: Known, called: SoundId): StepVerdict {
  if (after.sound === called) return 'found'
  const [was, is] = [before, after].map((known) => pressesLeft(rig, known, called) ?? Infinity) as [
    number,
    number,
  ]
  return after.sound === before.sound && is < was ? 'onTheWay' : 'wrong'
}
