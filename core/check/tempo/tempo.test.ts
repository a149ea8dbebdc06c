import { describe, expect, it } from 'vitest'
import { LOOP_CHARTS } from '../../looper/kinds'
import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makeMacro,
  makePort,
  makeRig,
  makeRole,
  makeSong,
  makeSound,
  makeSwitch,
} from '../../rig/testing/makeRig'
import type { Rig } from '../../rig/rig'
import { applyEdit } from '../../rig/applyEdit'
import { rigProblems } from '../../rig/integrity'
import type { Action } from '../../rig/table/action'
import type { Bank } from '../../rig/table/bank'
import type { LoopChart } from '../../rig/table/looper'
import type { Song } from '../../rig/table/song'
import type { Footswitch } from '../../rig/table/switch'
import { USUAL_TAP_IN, type TapIn } from '../../rig/table/tapIn'
import { loopSwitches } from '../../simulate/loopMoves'
import { clockGivers, clockPlan } from '../../switching/clockPlan'
import { plannedLoop, planLooper } from '../../switching/looperPlan'
import { codes, expectFixable, requireFinding } from '../testing/makeFinding'

const id = (text: string) => text as never
const out = makePort('out', makeRole('midiOut'))
const relay = makePort('relay', makeRole('switchOut', { poles: 2 }))
const go = (bankId: string): Action => ({ kind: 'travel', to: 'bank', bankId: id(bankId) })

describe('times in sounds', () => {
  const rig = (value: number): Rig =>
    makeRig({
      devices: [makeDevice('echo', 4)],
      controls: [
        makeControl('time', 'echo', 20, {
          division: 'dottedEighth',
          reading: { kind: 'range', unit: 'ms', low: 20, high: 1200, scale: 'linear', from: 0, to: 127 },
        }),
      ],
      sounds: [
        makeSound(
          'verse',
          { echo: { kind: 'values', values: [{ controlId: id('time'), value }] } },
          { tempo: 120 },
        ),
      ],
    })

  // midi-facts, "Arithmetic": a dotted eighth at 120 is 375 ms; of 128 even steps from 20 to 1200 ms value 38 is nearest.
  it('off the beat are told with the nearest value, and set', () => {
    const found = requireFinding(rig(40), 'offBeat')
    expect(found.facts).toMatchObject({ bpm: 120, division: 'dottedEighth', value: 38 })
    expect(found.facts.offMs).toBeCloseTo(20 + (40 / 127) * 1180 - 375, 6)
    expectFixable(rig(40), 'offBeat')
    expect(codes(rig(38))).not.toContain('offBeat')
  })
})

/** A tremolo on a switching output; bank one is the song's, and does `enter` when the foot comes to it. */
function tapped(
  enter: readonly Action[],
  song: Partial<Song> = {},
  tapIn: Partial<TapIn> = {},
  more: {
    readonly isCabled?: boolean
    readonly banks?: readonly Bank[]
    readonly songs?: readonly Song[]
  } = {},
): Rig {
  return makeRig({
    controllers: [makeController({ ports: [out, relay] })],
    devices: [
      makeDevice('tremolo', 'none', {
        kind: 'plain',
        ports: [makePort('tap', makeRole('switchIn'))],
        tapIn: { ...USUAL_TAP_IN, place: { kind: 'contact', contactId: 'tap' }, ...tapIn },
      }),
    ],
    cables: more.isCabled === false ? [] : [makeCable('controller.relay', 'tremolo.tap', { lead: 'ts' })],
    songs: [makeSong('storm', 132, song), ...(more.songs ?? [])],
    banks: [makeBank('one', 0, 'Storm', { songId: id('storm'), enter: [...enter] }), ...(more.banks ?? [])],
  })
}
const tapOut: Action = { kind: 'tapOut', deviceId: id('tremolo') }

