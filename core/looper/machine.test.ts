import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import {
  makeBank,
  makeCable,
  makeController,
  makeDevice,
  makePort,
  makeRig,
  makeRole,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { loopChartSchema, type LoopChart } from '../rig/table/looper'
import { advance, step } from '../simulate/step'
import { deviceState, floorAtPowerOn } from '../simulate/floor'
import { LOOP_CHARTS, LOOP_KINDS, loopKindOf } from './kinds'
import { EMPTY_LOOP, loopDown, loopHeld, loopLength, loopUp, type LoopNow } from './machine'
import { anyChart, feetOn, plainLooper, type FootEvent } from './testing/makeLoopers'
import { wayOf } from './ways'

/** What the machine makes of feet up to a moment, in ms; holds are looked at when they are due, as the floor does it. */
function played(chart: LoopChart, events: readonly FootEvent[], until: number): LoopNow {
  let now = EMPTY_LOOP
  const holds: { at: number; input: string; since: number }[] = []
  const due = (to: number, isBefore: boolean) => {
    for (let n = 0; n < holds.length; n++) {
      const { at, input, since } = holds[n]!
      if (at > to || (at === to && isBefore)) continue
      now = loopHeld(chart, now, input, since, at * 1000)
      holds.splice(n--, 1)
    }
  }
  for (const { at, input, isDown } of events) {
    if (at > until) break
    due(at, false)
    now = isDown ? loopDown(chart, now, input, at * 1000) : loopUp(chart, now, input, at * 1000)
    if (isDown) holds.push({ at: at + chart.holdMs, input, since: at * 1000 })
  }
  due(until, false)
  return now
}

const layersOf = ({ takes }: LoopNow) =>
  takes
    .filter(({ fate }) => fate === 'kept')
    .map(({ from, to }) => [from / 1000, to === null ? null : to / 1000])

const down = (at: number, input = 'one'): FootEvent => ({ at, input, isDown: true })
const up = (at: number, input = 'one'): FootEvent => ({ at, input, isDown: false })
const stepped = (at: number, input = 'one') => [down(at, input), up(at + 80, input)]

describe('a looper', () => {
  it('does at every moment what a second, plainly written one does', () => {
    fc.assert(
      fc.property(
        anyChart.chain((chart) => fc.tuple(fc.constant(chart), feetOn(chart))),
        ([chart, events]) => {
          const ends = [...new Set(events.flatMap(({ at }) => [at, at + 1, at + chart.holdMs]))]
          for (const until of ends) {
            const now = played(chart, events, until)
            const plain = plainLooper(chart, events, until)
            expect([until, now.state, layersOf(now)]).toEqual([until, plain.state, plain.layers])
          }
        },
      ),
      generated(400, 13),
    )
  })

  // Common practice: one switch records, plays, overdubs; held for two seconds it clears; pressed twice it stops.
  it('of one switch goes through record, play, overdub; stops at two presses and clears when held', () => {
    const chart = LOOP_CHARTS.oneSwitch
    const states = (...events: FootEvent[]) => played(chart, events, 60_000).state
    expect(states(...stepped(0))).toBe('recording')
    expect(states(...stepped(0), ...stepped(4000))).toBe('playing')
    expect(states(...stepped(0), ...stepped(4000), ...stepped(8000))).toBe('overdubbing')
    expect(states(...stepped(0), ...stepped(4000), ...stepped(8000), ...stepped(8200))).toBe('stopped')
    expect(states(...stepped(0), ...stepped(4000), down(8000))).toBe('empty')
    expect(states(...stepped(0), ...stepped(4000), down(8000), up(9999))).toBe('overdubbing')
    expect(loopLength(played(chart, [...stepped(0), ...stepped(4000)], 9000))).toBe(4_000_000)
  })

  it('feels the press of a hold: what it overdubs meanwhile is told, and an undo by holding takes just that away', () => {
    const held = played(LOOP_CHARTS.oneSwitch, [...stepped(0), ...stepped(4000), down(8000)], 11_000)
    expect(held.takes.at(-1)).toEqual({ from: 8_000_000, to: 10_000_000, kind: 'dub', fate: 'cleared' })
    const undone = played(
      LOOP_CHARTS.dubFirst,
      [...stepped(0), ...stepped(4000), ...stepped(8000), down(9000)],
      12_000,
    )
    expect(undone.state).toBe('playing')
    expect(undone.takes.map(({ kind, fate }) => `${kind} ${fate}`)).toEqual([
      'loop kept',
      'dub kept',
      'dub undone',
    ])
  })

  it.each(LOOP_KINDS)(
    'of the kind %s has a sound chart, is known again, and can be stopped and cleared',
    (kind) => {
      const chart = LOOP_CHARTS[kind]
      expect(loopChartSchema.safeParse(chart).success).toBe(true)
      expect(loopKindOf(chart)).toBe(kind)
      expect([wayOf(chart, 'stop'), wayOf(chart, 'clear')]).not.toContain(null)
    },
  )

  it('refuses a chart in which a gesture leads to two places, or of an input that is not there', () => {
    const { moves } = LOOP_CHARTS.oneSwitch
    const bad = (extra: LoopChart['moves'][number]) =>
      loopChartSchema.safeParse({ ...LOOP_CHARTS.oneSwitch, moves: [...moves, extra] }).success
    expect(bad({ in: 'playing', input: 'one', gesture: 'press', to: 'stopped', also: null })).toBe(false)
    expect(bad({ in: 'playing', input: 'ten', gesture: 'press', to: 'stopped', also: null })).toBe(false)
  })
})

/** A looper whose two footswitches hang on a switching output of two contacts. */
const onFloor = (looper: LoopChart): Rig => {
  const bound = looper.inputs.map((input, n) => ({
    ...input,
    by: { kind: 'contact' as const, contactId: `foot${n + 1}` },
  }))
  return makeRig({
    controllers: [
      makeController({
        ports: [makePort('out', makeRole('midiOut')), makePort('relay', makeRole('switchOut', { poles: 2 }))],
      }),
    ],
    devices: [
      makeDevice('looper', 'none', {
        kind: 'plain',
        looper: { ...looper, inputs: bound },
        ports: [makePort('foot', makeRole('switchIn', { poles: 2 }))],
      }),
    ],
    cables: [makeCable('controller.relay', 'looper.foot', { lead: 'trs' })],
    banks: [makeBank('one', 0)],
  })
}

describe('a looper on the floor', () => {
  it('hears its contacts, and holds come due by themselves: as the plain machine, whatever pieces time passes in', () => {
    fc.assert(
      fc.property(
        anyChart
          .filter(({ inputs }) => inputs.length <= 2)
          .chain((chart) => fc.tuple(fc.constant(chart), feetOn(chart))),
        fc.integer({ min: 1, max: 700 }),
        ([chart, events], piece) => {
          const rig = onFloor(chart)
          let floor = floorAtPowerOn(rig)
          for (const { at, input, isDown } of events) {
            floor = advance(rig, floor, Math.max(floor.at, at * 1000 - piece * 1000)).state
            const n = chart.inputs.findIndex(({ id }) => id === input)
            const contact = {
              kind: 'contact' as const,
              deviceId: 'looper' as never,
              contactId: `foot${n + 1}`,
              does: isDown ? ('close' as const) : ('open' as const),
              times: 1,
              closedMs: 30,
              everyMs: 500,
            }
            floor = step(rig, floor, { kind: 'act', actions: [contact], at: at * 1000 }).state
          }
          const until = (events.at(-1)?.at ?? 0) + 2500
          floor = advance(rig, floor, until * 1000).state
          const plain = plainLooper(chart, events, until)
          const now = deviceState(floor, 'looper').loop ?? EMPTY_LOOP
          expect([now.state, layersOf(now)]).toEqual([plain.state, plain.layers])
        },
      ),
      generated(200, 3),
    )
  })
})
