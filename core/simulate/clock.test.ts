import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makePort,
  makeRig,
  makeRole,
  makeSong,
  makeSound,
  makeSwitch,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { clockInterval, clockSeen, clockShare } from '../tempo/clock'
import { tempoMoves } from '../switching/tempoMoves'
import { tempoNow } from '../switching/tempoNow'
import { deviceState, floorAtPowerOn, joined, type FloorInput, type StepResult } from './floor'
import { reconcile } from './reconcile'
import { advance, step } from './step'

const press = (id: string, ms: number): FloorInput => ({
  kind: 'press',
  switchId: id as never,
  at: ms * 1000,
})

/** Inputs one after the other, then time until `ms`. */
function played(rig: Rig, inputs: readonly FloorInput[], ms: number): StepResult {
  const [first, ...others] = inputs
  let done = step(rig, floorAtPowerOn(rig), first!)
  for (const input of others) done = joined(done, step(rig, done.state, input))
  return joined(done, advance(rig, done.state, ms * 1000))
}

/** An echo that follows clock on 4, a reverb that does not on 5; switches do what is given. */
const clockRig = (
  switches: readonly (readonly Action[])[],
  more: Parameters<typeof makeRig>[0] = {},
  controller: Parameters<typeof makeController>[0] = {},
): Rig =>
  makeRig({
    controllers: [makeController(controller)],
    devices: [makeDevice('echo', 4, { followsClock: true }), makeDevice('reverb', 5, { order: 2 })],
    controls: [makeControl('mix', 'echo', 20)],
    banks: [makeBank('one', 0)],
    switches: switches.map((actions, n) => makeSwitch('one', n + 1, [[...actions]])),
    ...more,
  })

const tempoAndStart = (bpm: number): Action[] => [
  { kind: 'tempo', does: 'set', bpm },
  { kind: 'clock', does: 'start' },
]