describe('taps sent out', () => {
  it('are late for a song that begins before the fourth, and in time with a bar to count', () => {
    // Three intervals for four taps (common practice).
    expect(requireFinding(tapped([tapOut], { countIn: 2 }), 'tapOutLate').facts).toEqual({
      song: 'storm',
      device: 'tremolo',
      beats: 3,
      countIn: 2,
      ms: Math.round((3 * 60_000_000) / 132) / 1000,
    })
    expect(codes(tapped([tapOut], { countIn: 3 }))).not.toContain('tapOutLate')
    // What the list waits for before the taps counts: half a second is more than a beat here.
    const waiting = tapped([{ kind: 'wait', ms: 500 }, tapOut], { countIn: 4 })
    expect(requireFinding(waiting, 'tapOutLate').facts).toMatchObject({ beats: 5, countIn: 4 })
    // Taps in a macro are taps.
    const macros = { m: makeMacro('m', [tapOut]) }
    const byMacro = { ...tapped([{ kind: 'macro', macroId: id('m') }], { countIn: 2 }), macros }
    expect(codes(byMacro)).toContain('tapOutLate')
    expect(codes(byMacro)).not.toContain('tapOutMissing')
    // What is not known is not told as a fault.
    expect(codes(tapped([tapOut], { countIn: null }))).not.toContain('tapOutLate')
  })

  it('that cannot be are told with the reason: no way, too fast, forgotten, beyond', () => {
    const why = (rig: Rig) => requireFinding(rig, 'tapOutCannot').facts.why.code
    expect(why(tapped([tapOut], {}, {}, { isCabled: false }))).toBe('noWay')
    expect(why(tapped([tapOut], { tempo: 290 }, { closedMs: 150, openMs: 100 }))).toBe('tooFast')
    expect(why(tapped([tapOut], { tempo: 25 }, { low: 20 }))).toBe('forgets')
    expect(why(tapped([tapOut], { tempo: 310 }))).toBe('beyond')
    expect(codes(tapped([tapOut]))).not.toContain('tapOutCannot')
    // Tonight's tempo counts too.
    expect(why(tapped([tapOut], { tonight: { bpm: 310, since: '2026-11-26' } }))).toBe('beyond')
  })

  it('left out for one song while another has them are told, and put in', () => {
    const more = {
      songs: [makeSong('finale', 140, { order: 2 })],
      banks: [makeBank('two', 1, 'Finale', { songId: id('finale') })],
    }
    const rig = tapped([tapOut], {}, {}, more)
    expect(requireFinding(rig, 'tapOutMissing').facts).toMatchObject({ song: 'finale', device: 'tremolo' })
    expectFixable(rig, 'tapOutMissing')
    expect(codes(tapped([], {}, {}, more))).not.toContain('tapOutMissing')
  })
})

describe('a tap', () => {
  const rig = (controlId: string): Rig =>
    makeRig({
      devices: [makeDevice('echo', 4)],
      controls: [
        makeControl('tap', 'echo', 20, { name: 'Tap tempo', reading: { kind: 'trigger', value: 127 } }),
        makeControl('loop', 'echo', 21, {
          name: 'Tap',
          section: 'Looper',
          reading: { kind: 'trigger', value: 127 },
        }),
      ],
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [[{ kind: 'tap', controlId: id(controlId) }]])],
    })

  // "Tap" in a looper's section is not tap tempo (common practice).
  it("of the tempo sent to a looper's is told, and put on the tempo's", () => {
    expect(requireFinding(rig('loop'), 'tapIsLooper').facts).toMatchObject({
      control: 'Tap',
      tempo: 'Tap tempo',
    })
    expectFixable(rig('loop'), 'tapIsLooper')
    expect(codes(rig('tap'))).not.toContain('tapIsLooper')
  })
})

