import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { seeded } from '../base/seeded'
import { requireChannel } from '../base/channel'
import {
  makeBank,
  makeCable,
  makeController,
  makeDevice,
  makePort,
  makeRig,
  makeRole,
  makeSwitch,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { USUAL_TAP_IN, type TapIn } from '../rig/table/tapIn'
import { deviceState, floorAtPowerOn } from '../simulate/floor'
import { step, stepAndSettle } from '../simulate/step'
import { plainTempo } from './testing/plainTaps'
import { readTaps } from './tapped'
import { tapsOut } from './tapOut'

/** Taps in µs at a tempo; `late` moves each by so many µs. */
const taps = (bpm: number, count: number, late: (n: number) => number = () => 0): number[] =>
  Array.from({ length: count }, (_, n) => Math.round((n * 60_000_000) / bpm + late(n)))

/** 60 000 / mean interval (midi-facts, "Arithmetic"; from memory). */
const plainMean = (all: readonly number[]): number =>
  (60_000_000 * (all.length - 1)) / (all.at(-1)! - all[0]!)

describe('taps', () => {
  it('four even ones give the tempo to 0.1 bpm, from 30 to 300', () => {
    for (let bpm = 30; bpm <= 300; bpm += 0.1) {
      const read = readTaps(taps(bpm, 4))!
      expect(Math.abs(read.bpm - bpm)).toBeLessThanOrEqual(0.1)
      expect(read.plusMinus!).toBeLessThan(0.01)
    }
  })

  it('a lone late or early one, wherever it comes, does not move it', () => {
    for (const bpm of [30, 50, 93.8, 120, 200, 300])
      for (let count = 5; count <= 9; count++)
        for (let at = 0; at < count; at++)
          for (const share of [-0.4, -0.2, -0.05, 0.05, 0.1, 0.2, 0.3, 0.4]) {
            const all = taps(bpm, count, (n) => (n === at ? (share * 60_000_000) / bpm : 0))
            const what = `${bpm} bpm, tap ${at} of ${count}, ${share} of a beat`
            expect([what, readTaps(all)?.bpm]).toEqual([what, readTaps(taps(bpm, count))!.bpm])
          }
  })

  it('a beat that was missed counts as two, and a foot that came late and stays late does not slow it down', () => {
    for (const bpm of [50, 93.8, 120, 200]) {
      const missed = taps(bpm, 8).filter((_, n) => n !== 4)
      expect(readTaps(missed)?.bpm).toBe(bpm)
      const shifted = taps(bpm, 8, (n) => (n >= 4 ? (0.3 * 60_000_000) / bpm : 0))
      expect(readTaps(shifted)?.bpm).toBe(bpm)
    }
  })

  it('another tempo is taken up with its third tap', () => {
    const first = taps(120, 6)
    const other = taps(90, 3).map((tap) => tap + first.at(-1)!)
    expect(readTaps([...first, ...other.slice(1)])?.bpm).toBe(90)
    // Half as fast too, though that could be beats missed, two in a row.
    const half = taps(60, 3).map((tap) => tap + first.at(-1)!)
    expect(readTaps([...first, ...half.slice(1)])?.bpm).toBe(60)
  })

  it('with jitter are nearer to the truth than a plain mean where taps are missed or late, and as near where none is', () => {
    const random = seeded(13)
    const bell = () => random() + random() + random() + random() - 2
    let [ours, mean, oursOdd, meanOdd] = [0, 0, 0, 0]
    for (let run = 0; run < 2000; run++) {
      const bpm = 40 + random() * 200
      const jitter = () => (bell() * 0.03 * 60_000_000) / bpm
      const even = taps(bpm, 7, jitter)
      ours += Math.abs(readTaps(even)!.bpm - bpm) / bpm
      mean += Math.abs(plainMean(even) - bpm) / bpm
      const at = Math.floor(random() * 7)
      const odd =
        random() < 0.5
          ? taps(bpm, 8, jitter).filter((_, n) => n !== 1 + (at % 6))
          : taps(bpm, 7, (n) => jitter() + (n === at ? (0.3 * 60_000_000) / bpm : 0))
      oursOdd += Math.abs(readTaps(odd)!.bpm - bpm) / bpm
      meanOdd += Math.abs(plainMean(odd) - bpm) / bpm
    }
    expect(ours / mean).toBeLessThan(1.15)
    expect(oursOdd / meanOdd).toBeLessThan(0.25)
  })

  it('say how sure they are: the true tempo is no further off, 19 times in 20', () => {
    const random = seeded(7)
    let within = 0
    for (let run = 0; run < 1000; run++) {
      const bpm = 60 + random() * 120
      const all = taps(bpm, 6, () => ((random() - 0.5) * 0.04 * 60_000_000) / bpm)
      const { bpm: read, plusMinus } = readTaps(all)!
      if (Math.abs(read - bpm) <= plusMinus! + 0.05) within++
    }
    expect(within).toBeGreaterThan(930)
    expect(readTaps(taps(120, 2))?.plusMinus).toBeNull()
    expect(readTaps([5])).toBeNull()
  })

  it('of any kind are read as a second, plainly written reader does', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 60, max: 1900 }), { maxLength: 12 }), (intervals) => {
        let at = 0
        const all = [0, ...intervals.map((ms) => (at += ms * 1000))]
        expect(readTaps(all)?.bpm ?? null).toBe(plainTempo(all))
      }),
      generated(3000, 5),
    )
  })
})

