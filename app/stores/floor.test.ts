import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { nextTick } from 'vue'
import { encodeMessage } from '#core/midi'
import type { RunStep } from '#core/rig'
import { playSteps, runDifferences, seenIn, type FloorState } from '#core/simulate'
import { MIDI_TEXT } from '~/text/midi'
import { smallRig } from '../../core/rig/testing/makeRig'
import { anyFeet, rigsWithTime, type Foot } from '../../core/simulate/testing/makeFloors'
import { SPEEDS } from './floorClock'
import { makeOpenFloor as openFloor } from './testing/makeOpenFloor'
import { LEAD } from './outgoing'

/** A state without what only counts how often something was begun. */
function told({ known, devices, deafUntil, wires, off, feet }: FloorState) {
  const { running, ...rest } = known
  return {
    ...rest,
    running: Object.keys(running).sort(),
    devices,
    off,
    deafUntil: Object.fromEntries(Object.entries(deafUntil).filter(([, until]) => until > 0)),
    free: Object.fromEntries(
      Object.entries(wires).map(([lane, { freeAt, status }]) => [lane, [freeAt, status]]),
    ),
    feet: Object.entries(feet).map(([id, { isDown, fired, isWaiting }]) => [id, isDown, fired, isWaiting]),
  }
}

function stepsOf(feet: readonly Foot[]): { steps: RunStep[]; length: number } {
  const down = new Set<number>()
  let at = 0
  const steps = feet.map(({ after, number }): RunStep => {
    at += after * 1000
    const kind = down.has(number) ? 'up' : 'down'
    if (kind === 'down') down.add(number)
    else down.delete(number)
    return { kind, at, jack: '', number }
  })
  return { steps, length: at + 900_000 }
}

describe('the clock of the floor', () => {
  it('the same run at every speed, paused and stepped, comes to the same state and the same wire', async () => {
    let messages = 0
    await fc.assert(
      fc.asyncProperty(
        rigsWithTime,
        anyFeet,
        fc.array(
          fc.oneof(
            fc.record({ kind: fc.constant('rate' as const), rate: fc.constantFrom(...SPEEDS) }),
            fc.record({ kind: fc.constant('wait' as const), ms: fc.integer({ min: 1, max: 4000 }) }),
            fc.record({ kind: fc.constant('step' as const), times: fc.integer({ min: 1, max: 9 }) }),
            fc.record({ kind: fc.constant('pause' as const), ms: fc.integer({ min: 1, max: 5000 }) }),
          ),
          { maxLength: 12 },
        ),
        async (rig, feet, hands) => {
          const { steps, length } = stepsOf(feet)
          const once = playSteps(rig, steps, length)
          const { clock, floor } = await openFloor(rig)
          floor.play('the run', steps, length)
          for (const hand of hands) {
            if (hand.kind === 'rate') floor.setRate(hand.rate)
            else if (hand.kind === 'wait') clock.advance(hand.ms)
            else if (hand.kind === 'step')
              for (let n = 0; n < hand.times && floor.playing; n++) floor.stepOn()
            else {
              floor.setRate(0)
              clock.advance(hand.ms)
            }
            if (!floor.playing) break
          }
          // To the end and no further: what is due after it is not of the run.
          while (floor.playing) floor.stepOn()
          const wire = floor.minute().wire.last()
          // What ends at one moment on two wires has no order.
          const plain = (all: typeof once.wire) =>
            all
              .map(({ start, end, bytes, lane, lostBy, by }) => ({
                start,
                end,
                bytes: [...bytes],
                lane,
                lostBy,
                by,
              }))
              .sort((a, b) => a.end - b.end || (a.lane < b.lane ? -1 : 1))
          messages += wire.length
          expect(plain(wire.filter(({ end }) => end <= length))).toEqual(plain(once.wire))
          if (floor.state!.at === length) expect(told(floor.state!)).toEqual(told(once.state))
        },
      ),
      generated(250, 10_2027),
    )
    expect(messages).toBeGreaterThan(runs(1000))
  })

  it('keeps a recorded run as it was, and says what an edit changed in it', async () => {
    const rig = smallRig()
    const { clock, floor } = await openFloor(rig)
    floor.record()
    clock.advance(300)
    floor.press(1)
    clock.advance(80)
    floor.release(1)
    clock.advance(500)
    floor.press(2)
    clock.advance(60)
    floor.release(2)
    clock.advance(700)
    const live = floor
      .minute()
      .wire.last()
      .map(({ start, bytes }) => [start, ...bytes])
    const run = floor.endRecording()!
    expect(run.steps.map(({ kind, at }) => [kind, at])).toEqual([
      ['down', 300_000],
      ['up', 380_000],
      ['down', 880_000],
      ['up', 940_000],
    ])
    const played = playSteps(rig, run.steps, run.length)
    expect(played.wire.map(({ start, bytes }) => [start, ...bytes])).toEqual(live)
    const row = {
      id: 'r' as never,
      order: 1,
      name: 'Run',
      steps: [...run.steps],
      length: run.length,
      seen: seenIn(rig, played),
    }
    expect(runDifferences(rig, row)).toEqual([])
    const moved = { ...rig, devices: { ...rig.devices, echo: { ...rig.devices.echo!, channel: 9 as never } } }
    expect(runDifferences(moved, row).map(({ kind }) => kind)).toContain('missing')
  })
})