describe('clocks', () => {
  const merging = [
    makePort('in', makeRole('midiIn')),
    makePort('in2', makeRole('midiIn')),
    makePort('out', makeRole('midiOut', { passes: 'always' })),
  ]
  const rig = (
    echo: Parameters<typeof makeDevice>[2],
    cables: readonly (readonly [string, string])[],
    looper: Parameters<typeof makeDevice>[2] = {},
  ): Rig =>
    makeRig({
      controllers: [makeController({ ports: [out, makePort('out2', makeRole('midiOut'))] })],
      devices: [
        makeDevice('echo', 4, echo),
        makeDevice('box', 'none', { kind: 'box', order: 2, ports: merging }),
        makeDevice('looper', 5, { order: 3, ports: [makePort('in', makeRole('midiIn')), out], ...looper }),
      ],
      cables: cables.map(([from, to]) => makeCable(from, to)),
      banks: [makeBank('one', 0)],
      switches: [makeSwitch('one', 1, [[{ kind: 'clock', does: 'change' }]])],
    })
  const verdict = (one: Rig) => clockPlan(one).find(({ box }) => box.id === 'echo')?.verdict

  it('that come to a device which must not get one are told, and kept back at the jack before', () => {
    const harmed = rig({ clockHarms: true }, [['controller.out', 'echo.in']])
    expect(requireFinding(harmed, 'clockHarm').facts).toMatchObject({ device: 'echo', jack: 'out' })
    expect(verdict(expectFixable(harmed, 'clockHarm'))).toBe('kept')
    expect(verdict(rig({ clockHarms: true }, []))).toBe('kept')
  })

  it('of two givers, and one by two ways, are told; one by one way is not', () => {
    const twice = rig({ followsClock: true }, [
      ['controller.out', 'box.in'],
      ['controller.out2', 'box.in2'],
      ['box.out', 'echo.in'],
    ])
    expect(requireFinding(twice, 'twoClocks').facts).toEqual({
      device: 'echo',
      from: ['Foot controller'],
      ways: 2,
    })
    const merged = rig(
      { followsClock: true },
      [
        ['controller.out', 'box.in'],
        ['looper.out', 'box.in2'],
        ['box.out', 'echo.in'],
      ],
      { givesClock: true },
    )
    expect(requireFinding(merged, 'twoClocks').facts).toMatchObject({
      from: ['Foot controller', 'looper'],
      ways: 2,
    })
    // A second controller that could send and is never told to is no giver.
    const other = makeController({ id: id('controller2'), ports: [out] })
    const quiet = { ...merged, controllers: { ...merged.controllers, controller2: other } }
    expect(clockGivers(quiet)).toEqual(['controller', 'looper'])
    const one = rig({ followsClock: true }, [['controller.out', 'echo.in']])
    expect([verdict(one), codes(one).includes('twoClocks')]).toEqual(['follows', false])
    expect(verdict(rig({ followsClock: true }, []))).toBe('waits')
  })
})

const bound = (chart: LoopChart, fields: Partial<LoopChart> = {}): LoopChart => ({
  ...chart,
  ...fields,
  inputs: chart.inputs.map((input, n) => ({ ...input, by: { kind: 'contact', contactId: `foot${n + 1}` } })),
})

const contact = (n: number, does: 'close' | 'open' | 'pulse', times = 1): Action => ({
  kind: 'contact',
  deviceId: id('looper'),
  contactId: `foot${n}`,
  does,
  times,
  closedMs: 60,
  everyMs: 150,
})
const through = (bank: string, number: number, n: number, fields: Partial<Footswitch> = {}): Footswitch =>
  makeSwitch(bank, number, [[contact(n, 'close')]], { release: [contact(n, 'open')], ...fields })

/** A looper on a switching output of two contacts. */
const looperRig = (
  looper: LoopChart,
  switches: readonly Footswitch[],
  banks: readonly Bank[] = [makeBank('one', 0, 'One')],
  controller: Parameters<typeof makeController>[0] = {},
): Rig =>
  makeRig({
    controllers: [
      makeController({ ports: [out, relay], events: ['press', 'release', 'longPress'], ...controller }),
    ],
    devices: [
      makeDevice('looper', 'none', {
        kind: 'plain',
        looper,
        ports: [makePort('foot', makeRole('switchIn', { poles: 2 }))],
      }),
    ],
    cables: [makeCable('controller.relay', 'looper.foot', { lead: 'trs' })],
    banks,
    switches,
  })

