import { own } from '#core/base'
import { keepRound, type CallAnswer } from '#core/practice'
import { playedParts, showOn, type Edit, type PracticeId, type Rig, type SoundId } from '#core/rig'

/** Days before the opening night: of twenty calls so many were missed, and so long the others took at first. */
const DAYS = [
  { on: '2026-11-16', missed: 9, ms: 2600 },
  { on: '2026-11-18', missed: 7, ms: 2300 },
  { on: '2026-11-19', missed: 6, ms: 2050 },
  { on: '2026-11-21', missed: 6, ms: 1900 },
  { on: '2026-11-23', missed: 4, ms: 1500 },
  { on: '2026-11-25', missed: 3, ms: 1350 },
] as const

/** Changes that go wrong in this pit: by the names of their sounds. */
const HARD = [
  ['Bell buoy', 'Verse, dry'],
  ['Low tide', 'Swell'],
  ['Pizzicato', 'Low tide'],
] as const

/** The changes of the show in their order, called again and again; the hard ones missed first. */
function roundOf(rig: Rig, { missed, ms }: (typeof DAYS)[number], day: number): CallAnswer[] {
  const sounds = playedParts(rig, showOn(rig)!).flatMap(({ soundId }) => (soundId === null ? [] : [soundId]))
  const changes = sounds.flatMap((to, n) => {
    const from = sounds[n - 1]
    return from !== undefined && from !== to ? [{ from, to }] : []
  })
  const name = (id: SoundId) => own(rig.sounds, id)?.name
  const isHard = ({ from, to }: (typeof changes)[number]) =>
    HARD.some(([a, b]) => a === name(from) && b === name(to))
  const called = Array.from({ length: 20 }, (_, n) => changes[(n + day * 5) % changes.length]!)
  const order = called
    .map((one, n) => ({ n, isHard: isHard(one) }))
    .sort((a, b) => Number(b.isHard) - Number(a.isHard) || a.n - b.n)
  const isMissed = new Set(order.slice(0, missed).map(({ n }) => n))
  return called.map((one, n) => ({
    ...one,
    wrongSteps: isMissed.has(n) ? 1 + (n % 2) : 0,
    ms: ms + 37 * (n % 7) + (isMissed.has(n) ? 1500 : 0),
  }))
}

export const practiceSteps: readonly {
  readonly at: string
  readonly make: (rig: Rig) => Edit | null
}[] = DAYS.map((one, day) => ({
  at: `${one.on}T17:40:00.000Z`,
  make: (rig) =>
    keepRound(rig, roundOf(rig, one, day), { on: one.on, newId: `practice-${day + 1}` as PracticeId }),
}))
