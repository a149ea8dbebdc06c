import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import fc from 'fast-check'
import { orderJobs, readyInOrder, type Job } from './order'

/** One message of a device: its place in the device's chain, how long it takes, what must pass before the next. */
interface Piece {
  readonly id: string
  readonly length: number
  readonly isRecallEnd: boolean
  readonly isControl: boolean
}

/** A job as single messages: bank selects and program change, then controls. */
interface Case extends Job {
  readonly pieces: readonly Piece[]
}

/**
 * The soonest all can be ready over every legal order of single messages, each sent as soon as it may: an
 * oracle that knows nothing of blocks, bounds or tails.
 */
function bruteForce(cases: readonly Case[]): number {
  let best = Infinity
  const next = cases.map(() => 0)
  const recallEnd = cases.map(() => -Infinity)
  const visit = (at: number, ready: number): void => {
    if (ready >= best) return
    let isDone = true
    cases.forEach((one, n) => {
      const piece = one.pieces[next[n]!]
      if (!piece) return
      isDone = false
      const start = piece.isControl ? Math.max(at, recallEnd[n]! + one.lag) : at
      const end = start + piece.length
      const before = recallEnd[n]!
      if (piece.isRecallEnd) recallEnd[n] = end
      next[n]!++
      visit(end, Math.max(ready, piece.isRecallEnd ? end + one.load : end))
      next[n]!--
      recallEnd[n] = before
    })
    if (isDone) best = Math.min(best, ready)
  }
  visit(0, 0)
  return best
}

/** 320 µs a byte: a program change is 640, a control 960 (M1 v4.2.1, "Hardware"). */
const PROGRAM = 640
const CONTROL = 960

const caseOf = (
  id: string,
  banks: number,
  hasRecall: boolean,
  controls: number,
  deaf: number,
  keeps: boolean,
): Case => {
  const recall = hasRecall ? banks * CONTROL + PROGRAM : 0
  const pieces: Piece[] = [
    ...Array.from({ length: hasRecall ? banks : 0 }, () => ({
      id,
      length: CONTROL,
      isRecallEnd: false,
      isControl: false,
    })),
    ...(hasRecall ? [{ id, length: PROGRAM, isRecallEnd: true, isControl: false }] : []),
    ...Array.from({ length: controls }, () => ({ id, length: CONTROL, isRecallEnd: false, isControl: true })),
  ]
  return {
    id,
    recall,
    lag: keeps ? 0 : deaf,
    load: hasRecall ? deaf : 0,
    controls: controls * CONTROL,
    pieces,
  }
}

/** At most `most` messages over up to five devices. */
const cases = (most: number, deafest: number) =>
  fc
    .array(
      fc.record({
        banks: fc.integer({ min: 0, max: 2 }),
        hasRecall: fc.boolean(),
        controls: fc.integer({ min: 0, max: 3 }),
        deaf: fc.integer({ min: 0, max: deafest }),
        keeps: fc.integer({ min: 0, max: 4 }).map((n) => n === 0),
      }),
      { minLength: 1, maxLength: 5 },
    )
    .map((all) => {
      let left = most
      return all.flatMap((one, n) => {
        const made = caseOf(`d${n}`, one.banks, one.hasRecall, one.controls, one.deaf, one.keeps)
        if (made.pieces.length === 0 || made.pieces.length > left) return []
        left -= made.pieces.length
        return [made]
      })
    })
    .filter((all) => all.length > 0)

describe('the order of blocks', () => {
  // Ranges of deaf times that are usual for amp modellers, for pedals, and next to none (common practice), in µs.
  it.each([250_000, 9_000, 3_500])(
    'equals brute force over all legal orders, deaf up to %i µs',
    (deafest) => {
      fc.assert(
        fc.property(cases(9, deafest), (all) => {
          const order = orderJobs(all)
          expect(order.ready).toBe(bruteForce(all))
          expect(order.isProven).toBe(true)
          expect(order.bound).toBe(order.ready)
        }),
        generated(350, 8_2026 + deafest),
      )
    },
  )

  it('says the ready time its own order has, and is never later than any order entered', () => {
    fc.assert(
      fc.property(cases(40, 60_000), fc.infiniteStream(fc.nat()), (all, picks) => {
        const order = orderJobs(all)
        const told = [
          ...order.recalls.map((id) => ({ id, part: 'recall' as const })),
          ...order.controls.map((id) => ({ id, part: 'controls' as const })),
        ]
        expect(readyInOrder(all, told)).toBe(order.ready)
        // As a player might enter it: any order that keeps a device's recall before its controls.
        const queues = all.map(({ id, recall, controls }) => [
          ...(recall > 0 ? [{ id, part: 'recall' as const }] : []),
          ...(controls > 0 ? [{ id, part: 'controls' as const }] : []),
        ])
        const entered: { id: string; part: 'recall' | 'controls' }[] = []
        for (const pick of picks) {
          const open = queues.filter((queue) => queue.length > 0)
          if (open.length === 0) break
          entered.push(open[pick % open.length]!.shift()!)
        }
        expect(order.ready).toBeLessThanOrEqual(readyInOrder(all, entered))
        expect(order.bound).toBeLessThanOrEqual(order.ready)
      }),
      generated(400, 8_2027),
    )
  })

  it('sends a worked example as it must be', () => {
    // Echo is deaf for 60 ms and wants a control behind it; the preamp for 30; the reverb takes bank select.
    const jobs = [
      caseOf('preamp', 0, true, 0, 30_000, false),
      caseOf('reverb', 2, true, 0, 2_000, false),
      caseOf('echo', 0, true, 1, 60_000, false),
    ]
    expect(orderJobs(jobs)).toEqual({
      recalls: ['echo', 'preamp', 'reverb'],
      controls: ['echo'],
      // 640 for the program change, 60,000 deaf, 960 for the control.
      ready: 61_600,
      bound: 61_600,
      isProven: true,
    })
    expect(
      readyInOrder(jobs, [
        { id: 'preamp', part: 'recall' },
        { id: 'reverb', part: 'recall' },
        { id: 'echo', part: 'recall' },
        { id: 'echo', part: 'controls' },
      ]),
    ).toBe(640 + 2560 + 640 + 60_000 + 960)
  })

  it('sends nothing for nothing, and goes on beyond eight recalls with its distance to the bound', () => {
    expect(orderJobs([])).toEqual({ recalls: [], controls: [], ready: 0, bound: 0, isProven: true })
    const many = Array.from({ length: 16 }, (_, n) =>
      caseOf(`d${n}`, n % 3, true, n % 4, ((n * 7919) % 23) * 400, false),
    )
    const order = orderJobs(many)
    expect(order.recalls).toHaveLength(16)
    expect(order.bound).toBeLessThanOrEqual(order.ready)
    expect(order.isProven).toBe(order.bound === order.ready)
  })
})