describe('loops that run away', () => {
  const two = bound(LOOP_CHARTS.twoSwitch)

  it('clearing by a short hold of what stops is told, and not by a long one', () => {
    const short = (holdMs: number) =>
      looperRig({ ...two, holdMs }, [through('one', 1, 1), through('one', 2, 2)])
    expect(requireFinding(short(600), 'loopClear').facts).toMatchObject({
      how: 'hold',
      holdMs: 600,
      number: 2,
    })
    expect(codes(short(2000))).not.toContain('loopClear')
  })

  it("a controller's own long press that clears too soon is told, and made to count later", () => {
    const stopAndClear = makeSwitch('one', 2, [[contact(2, 'pulse')]], {
      longPress: [contact(2, 'close'), { kind: 'wait', ms: 2100 }, contact(2, 'open')],
    })
    const rig = looperRig(two, [through('one', 1, 1), stopAndClear], undefined, { waitMs: 5000 })
    expect(requireFinding(rig, 'loopClear').facts).toMatchObject({ how: 'hold', holdMs: 500 })
    expectFixable(rig, 'loopClear')
  })

  it('clearing by a step beside the stop is told, and put behind a hold; with a switch between it is not', () => {
    const functions = bound({
      ...LOOP_CHARTS.twoSwitch,
      inputs: LOOP_CHARTS.twoSwitch.inputs,
      moves: [
        { in: 'playing', input: 'one', gesture: 'press', to: 'stopped', also: null },
        { in: 'overdubbing', input: 'one', gesture: 'press', to: 'stopped', also: null },
        { in: 'stopped', input: 'two', gesture: 'press', to: 'empty', also: null },
      ],
    })
    const at = (number: number) =>
      looperRig(functions, [
        makeSwitch('one', 1, [[contact(1, 'pulse')]]),
        makeSwitch('one', number, [[contact(2, 'pulse')]]),
      ])
    expect(requireFinding(at(2), 'loopClear').facts).toMatchObject({ how: 'beside', number: 2 })
    expect(requireFinding(at(5), 'loopClear').facts).toMatchObject({ how: 'beside', number: 5 })
    expectFixable(at(2), 'loopClear')
    expect(codes(at(3))).not.toContain('loopClear')
  })

  it('a bank that takes the stop away is told, whichever was made first, and the stop put in every bank', () => {
    const banks = [makeBank('one', 0, 'One'), makeBank('two', 1, 'Two')]
    const switches = [
      through('one', 1, 1),
      through('one', 2, 2),
      makeSwitch('one', 3, [[go('two')]]),
      makeSwitch('two', 3, [[go('one')]]),
    ]
    for (const order of [switches, switches.toReversed()]) {
      const rig = looperRig(two, order, banks)
      expect(requireFinding(rig, 'loopStop').facts).toMatchObject({
        bank: 'Two',
        from: 'One',
        stop: 'switch 2',
      })
      expectFixable(rig, 'loopStop')
    }
    // From a bank that only stops it on to one that does not: the loop may still run there.
    const three = [...banks, makeBank('three', 2, 'Three')]
    const further = looperRig(
      two,
      [
        through('one', 1, 1),
        through('one', 2, 2),
        makeSwitch('one', 3, [[go('two')]]),
        through('two', 2, 2),
        makeSwitch('two', 3, [[go('three')]]),
      ],
      three,
    )
    expect(requireFinding(further, 'loopStop').facts).toMatchObject({ bank: 'Three', from: 'Two' })
    // Only on the shift layer, and left from there.
    const shifted = looperRig(
      two,
      [
        through('one', 1, 1, { layer: 'shift', id: id('s1') }),
        through('one', 2, 2, { layer: 'shift', id: id('s2') }),
        makeSwitch('one', 3, [[go('two')]]),
        makeSwitch('one', 4, [[{ kind: 'layer', does: 'change' }]]),
      ],
      banks,
    )
    expect(codes(shifted)).toContain('loopStop')
    const stopped = looperRig(two, switches, [{ ...banks[0]!, leave: [contact(2, 'pulse')] }, banks[1]!])
    expect(codes(stopped)).not.toContain('loopStop')
    const home = looperRig(two, switches.slice(0, 2), banks)
    expect(codes(home)).not.toContain('loopStop')
  })

  it('taps beside a loop that fixes the tempo are told, and beside one that follows the clock are not', () => {
    const tap = makeSwitch('one', 3, [[{ kind: 'tap', controlId: null }]])
    const rig = (tempo: LoopChart['tempo'], more: readonly Footswitch[]) =>
      looperRig({ ...two, tempo }, [through('one', 1, 1), through('one', 2, 2), ...more])
    expect(requireFinding(rig('fixes', [tap]), 'loopTempo').facts).toMatchObject({ by: 'tap', number: 3 })
    expect(codes(rig('follows', [tap]))).not.toContain('loopTempo')
    expect(codes(rig('fixes', []))).not.toContain('loopTempo')
  })
})

