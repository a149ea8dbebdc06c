import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { seeded } from '../../base/seeded'
import { calibrated } from './calibrated'
import { GUIDE_MS, guidedFoot, type FootPart } from './guidedFoot'
import { readSweeps, type CalibrationWhy, type SweepReading } from './readSweeps'
import { SIMULATED_PEDALS, simulatedPedal, type SimulatedKind } from './simulatedPedal'

/** What each kind of pedal should be called (common practice: trade rules on calibration). */
const NAMED: Record<SimulatedKind, { why: CalibrationWhy; verdict: string }> = {
  good: { why: 'good', verdict: 'pass' },
  stopsShort: { why: 'short', verdict: 'again' },
  swapped: { why: 'swapped', verdict: 'swap' },
  noisy: { why: 'noisy', verdict: 'suspect' },
  sticky: { why: 'sticky', verdict: 'suspect' },
  deadSpot: { why: 'deadSpot', verdict: 'suspect' },
}

/** A foot that rests and sweeps as long as it likes, and not always evenly. */
function someFoot(seed: number): { parts: FootPart[]; wobble: (at: number) => number } {
  const random = seeded(seed)
  const kinds = ['heel', 'up', 'toe', 'down', 'heel', 'up', 'toe', 'down', 'heel'] as const
  let from = 0
  const parts = kinds.map((kind): FootPart => {
    const isRest = kind === 'heel' || kind === 'toe'
    const takes = isRest ? 450 + 700 * random() : 800 + 1400 * random()
    const part = { kind, from, to: from + takes }
    from += takes
    return part
  })
  const [slow, by] = [200 + 300 * random(), 0.015 * random()]
  return { parts, wobble: (at) => by * Math.sin(at / slow) }
}

function ridden(kind: SimulatedKind, seed: number): SweepReading[] {
  const pedal = simulatedPedal(kind, seed)
  const { parts, wobble } = someFoot(seed * 7 + 1)
  const readings: SweepReading[] = []
  const random = seeded(seed * 13 + 5)
  // A jack is read every 4 to 9 ms, as controllers do.
  for (let at = 0; at < parts.at(-1)!.to; at += 4 + Math.floor(random() * 6)) {
    const part = parts.find(({ to }) => at < to) ?? parts.at(-1)!
    const isMoving = part.kind === 'up' || part.kind === 'down'
    readings.push({ at, value: pedal.read(guidedFoot(at, parts) + (isMoving ? wobble(at) : 0), at) })
  }
  return readings
}

const EACH = 300

describe('calibrations', () => {
  it.each(SIMULATED_PEDALS)('name a %s pedal right at least 97 times in a hundred', (kind) => {
    const told = Array.from({ length: EACH }, (_, seed) => readSweeps(ridden(kind, seed + 1)).why)
    const right = told.filter((why) => why === NAMED[kind].why).length
    expect({ kind, right: right / EACH }).toSatisfy((one: { right: number }) => one.right >= 0.97)
    if (kind !== 'good') expect(told.filter((why) => why === 'good').length).toBeLessThanOrEqual(EACH / 100)
  })

  it.each(SIMULATED_PEDALS)('come to their verdict on a %s pedal', (kind) => {
    expect(readSweeps(ridden(kind, 42)).verdict).toBe(NAMED[kind].verdict)
  })

  it('suspect a pedal that stops short again', () => {
    expect(readSweeps(ridden('stopsShort', 3), true)).toMatchObject({ verdict: 'suspect', why: 'short' })
  })

  it('propose a narrowing with which both ends are reached', () => {
    for (const seed of seeds(100, 1)) {
      const readings = ridden('good', seed)
      const read = readSweeps(readings)
      const steps = readings.map(({ value }) => calibrated(read, value))
      expect([Math.min(...steps), Math.max(...steps)]).toEqual([0, 127])
      // At rest at either end it reads the end, however it wavers.
      expect(steps.slice(0, 60).every((step) => step === 0)).toBe(true)
    }
  })

  it('turn a swapped pedal round with the narrowing they propose', () => {
    const readings = ridden('swapped', 5)
    const read = readSweeps(readings)
    expect(calibrated(read, readings[0]!.value)).toBe(0)
    expect(Math.max(...readings.map(({ value }) => calibrated(read, value)))).toBe(127)
  })

  it('say that nothing moves, that it was once only, or too fast, and never pass those', () => {
    const still = Array.from({ length: 800 }, (_, n) => ({ at: n * 10, value: 64 }))
    expect(readSweeps(still).why).toBe('silent')
    expect(readSweeps([]).why).toBe('silent')
    const once = ridden('good', 8)
    expect(readSweeps(once.filter(({ at }) => at < once.at(-1)!.at * 0.45)).why).toBe('fewSweeps')
    const fast = once.map(({ at, value }) => ({ at: Math.floor(at / 8), value }))
    expect(readSweeps(fast).verdict).not.toBe('pass')
  })

  it('cannot tell where a controller leaves values out, and say so instead of blaming the pedal', () => {
    for (const seed of seeds(60, 1)) {
      const all = ridden('good', seed)
      // As they come over MIDI: what has not changed is not sent, and no more than a value in so many ms.
      const sparse = (everyMs: number) => {
        let last: SweepReading | null = null
        return all.filter((one) => {
          if (last && (one.value === last.value || one.at - last.at < everyMs)) return false
          last = one
          return true
        })
      }
      expect(readSweeps(sparse(10)).why).toBe('good')
      expect(['good', 'tooSeldom']).toContain(readSweeps(sparse(18)).why)
      expect(readSweeps(sparse(50)).why).toBe('tooSeldom')
    }
  })

  it('know the ends, the noise and what of the bar is never reached', () => {
    const readings: SweepReading[] = []
    for (let at = 0; at < GUIDE_MS; at += 5)
      readings.push({ at, value: 3 + Math.round(guidedFoot(at) * 121) })
    expect(readSweeps(readings)).toMatchObject({ heel: 3, toe: 124, noise: 0, from: 5, to: 122, passes: 4 })
    expect(readSweeps(readings).deadHeel).toBeCloseTo((3 / 127) * 100)
  })
})