/** A tremolo whose tap jack hangs on a switching output; switch 1 sets a tempo and taps it out. */
const tapRig = (bpm: number, tapIn: Partial<TapIn> = {}): Rig =>
  makeRig({
    controllers: [
      makeController({
        ports: [makePort('out', makeRole('midiOut')), makePort('relay', makeRole('switchOut'))],
      }),
    ],
    devices: [
      makeDevice('tremolo', 'none', {
        kind: 'plain',
        ports: [makePort('tap', makeRole('switchIn'))],
        tapIn: { ...USUAL_TAP_IN, place: { kind: 'contact', contactId: 'tap' }, ...tapIn },
      }),
      makeDevice('echo', requireChannel(4), { order: 2 }),
    ],
    cables: [
      makeCable('controller.relay', 'tremolo.tap', { lead: 'ts' }),
      makeCable('controller.out', 'echo.in'),
    ],
    banks: [makeBank('one', 0)],
    switches: [
      makeSwitch('one', 1, [
        [
          { kind: 'tempo', does: 'set', bpm },
          { kind: 'tapOut', deviceId: 'tremolo' as never },
        ],
      ]),
    ],
  })

function tappedOut(rig: Rig) {
  const done = stepAndSettle(rig, floorAtPowerOn(rig), {
    kind: 'press',
    switchId: 'one-1' as never,
    at: 1000,
  })
  return { heard: deviceState(done.state, 'tremolo').beat?.bpm ?? null, contacts: done.contacts }
}

