import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import type { AutoOff, OffKind } from '../rig/table/pedal'
import { DELAY_STEP_MS, DELAYS_TO_MS, proposedDelay, tryDelays } from './delays'
import { makeOff } from './testing/makePedals'
import { offsOf, restsOf, type Ridden, type Stretch } from './ride'
import { SHIPPED_RIDES } from './shippedRides'

const KINDS: readonly OffKind[] = ['heel', 'toe', 'still', 'switch']

/** A ride of half a minute or less, in whole ms: rests and moves, a wavering foot, some of it meant to be off. */
function someRide(seed: number): Ridden {
  const random = seeded(seed)
  const below = (most: number) => Math.floor(random() * most)
  const [moves, toes, meant] = [
    [{ at: 0, position: below(128) }],
    [] as { at: number; isDown: boolean }[],
    [] as Stretch[],
  ]
  let [at, position] = [0, moves[0]!.position]
  let isDown = false
  while (at < 12_000) {
    const way = below(4)
    if (way === 0) position = 0
    else if (way === 1) position = 127
    else position = Math.min(127, Math.max(0, position + below(41) - 20))
    at += 1 + below(60)
    moves.push({ at, position })
    if (below(5) === 0) {
      isDown = !isDown
      toes.push({ at, isDown })
    }
    // It wavers by a step while it stands, as a good pedal may.
    const until = at + below(3) * below(700)
    if (until - at > 300 && below(3) === 0) meant.push({ from: at, to: until })
    while (at < until) {
      at += 1 + below(90)
      moves.push({ at, position: Math.min(127, Math.max(0, position + below(2))) })
    }
  }
  return { length: at + below(500), moves, toes, meant }
}

/**
 * When it is off, from the description alone, a millisecond at a time: off once the last `delay` ms were all at rest and as
 * long as they are. What a pedal does between two readings is what it did at the first.
 */
function plainOff(off: AutoOff, { length, moves, toes }: Ridden, delayMs: number): boolean[] {
  const reach = Math.round(off.zone * 1.27)
  const offAt: boolean[] = []
  let rested = 0
  let [where, stoodAt, toeOff, near] = [moves[0]!.position, Number.NaN, false, false]
  const [movesAt, toesAt] = [byMoment(moves), byMoment(toes)]
  for (let ms = 0; ms < length; ms++) {
    let isBroken = false
    for (const { position } of movesAt.get(ms) ?? []) {
      where = position
      if (off.kind === 'still' && !(Math.abs(where - stoodAt) <= 1)) {
        isBroken = true
        stoodAt = where
      }
      const away = off.kind === 'toe' ? 127 - where : where
      if (off.kind === 'heel' || off.kind === 'toe') {
        if (!near && away <= reach) {
          near = true
          isBroken = true
        } else if (near && away > reach + 1) near = false
      }
    }
    for (const { isDown } of toesAt.get(ms) ?? []) {
      const before = toeOff
      if (off.toe === 'latching') toeOff = isDown
      else if (isDown) toeOff = !toeOff
      if (before !== toeOff && off.kind === 'switch') isBroken = true
    }
    const isResting = off.kind === 'still' || (off.kind === 'switch' ? toeOff : near)
    rested = isResting && !isBroken ? rested + 1 : 0
    offAt.push(isResting && rested >= delayMs)
  }
  return offAt
}

function byMoment<One extends { readonly at: number }>(all: readonly One[]): Map<number, One[]> {
  const found = new Map<number, One[]>()
  for (const one of all) found.set(one.at, [...(found.get(one.at) ?? []), one])
  return found
}

/** Stretches in which something is so, in ms. */
function stretches(isSo: readonly boolean[]): Stretch[] {
  const all: Stretch[] = []
  isSo.forEach((so, ms) => {
    if (!so) return
    const last = all.at(-1)
    if (last?.to === ms) all[all.length - 1] = { from: last.from, to: ms + 1 }
    else all.push({ from: ms, to: ms + 1 })
  })
  return all
}

const someOff = (kind: OffKind, toe: AutoOff['toe'] = 'momentary') => makeOff({ kind, toe })