describe('real MIDI beside the floor', () => {
  it('sends the bytes of the wire at its times, all later by the same', async () => {
    const { clock, floor, midi, ports } = await openFloor(smallRig())
    await ports.open()
    midi.plug('gear', 'Stage box')
    ports.choose('', 'gear')
    for (let n = 0; n < 20; n++) {
      floor.press((n % 2) + 1)
      clock.advance(37)
      floor.release((n % 2) + 1)
      clock.advance(90)
    }
    clock.advance(200)
    const wire = floor.minute().wire.last()
    expect(wire.length).toBe(30)
    expect(midi.sent.map(({ at, bytes }) => [at, ...bytes])).toEqual(
      wire.map(({ start, bytes }) => [start / 1000 + LEAD, ...bytes]),
    )
    // Each was handed over before its time.
    expect(midi.sent.filter(({ at, handedAt }) => handedAt > at)).toEqual([])
    expect(ports.jitter).toMatchObject({ late: 0, count: wire.length })
  })

  it('slowed, the spaces between grow with the clock', async () => {
    const { clock, floor, midi, ports } = await openFloor(smallRig())
    ports.choose('', 'bench')
    await ports.open()
    midi.plug('gear')
    ports.choose('', 'gear')
    floor.setRate(1 / 10)
    floor.press(2)
    clock.advance(2000)
    const [first, second] = midi.sent
    // A program change takes 0.64 ms on the wire (M1 v4.2.1; from memory), ten times that at a tenth.
    expect(second!.at - first!.at).toBeCloseTo(6.4, 6)
  })

  it('unplugged in the middle no press is lost; it says so, and goes on when it comes back', async () => {
    const { clock, floor, midi, ports } = await openFloor(smallRig())
    await ports.open()
    midi.plug('gear', 'Stage box')
    ports.choose('', 'gear')
    const press = () => {
      floor.press(2)
      clock.advance(50)
      floor.release(2)
      clock.advance(200)
    }
    press()
    const before = midi.sent.length
    midi.unplug('gear')
    await nextTick()
    expect(ports.away).toEqual([{ id: 'gear', name: 'Stage box' }])
    press()
    expect(midi.sent).toHaveLength(before)
    expect([...ports.missed]).toEqual([['Stage box', 2]])
    expect(floor.minute().wire.length).toBe(4)
    // It comes back under another id, as ports do.
    midi.plug('gear-2', 'Stage box')
    await nextTick()
    expect(ports.away).toEqual([])
    press()
    expect(midi.sent.slice(before).map(({ id, bytes }) => [id, ...bytes])).toEqual([
      ['gear-2', 0xc0, 7],
      ['gear-2', 0xc3, 11],
    ])
  })

  it('knows its own messages when they come back, and others from them', async () => {
    const { clock, floor, midi, ports } = await openFloor(smallRig())
    ports.choose('', 'bench')
    floor.press(2)
    clock.advance(200)
    expect(ports.incoming.map(({ from, bytes, isEcho }) => [from, [...bytes], isEcho])).toEqual([
      ['Bench port', [0xc0, 7], true],
      ['Bench port', [0xc3, 11], true],
    ])
    await ports.open()
    midi.comeIn('gear', [...encodeMessage({ kind: 'program', channel: 1 as never, program: 7 as never })])
    expect(ports.incoming.at(-1)).toMatchObject({ from: 'gear', isEcho: false })
  })

  it.each([
    ['none', 'none', 'open'],
    ['insecure', 'insecure', 'open'],
    ['ready', 'refused', 'refused'],
    ['ready', 'failed', 'failed'],
  ] as const)('a browser that is %s and answers: %s', async (reach, state, answer) => {
    const { midi, ports } = await openFloor(smallRig(), reach)
    midi.answer = answer
    await ports.open()
    expect(ports.state).toBe(state)
    expect(MIDI_TEXT[ports.state]).toMatch(/^[A-Z].*\.$/)
  })
})