describe('taps sent out', () => {
  it('are heard as they were meant, closed and open as long as the device needs, at every tempo', () => {
    for (let bpm = 30; bpm <= 300; bpm = Math.round((bpm + 0.7) * 10) / 10)
      for (const [closedMs, openMs] of [
        [30, 30],
        [10, 80],
        [80, 110],
      ] as const) {
        const { heard, contacts } = tappedOut(tapRig(bpm, { closedMs, openMs }))
        const what = `${bpm} bpm, ${closedMs} ms`
        expect([what, Math.round(heard! * 10) / 10]).toEqual([what, bpm])
        expect(contacts).toHaveLength(8)
        for (let n = 0; n < 8; n++) {
          expect(contacts[n]!.isClosed).toBe(n % 2 === 0)
          const lasts = (contacts[n + 1]?.at ?? Infinity) - contacts[n]!.at
          expect(lasts).toBeGreaterThanOrEqual((n % 2 === 0 ? closedMs : openMs) * 1000)
        }
        // Three intervals for four taps: 3.6 s at 50, 0.9 s at 200 (common practice).
        expect(contacts[6]!.at - contacts[0]!.at).toBe(Math.round((3 * 60_000_000) / bpm))
      }
  })

  it.each([
    [50, 3600],
    [200, 900],
  ])('at %i bpm take %i ms to be right (common practice)', (bpm, ms) => {
    const out = tapsOut({ ...USUAL_TAP_IN, place: { kind: 'contact', contactId: 'tap' } }, bpm)
    expect(out.ok && out.value.rightAfter).toBe(ms * 1000)
  })

  it('are not sent where the device could not take them: then nothing closes at all', () => {
    const tapIn = { ...USUAL_TAP_IN, place: { kind: 'contact' as const, contactId: 'tap' } }
    expect(tapsOut({ ...tapIn, closedMs: 150, openMs: 100 }, 250)).toEqual({
      ok: false,
      refusal: { code: 'tooFast', beatMs: 240, needsMs: 250 },
    })
    expect(tapsOut({ ...tapIn, low: 20 }, 25)).toEqual({
      ok: false,
      refusal: { code: 'forgets', beatMs: 2400, afterMs: 2000 },
    })
    expect(tapsOut(tapIn, 310)).toEqual({ ok: false, refusal: { code: 'beyond', low: 30, high: 300 } })
    expect(tappedOut(tapRig(310)).contacts).toEqual([])
  })

  it('a pulse too short for the device, or a gap, is no tap to it', () => {
    const rig = tapRig(120)
    const pulses = (closedMs: number, everyMs: number) => {
      const done = stepAndSettle(rig, floorAtPowerOn(rig), {
        kind: 'act',
        at: 0,
        actions: [
          {
            kind: 'contact',
            deviceId: 'tremolo' as never,
            contactId: 'tap',
            does: 'pulse',
            times: 4,
            closedMs,
            everyMs,
          },
        ],
      })
      return deviceState(done.state, 'tremolo').beat?.bpm ?? null
    }
    expect([pulses(30, 500), pulses(29, 500), pulses(480, 500)]).toEqual([120, null, null])
  })
})

describe('taps sent out a second time', () => {
  it('while the first are under way, at whatever moment and tempo, are heard as they were meant', () => {
    const base = tapRig(120)
    const rig: Rig = {
      ...base,
      switches: {
        ...base.switches,
        ...Object.fromEntries(
          [96, 132, 240].map((bpm, n) => {
            const one = makeSwitch('one', n + 2, [
              [
                { kind: 'tempo', does: 'set', bpm },
                { kind: 'tapOut', deviceId: 'tremolo' as never },
              ],
            ])
            return [one.id, one]
          }),
        ),
      },
    }
    for (let ms = 1; ms < 2200; ms += 13)
      for (const [n, bpm] of [96, 132, 240].entries()) {
        const first = step(rig, floorAtPowerOn(rig), { kind: 'press', switchId: 'one-1' as never, at: 0 })
        const then = stepAndSettle(rig, first.state, {
          kind: 'press',
          switchId: `one-${n + 2}` as never,
          at: ms * 1000,
        })
        const what = `${bpm} after ${ms} ms`
        const heard = deviceState(then.state, 'tremolo').beat?.bpm ?? 0
        expect([what, Math.round(heard * 10) / 10]).toEqual([what, bpm])
      }
  })

  it('a device that is switched off hears none', () => {
    const rig = tapRig(120)
    const off = step(rig, floorAtPowerOn(rig), {
      kind: 'power',
      deviceId: 'tremolo' as never,
      isOn: false,
      at: 0,
    })
    const done = stepAndSettle(rig, off.state, { kind: 'press', switchId: 'one-1' as never, at: 10 })
    expect(deviceState(done.state, 'tremolo').beat).toBeNull()
  })
})