describe.each(KINDS)('automatic bypass by %s', (kind) => {
  it('is off when the rides say so, a millisecond at a time, for every delay tried', () => {
    for (const seed of seeds(40, 1))
      for (const toe of ['latching', 'momentary'] as const)
        for (const delayMs of [10, 130, 400, 600]) {
          const ride = someRide(seed)
          const off = someOff(kind, toe)
          expect({ seed, toe, delayMs, offs: offsOf(restsOf(off, ride), delayMs) }).toEqual({
            seed,
            toe,
            delayMs,
            offs: stretches(plainOff(off, ride, delayMs)),
          })
        }
  })

  it('proposes a delay that goes off wrongly the fewest times of all, in steps of 10 ms', () => {
    for (const seed of seeds(16, 100)) {
      const rides = [someRide(seed), someRide(seed * 3)]
      const off = someOff(kind)
      const proposed = proposedDelay(tryDelays(off, rides))!
      expect(proposed.delayMs % DELAY_STEP_MS).toBe(0)
      const wrongAt = (delayMs: number) =>
        rides.reduce(
          (sum, ride) =>
            sum +
            stretches(plainOff(off, ride, delayMs)).filter(
              ({ from }) => !ride.meant.some((one) => from >= one.from && from < one.to),
            ).length,
          0,
        )
      expect(proposed.wrong).toBe(wrongAt(proposed.delayMs || 0))
      for (let delayMs = DELAY_STEP_MS; delayMs <= DELAYS_TO_MS; delayMs += DELAY_STEP_MS * 7)
        expect(wrongAt(delayMs)).toBeGreaterThanOrEqual(proposed.wrong)
    }
  })
})

it('the delay it is tuned to is the shortest that is never wrong, on a ride whose rests are known', () => {
  // Touches of the heel of 200 and 350 ms while playing, one rest of two seconds.
  const at = (ms: number, position: number) => ({ at: ms, position })
  const ride: Ridden = {
    length: 6000,
    moves: [at(0, 60), at(500, 0), at(700, 60), at(1500, 0), at(1850, 90), at(3000, 0), at(5000, 50)],
    toes: [],
    meant: [{ from: 3000, to: 5000 }],
  }
  const tried = tryDelays(makeOff(), [ride])
  expect(proposedDelay(tried)).toEqual({ delayMs: 350, wrong: 0, missed: 0, waiting: 350 })
  expect(tried[0]).toMatchObject({ delayMs: 0, wrong: 2 })
  expect(tried[25]).toMatchObject({ delayMs: 250, wrong: 1, waiting: 250 })
  // 600 ms, the usual default (common practice), is right too, and later.
  expect(tried[60]).toMatchObject({ delayMs: 600, wrong: 0, waiting: 600 })
})

it('a delay longer than the rest never comes to be off: that is a rest missed, not a right one', () => {
  const ride: Ridden = {
    length: 3000,
    moves: [
      { at: 0, position: 50 },
      { at: 1000, position: 0 },
      { at: 1500, position: 50 },
    ],
    toes: [],
    meant: [{ from: 1000, to: 1500 }],
  }
  const tried = tryDelays(makeOff(), [ride])
  expect(tried[40]).toMatchObject({ missed: 0, waiting: 400 })
  expect(tried[50]).toMatchObject({ missed: 1, waiting: 500 })
})

it('without a ride nothing is wrong at any delay, and nothing is known', () => {
  expect(tryDelays(makeOff(), []).every(({ wrong, missed }) => wrong + missed === 0)).toBe(true)
})

it.each(Object.entries(SHIPPED_RIDES))('the ride %s that ships has something to tell apart', (name, ride) => {
  const kind = ({ swells: 'heel', inTime: 'heel', toToe: 'toe', held: 'still', byToe: 'switch' } as const)[
    name
  ]!
  const tried = tryDelays(makeOff({ kind, toe: 'momentary' }), [ride])
  const proposed = proposedDelay(tried)!
  expect(tried[0]!.wrong).toBeGreaterThan(0)
  expect(proposed).toMatchObject({ wrong: 0, missed: 0 })
  expect(ride.moves.every(({ at }, n) => n === 0 || at >= ride.moves[n - 1]!.at)).toBe(true)
  fc.assert(fc.property(fc.constantFrom(...ride.meant), ({ from, to }) => from < to && to <= ride.length))
})