describe('the clock of the floor', () => {
  // M1 v4.2.1, "Timing Clock": 24 a quarter, 2500 / bpm ms apart. From memory.
  it('sends 24 a quarter from 30 to 300 bpm, and the device that follows reads the tempo off it', () => {
    for (const bpm of [30, 50, 93.8, 120, 177.7, 240, 300]) {
      const rig = clockRig([tempoAndStart(bpm)])
      const seconds = 10
      const { wire, state } = played(rig, [press('one-1', 0)], seconds * 1000)
      const ends = wire.flatMap(({ message, end }) => (message.kind === 'clock' ? [end] : []))
      // Start goes out first, so each is two bytes late: those still on the wire at the end have not come.
      const plain = Math.floor((seconds * 1_000_000 - 640) / clockInterval(bpm)) + 1
      expect([bpm, ends.length]).toEqual([bpm, plain])
      const seen = clockSeen(ends, clockInterval(bpm))
      expect(Math.abs(seen.bpm! - bpm)).toBeLessThan(0.05)
      // Alone on the wire it is even: rounding to whole µs, and the first waits for the start.
      expect(clockSeen(ends.slice(1), clockInterval(bpm)).jitter).toBeLessThanOrEqual(2)
      expect(Math.abs(deviceState(state, 'echo').beat!.bpm! - bpm)).toBeLessThan(0.05)
      expect(deviceState(state, 'reverb').beat).toBeNull()
      // Its share of the wire: 320 µs each.
      const busy = ends.length * 320
      expect(busy / (seconds * 1_000_000)).toBeCloseTo(clockShare(bpm), 3)
    }
  })

  it('waits its turn on the one wire: how late each is, is what a plain queue says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(60, 93.8, 120, 200),
        fc.array(
          fc.record({ after: fc.integer({ min: 1, max: 60 }), many: fc.integer({ min: 1, max: 12 }) }),
          {
            minLength: 1,
            maxLength: 20,
          },
        ),
        (bpm, bursts) => {
          const burst = (many: number): Action[] =>
            Array.from({ length: many }, (_, n): Action => ({
              kind: 'setControl',
              controlId: 'mix' as never,
              value: n,
            }))
          const rig = clockRig(
            [tempoAndStart(bpm), ...Array.from({ length: 12 }, (_, n) => burst(n + 1))],
            {},
            { columns: 12 },
          )
          let at = 0
          const inputs: FloorInput[] = [press('one-1', 0)]
          /** What is asked of the wire, in µs and bytes, in that order. */
          const asked: { at: number; bytes: number; isClock: boolean }[] = [
            { at: 0, bytes: 1, isClock: false },
          ]
          for (const { after, many } of bursts) {
            at += after
            inputs.push(press(`one-${many + 1}`, at), {
              kind: 'release',
              switchId: `one-${many + 1}` as never,
              at: at * 1000 + 500,
            })
            for (let n = 0; n < many; n++) asked.push({ at: at * 1000, bytes: 3, isClock: false })
          }
          const until = at + 200
          for (let n = 0; Math.round(n * clockInterval(bpm)) <= until * 1000; n++)
            asked.push({ at: Math.round(n * clockInterval(bpm)), bytes: 1, isClock: true })
          // The start comes before the first clock; a clock due as a foot comes down goes first.
          const queue = asked
            .map((one, n) => ({ ...one, n }))
            .sort(
              (a, b) =>
                a.at - b.at || (a.at === 0 ? a.n - b.n : Number(b.isClock) - Number(a.isClock) || a.n - b.n),
            )
          let free = 0
          const ends: number[] = []
          for (const one of queue) {
            free = Math.max(free, one.at) + one.bytes * 320
            if (one.isClock && free <= until * 1000) ends.push(free)
          }
          const { wire } = played(rig, inputs, until)
          expect(wire.flatMap(({ message, end }) => (message.kind === 'clock' ? [end] : []))).toEqual(ends)
        },
      ),
      generated(60, 13),
    )
  })

  // M1 v4.2.1, "System Real Time Messages": start begins at the top, continue where it stopped, clock alone moves nothing. From memory.
  it('start begins at the top, stop holds, continue goes on from there', () => {
    const rig = clockRig([
      tempoAndStart(120),
      [{ kind: 'clock', does: 'stop' }],
      [{ kind: 'clock', does: 'continue' }],
    ])
    const beat = (inputs: readonly FloorInput[], ms: number) => {
      const { isPlaying, position } = deviceState(played(rig, inputs, ms).state, 'echo').beat!
      return [isPlaying, position]
    }
    // One second is two quarters, 48 clocks, and the one that begins the third.
    expect(beat([press('one-1', 0)], 1001)).toEqual([true, 49])
    expect(beat([press('one-1', 0), press('one-2', 1010)], 3000)).toEqual([false, 49])
    const again = [press('one-1', 0), press('one-2', 1010), press('one-3', 3000)]
    expect(beat(again, 4001)).toEqual([true, 98])
    expect(
      beat(
        [
          press('one-1', 0),
          press('one-2', 1010),
          { ...press('one-1', 3000), kind: 'release' } as FloorInput,
          press('one-1', 3000),
        ],
        4001,
      ),
    ).toEqual([true, 49])
  })

  it('does not come through a jack that keeps it back', () => {
    const out = makePort('out', makeRole('midiOut', { clock: 'kept' }))
    const cables = [makeCable('controller.out', 'echo.in')]
    const kept = clockRig([tempoAndStart(120)], { cables }, { ports: [out] })
    expect(deviceState(played(kept, [press('one-1', 0)], 1000).state, 'echo').beat).toBeNull()
  })
})