describe('the plan of one, two or three switches', () => {
  const places = [1, 2, 3].map((number) => ({ number, newId: id(`new-${number}`) }))
  const planned = (chart: LoopChart, count: 1 | 2 | 3) => {
    const rig = looperRig(chart, [])
    const plan = plannedLoop(rig, id('looper'), rig.controllers['controller'] ?? null, count)
    if (!plan.ok) return plan.refusal
    const applied = applyEdit(rig, planLooper(rig, id('one'), plan.value, places)!)
    if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
    expect(rigProblems(applied.value)).toEqual([])
    // A second press of the button changes nothing.
    expect(planLooper(applied.value, id('one'), plan.value, places)).toBeNull()
    return loopSwitches(applied.value, id('looper'), id('one'), 'base')
  }
  const to = (
    all: ReturnType<typeof planned>,
    n: number,
    kind: 'step' | 'twice' | 'hold',
    state: 'empty' | 'playing' | 'recording',
  ) => {
    if (!Array.isArray(all)) throw new Error(JSON.stringify(all))
    return all[n]!.does[kind][state].to
  }

  it('of one switch hands the foot on, so that the looper counts for itself', () => {
    const one = planned(bound(LOOP_CHARTS.oneSwitch), 1)
    expect([
      to(one, 0, 'step', 'empty'),
      to(one, 0, 'step', 'recording'),
      to(one, 0, 'twice', 'playing'),
      to(one, 0, 'hold', 'playing'),
    ]).toEqual(['recording', 'playing', 'stopped', 'empty'])
  })

  it('of two has a stop of its own, made of two quick presses where the looper has no other', () => {
    const byTwo = planned(bound(LOOP_CHARTS.oneSwitch), 2)
    expect([to(byTwo, 1, 'step', 'playing')]).toEqual(['stopped'])
    const own = planned(bound(LOOP_CHARTS.twoSwitch), 2)
    expect([to(own, 1, 'step', 'playing'), to(own, 1, 'hold', 'playing')]).toEqual(['stopped', 'empty'])
  })

  it('is refused where the looper cannot, or nothing reaches it', () => {
    expect(planned(bound(LOOP_CHARTS.oneSwitch), 3)).toEqual({ code: 'cannot', wish: 'undo' })
    expect(planned(LOOP_CHARTS.oneSwitch, 1)).toEqual({ code: 'notReached', input: 'Footswitch' })
    expect(planned(bound(LOOP_CHARTS.functions), 1)).toEqual({ code: 'needsMore', least: 2 })
  })
})
