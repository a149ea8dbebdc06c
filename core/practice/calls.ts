import {
  perTables,
  FLOOR_TABLES,
  inOrder,
  type Rig,
  playedParts,
  showOn,
  type PlayedPart,
  type SoundId,
} from '#core/rig'
import {
  restPoint,
  footMoves,
  whereKey,
  nearestTo,
  playerOf,
  type Stand,
  showController,
  standAtStart,
} from '#core/show'
import { expectedMiss, type Tally } from './tally'

/** Sounds that can be called: a switch plays them, and a way leads there from every bank one of them leaves the foot in. */
export const callable = perTables(FLOOR_TABLES, (rig: Rig): readonly SoundId[] => {
  const controller = showController(rig)
  if (!controller) return []
  const { playing } = footMoves(rig, controller.id)
  const point = restPoint(controller, playerOf(rig))
  const start = standAtStart(rig, controller)
  const reached = (from: Stand, id: SoundId) => nearestTo(rig, controller, from, id, {})
  if (!start) return []
  let sounds = inOrder(rig.sounds)
    .map(({ id }) => id)
    .filter((id) => playing.has(id))
  // What cannot be come to from one that stays goes, until all that is left leads to all that is left.
  for (let isLess = true; isLess;) {
    const stands = new Map<string, Stand>([[whereKey(start), { ...start, point }]])
    for (const id of sounds) for (const { to } of playing.get(id)!) stands.set(whereKey(to), { ...to, point })
    const kept = sounds.filter((id) => [...stands.values()].every((from) => reached(from, id) !== null))
    isLess = kept.length < sounds.length
    sounds = kept
  }
  return sounds
})

/** The parts of the show in order as calls: those that change the sound, and are of a sound that can be called. */
export function showCalls(rig: Rig): PlayedPart[] {
  const show = showOn(rig)
  const can = new Set(callable(rig))
  let before: SoundId | null = null
  return (show ? playedParts(rig, show) : []).filter(({ soundId }) => {
    if (soundId === null || !can.has(soundId) || soundId === before) return false
    before = soundId
    return true
  })
}

/** Rounds of power iteration: far more than the order of sounds needs. */
const ROUNDS = 60
/** A sound is not called again so soon, where there are others. */
const REST = 2

/**
 * The next sound to call: a step of the random walk among them in which whole ways, not single steps, are as likely as the
 * product of their pairs' expected misses, squared, so that the way to a weak pair's first sound is called for as well. That is the
 * walk of the matrix of weights W with its right eigenvector v: from a to b by W(a,b) v(b) / (k v(a)) (Z. Burda and others,
 * Phys. Rev. Lett. 102, 160602, 2009, with weights; from memory). `recent` are the sounds called last, the last one last.
 * Null where there is no other sound.
 */
export function nextCall(
  sounds: readonly SoundId[],
  recent: readonly SoundId[],
  tally: Tally,
  random: () => number,
): SoundId | null {
  const from = recent.at(-1) ?? null
  const n = sounds.length
  const tired = new Set(recent.slice(n > REST + 2 ? -REST : -1))
  const open = sounds.filter((id) => !tired.has(id))
  if (open.length === 0) return null
  const weights = sounds.map((a) => sounds.map((b) => (a === b ? 0 : expectedMiss(tally, a, b) ** 2)))
  const onward = eigenvector(weights)
  const at = from === null ? -1 : sounds.indexOf(from)
  const shares = open.map((id) => {
    const to = sounds.indexOf(id)
    return (at < 0 ? 1 : weights[at]![to]!) * onward[to]!
  })
  const all = shares.reduce((sum, share) => sum + share, 0)
  let left = random() * all
  for (const [k, share] of shares.entries()) {
    left -= share
    if (left < 0) return open[k]!
  }
  return open.at(-1)!
}

/** The right eigenvector of the largest eigenvalue of a matrix of positive numbers, by power iteration; its sum is 1. */
function eigenvector(weights: readonly (readonly number[])[]): number[] {
  let v = weights.map(() => 1 / weights.length)
  for (let round = 0; round < ROUNDS; round++) {
    // With itself put in: two sounds that only lead to each other do not swing.
    const next = weights.map((row, a) => v[a]! + row.reduce((sum, weight, b) => sum + weight * v[b]!, 0))
    const all = next.reduce((sum, one) => sum + one, 0)
    v = next.map((one) => one / all)
  }
  return v
}