describe('the one tempo', () => {
  const songs = [makeSong('net', 96), makeSong('storm', 132, { order: 2 })]
  const rig = clockRig(
    [
      [{ kind: 'tap', controlId: null }],
      [{ kind: 'travel', to: 'next', bankId: null }],
      [{ kind: 'recallSound', soundId: 'slow' as never }],
      [{ kind: 'tempo', does: 'stored', bpm: 0 }],
    ],
    {
      songs,
      sounds: [makeSound('slow', {}, { tempo: 60 })],
      banks: [
        makeBank('one', 0, '', { songId: 'net' as never }),
        makeBank('two', 1, '', { songId: 'net' as never }),
        makeBank('three', 2, '', { songId: 'storm' as never }),
      ],
    },
    { followsClock: true },
  )
  const tempo = (inputs: readonly FloorInput[], ms: number) => tempoNow(played(rig, inputs, ms).state.known)
  const again = (id: string, ms: number): FloorInput[] => [
    press(id, ms),
    { kind: 'release', switchId: id as never, at: ms * 1000 + 50_000 },
  ]
  const tapped = [0, 500, 1000, 1500].flatMap((ms) => again('one-1', ms))
  const to = (bankId: string, ms: number): FloorInput => ({
    kind: 'bank',
    bankId: bankId as never,
    at: ms * 1000,
  })

  it('is that of the song whose bank it starts in', () => {
    expect(tempo([to('one', 0)], 1)).toEqual({ bpm: 96, from: { kind: 'song', songId: 'net' }, over: null })
  })

  it('is tapped by foot, and says what it overrides; it holds in all banks of the song, and another song takes it away', () => {
    const song = { bpm: 96, from: { kind: 'song', songId: 'net' } }
    expect(tempo(tapped, 1600)).toEqual({ bpm: 120, from: { kind: 'tap' }, over: song })
    expect(tempo([...tapped, to('two', 1700)], 1800).bpm).toBe(120)
    expect(tempo([...tapped, to('three', 1700)], 1800)).toEqual({
      bpm: 132,
      from: { kind: 'song', songId: 'storm' },
      over: null,
    })
  })

  it('is given back by the switch for that, and taken away by a sound that stores one', () => {
    expect(tempo([...tapped, ...again('one-4', 1700)], 1800)).toMatchObject({
      bpm: 96,
      from: { kind: 'song' },
      over: null,
    })
    expect(tempo([...tapped, ...again('one-3', 1700)], 1800)).toMatchObject({
      bpm: 60,
      from: { kind: 'sound' },
    })
  })

  it("tonight's goes before the stored one", () => {
    const tonight = {
      ...rig,
      songs: { ...rig.songs, net: { ...songs[0]!, tonight: { bpm: 93.8, since: '2026-11-26' } } },
    }
    expect(floorAtPowerOn(tonight).known.tempo).toBe(93.8)
  })

  it('after an edit is what is stored now: kept, given back, and a song given to the bank under the foot', () => {
    const { state } = played(rig, tapped, 1600)
    const kept = { ...rig, songs: { ...rig.songs, net: { ...songs[0]!, tempo: 120 } } }
    expect(tempoNow(reconcile(kept, state).known)).toEqual({
      bpm: 120,
      from: { kind: 'song', songId: 'net' },
      over: null,
    })
    const other = { ...rig, songs: { ...rig.songs, net: { ...songs[0]!, tempo: 99 } } }
    expect(tempoNow(reconcile(other, state).known)).toMatchObject({ bpm: 120, over: { bpm: 99 } })
    const given = {
      ...rig,
      banks: { ...rig.banks, one: makeBank('one', 0, '', { songId: 'storm' as never }) },
    }
    expect(tempoNow(reconcile(given, state).known)).toMatchObject({ bpm: 132, from: { songId: 'storm' } })
    expect(reconcile(rig, state)).toBe(state)
    const { net: _, ...without } = rig.songs
    const gone = { ...rig, songs: without, banks: { ...rig.banks, one: makeBank('one', 0) } }
    expect(reconcile(gone, state).known.songId).toBeNull()
  })

  it('is a clock from outside for as long as that comes, and then what it was', () => {
    const clock = (bpm: number | null, ms: number): FloorInput => ({ kind: 'clockIn', bpm, at: ms * 1000 })
    expect(tempo([...tapped, clock(101, 1700)], 1800)).toEqual({
      bpm: 101,
      from: { kind: 'clock' },
      over: { bpm: 120, from: { kind: 'tap' } },
    })
    expect(tempo([...tapped, clock(101, 1700), clock(null, 1900)], 2000).bpm).toBe(120)
    const deaf = clockRig([[]], { songs }, { followsClock: false })
    expect(tempoNow(played(deaf, [clock(101, 5)], 10).state.known).from).toBeNull()
  })

  it('what changes it from here is told switch by switch', () => {
    const { known } = played(rig, tapped, 1600).state
    expect(tempoMoves(rig, known)).toEqual([
      { switchId: 'one-1', event: 'press', bpm: null, by: 'tap' },
      { switchId: 'one-3', event: 'press', bpm: 60, by: 'sound' },
      { switchId: 'one-4', event: 'press', bpm: 96, by: 'stored' },
    ])
    // Two leads on to the storm: from there the next bank is another song's.
    const { known: there } = played(rig, [...tapped, to('two', 1700)], 1800).state
    const moves = tempoMoves(
      { ...rig, switches: { two: makeSwitch('two', 1, [[{ kind: 'travel', to: 'next', bankId: null }]]) } },
      there,
    )
    expect(moves).toEqual([{ switchId: 'two-1', event: 'press', bpm: 132, by: 'song' }])
  })
})
