import { describe, expect, it } from 'vitest'
import { makeBank, makeCable, makeRole, makeSwitch } from '../rig/testing/makeRig'
import type { Action } from '../rig/table/action'
import type { Reading } from '../rig/table/control'
import type { RoleOf } from '../rig/table/port'
import type { Footswitch } from '../rig/table/switch'
import { lampNow } from '../switching/lamp'
import { pairOutcome, type ControllerMode } from '../switching/modePair'
import { lateness, timingOf } from '../switching/timing'
import { deviceState, floorAtPowerOn } from './floor'
import { feet, floorRig, onFloor, stepAt } from './testing/makeFloor'

const set = (value: number, controlId = 'mix'): Action => ({
  kind: 'setControl',
  controlId: onFloor(controlId),
  value,
})
const fired = (...args: Parameters<typeof feet>) =>
  feet(...args).gestures.map(({ event, at }) => `${event} ${at / 1000}`)

describe('when a controller knows what a foot meant', () => {
  const all = { positions: [[set(1)]], release: [set(2)], longPress: [set(3)], doublePress: [set(4)] }

  // Long after 500 ms, double within 300 ms (common practice).
  it('a plain press fires at once', () => {
    expect(fired(floorRig({ positions: [[set(1)]] }), stepAt(10))).toEqual(['press 10'])
  })

  it('with a long press it fires when the foot comes off, or at once and again', () => {
    const long = { positions: [[set(1)]], longPress: [set(3)] }
    expect(fired(floorRig(long), stepAt(10))).toEqual(['press 90'])
    const held = [[10, 'press'] as const, [900, 'release'] as const]
    expect(fired(floorRig(long), held)).toEqual(['longPress 510'])
    expect(fired(floorRig(long, { controller: { pressWithLong: 'press' } }), held)).toEqual([
      'press 10',
      'longPress 510',
    ])
  })

  it('with a double press it waits for the second', () => {
    const double = { positions: [[set(1)]], doublePress: [set(4)] }
    expect(fired(floorRig(double), stepAt(10))).toEqual(['press 310'])
    expect(fired(floorRig(double), [...stepAt(10), ...stepAt(300)])).toEqual(['doublePress 300'])
    // The window is over: two presses.
    expect(fired(floorRig(double), [...stepAt(10), ...stepAt(320)])).toEqual(['press 310', 'press 620'])
  })

  it('all at once: each foot means one thing, and its coming off comes last', () => {
    expect(fired(floorRig(all), stepAt(10))).toEqual(['press 310', 'release 310'])
    expect(fired(floorRig(all), [...stepAt(10), ...stepAt(200)])).toEqual(['doublePress 200', 'release 280'])
    expect(
      fired(floorRig(all), [
        [10, 'press'],
        [400, 'release'],
      ]),
    ).toEqual(['press 400', 'release 400'])
    expect(
      fired(floorRig(all), [
        [10, 'press'],
        [700, 'release'],
      ]),
    ).toEqual(['longPress 510', 'release 700'])
  })

  it('what a controller does not know is never sent and costs no time', () => {
    const rig = floorRig(all, { controller: { events: ['press'] } })
    expect(
      fired(rig, [
        [10, 'press'],
        [700, 'release'],
      ]),
    ).toEqual(['press 10'])
  })

  it('the time a plain press loses is what the simulator makes of it', () => {
    for (const lists of [
      {},
      { longPress: [set(3)] },
      { doublePress: [set(4)] },
      { longPress: [set(3)], doublePress: [set(4)] },
    ])
      for (const pressWithLong of ['press', 'release'] as const) {
        const rig = floorRig({ positions: [[set(1)]], ...lists }, { controller: { pressWithLong } })
        const { least, most } = lateness(timingOf(rig.controllers.controller!, rig.switches['one-1']!))
        const { gestures } = feet(rig, [
          [0, 'press'],
          [1, 'release'],
        ])
        const at = gestures.find(({ event }) => event === 'press')!.at
        expect([least <= Math.max(at, least), at <= most || at === 1000]).toEqual([true, true])
        expect(at).toBeGreaterThanOrEqual(least)
      }
  })

  it('several feet at once: each switch for itself', () => {
    const rig = floorRig(
      { positions: [[set(1)]], longPress: [set(3)] },
      { more: [makeSwitch('one', 2, [[set(9, 'on')]], { release: [set(0, 'on')] })] },
    )
    expect(
      fired(rig, [
        [0, 'press', 'one-1'],
        [100, 'press', 'one-2'],
        [550, 'release', 'one-2'],
        [600, 'release', 'one-1'],
      ]),
    ).toEqual(['press 100', 'longPress 500', 'release 550'])
  })

  it('a foot that comes off in another bank is heard by the switch it came down on', () => {
    const rig = floorRig({
      positions: [[set(1), { kind: 'travel', to: 'bank', bankId: onFloor('two') }]],
      release: [set(2)],
    })
    const { state, gestures } = feet(rig, stepAt(0))
    expect([state.known.bankId, gestures.map(({ event }) => event), state.known.values.mix]).toEqual([
      'two',
      ['press', 'release'],
      2,
    ])
  })
})

describe('layers and banks', () => {
  it('the layer held is given back when the foot comes off', () => {
    const rig = floorRig({ positions: [[{ kind: 'layer', does: 'hold' }]] })
    const down = feet(rig, [[0, 'press']])
    expect(down.state.known.layer).toBe('shift')
    expect(feet(rig, [[100, 'release']], down.state).state.known.layer).toBe('base')
  })

  it('coming and leaving are done in order, and going round ends', () => {
    const to = (bankId: string): Action => ({ kind: 'travel', to: 'bank', bankId: onFloor(bankId) })
    const rig = floorRig(
      { positions: [[to('two'), set(7)]] },
      {
        banks: [
          makeBank('one', 0, '', { leave: [set(1)] }),
          makeBank('two', 1, '', { enter: [set(2)], leave: [set(3)] }),
        ],
      },
    )
    expect(feet(rig, stepAt(0)).wire.map(({ bytes }) => bytes[2])).toEqual([1, 2, 7])
    const round = floorRig(
      { positions: [[to('two')]] },
      {
        banks: [
          makeBank('one', 0, '', { enter: [to('two')] }),
          makeBank('two', 1, '', { enter: [to('one')] }),
        ],
      },
    )
    expect(feet(round, stepAt(0)).state.known.back.length).toBeLessThan(10)
  })

  it('back goes where the foot was, home to the home bank, and pages go round', () => {
    const go = (to: 'back' | 'home' | 'page' | 'next') => [[{ kind: 'travel', to, bankId: null } as Action]]
    const rig = floorRig(
      { positions: go('page') },
      {
        controller: { home: onFloor('one') },
        banks: [makeBank('one', 0), makeBank('two', 1, '', { pageOf: onFloor('one') }), makeBank('three', 2)],
        more: [
          makeSwitch('two', 2, go('next')),
          makeSwitch('three', 3, go('back')),
          makeSwitch('two', 4, go('home')),
          makeSwitch('two', 1, go('page')),
        ],
      },
    )
    const walk = (...ids: string[]) =>
      ids.reduce(
        (state, one) => feet(rig, stepAt(state.at / 1000 + 1, one), state).state,
        floorAtPowerOn(rig),
      ).known.bankId
    expect([
      walk('one-1'),
      walk('one-1', 'two-1'),
      walk('one-1', 'two-2'),
      walk('one-1', 'two-2', 'three-3'),
      walk('one-1', 'two-4'),
    ]).toEqual(['two', 'one', 'three', 'two', 'one'])
  })

  it('positions are kept on coming to a bank, or begin anew, as the controller does', () => {
    const bankTo = (bankId: string): Action => ({ kind: 'travel', to: 'bank', bankId: onFloor(bankId) })
    const after = (onBank: 'keeps' | 'restarts') => {
      const rig = floorRig(
        { positions: [[set(1)], [set(2)]] },
        {
          controller: { onBank },
          more: [makeSwitch('one', 2, [[bankTo('two')]]), makeSwitch('two', 2, [[bankTo('one')]])],
        },
      )
      return feet(rig, [
        ...stepAt(0),
        ...stepAt(500, 'one-2'),
        ...stepAt(1000, 'two-2'),
        ...stepAt(1500),
      ]).wire.at(-1)!.bytes[2]
    }
    expect([after('keeps'), after('restarts')]).toEqual([2, 1])
  })
})

describe('a footswitch on a jack', () => {
  const plugged = (
    plug: Partial<RoleOf<'switchOut'>>,
    jack: Partial<RoleOf<'switchIn'>>,
    moves: Parameters<typeof feet>[1],
  ) => {
    const rig = floorRig(
      {},
      {
        more: [
          { ...makeSwitch('one', 1, [[set(1)]], { release: [set(2)], jack: 'foot' }), id: onFloor('foot') },
        ],
      },
    )
    const put = (id: string, port: string, role: ReturnType<typeof makeRole>) => {
      const table = id === 'controller' ? 'controllers' : 'devices'
      const box = rig[table][id]!
      const ports = box.ports.map((one) => (one.id === port ? { ...one, roles: [role] } : one))
      Object.assign(rig[table], { [id]: { ...box, ports } })
    }
    put('pedal', 'plug', makeRole('switchOut', { by: 'foot', ...plug }))
    put('controller', 'foot', makeRole('switchIn', jack))
    return fired(rig, moves)
  }
  const twice = [...stepAt(0, 'foot'), ...stepAt(500, 'foot')]

  it('momentary and read as such: down and up', () => {
    expect(plugged({}, {}, twice)).toEqual(['press 0', 'release 80', 'press 500', 'release 580'])
  })

  // Normally open closes when pressed, normally closed opens; the jack must be told which (common practice).
  it('normally closed and read as normally open: the other way round', () => {
    expect(plugged({ rest: 'closed' }, { rest: 'open' }, twice)).toEqual([
      'press 80',
      'release 500',
      'press 580',
    ])
    expect(plugged({ rest: 'closed' }, { rest: 'closed' }, twice)).toEqual([
      'press 0',
      'release 80',
      'press 500',
      'release 580',
    ])
  })

  it('latching: every step where the jack knows, every other where it does not', () => {
    expect(plugged({ action: 'latching' }, { action: 'latching' }, twice)).toEqual([
      'press 0',
      'release 0',
      'press 500',
      'release 500',
    ])
    expect(plugged({ action: 'latching' }, { action: 'momentary' }, twice)).toEqual([
      'press 0',
      'release 500',
    ])
  })

  it('nothing plugged in: no foot reaches it', () => {
    const rig = floorRig(
      {},
      { more: [{ ...makeSwitch('one', 1, [[set(1)]], { jack: 'foot' }), id: onFloor('foot') }] },
    )
    const bare = { ...rig, cables: { a: makeCable('controller.out', 'echo.in') } }
    expect(fired(bare as never, twice)).toEqual([])
  })
})

describe('lamps', () => {
  const lampAfter = (
    fields: Partial<Footswitch>,
    presses: number,
    more: readonly Footswitch[] = [],
    last = 'one-1',
  ) => {
    const rig = floorRig(fields, { more })
    const moves = Array.from({ length: presses }, (_, n) =>
      stepAt(n * 1000, n === presses - 1 ? last : 'one-1'),
    ).flat()
    const { state } = feet(rig, moves)
    return lampNow(rig, rig.switches['one-1']!, state.known).light
  }

  it('follow what the switch did: on for on, off for off', () => {
    const alternate = { positions: [[set(127, 'on')], [set(0, 'on')]] }
    expect([0, 1, 2, 3].map((n) => lampAfter(alternate, n))).toEqual(['off', 'steady', 'off', 'steady'])
    const sound: Partial<Footswitch> = { positions: [[{ kind: 'recallSound', soundId: onFloor('verse') }]] }
    const other = makeSwitch('one', 2, [[{ kind: 'recallSound', soundId: onFloor('chorus') }]])
    expect([lampAfter(sound, 1), lampAfter(sound, 2, [other], 'one-2')]).toEqual(['steady', 'off'])
  })

  it('by hand for each position, and off until the first step', () => {
    const lamps: Footswitch['lamps'] = [
      { colour: 'red', light: 'flash' },
      { colour: '', light: 'steady' },
    ]
    const by = { positions: [[set(1)], [set(2)]], lamps }
    expect([0, 1, 2].map((n) => lampAfter(by, n))).toEqual(['off', 'flash', 'steady'])
  })

  it('of a group one is on, and the others begin anew', () => {
    const other = makeSwitch('one', 2, [[set(5)]], { group: 'parts' })
    const one = { positions: [[set(1)], [set(2)]], group: 'parts' }
    expect([lampAfter(one, 1, [other]), lampAfter(one, 2, [other], 'one-2')]).toEqual(['steady', 'off'])
    const rig = floorRig(one, { more: [other] })
    const { wire } = feet(rig, [...stepAt(0), ...stepAt(500, 'one-2'), ...stepAt(1000)])
    expect(wire.map(({ bytes }) => bytes[2])).toEqual([1, 5, 1])
  })
})

describe('every way of sending with every way of reading', () => {
  const MODES: readonly ControllerMode[] = [
    { kind: 'one', value: 127 },
    { kind: 'alternate', first: 127, second: 0 },
    { kind: 'hold', down: 127, up: 0 },
  ]
  const READINGS: readonly (readonly [string, Reading])[] = [
    ['on', { kind: 'switch', isStrict: false }],
    ['strict', { kind: 'switch', isStrict: true }],
    ['turns', { kind: 'toggle', value: 127 }],
    ['picky', { kind: 'toggle', value: 127, at: 'value' }],
  ]
  const cases = MODES.flatMap((mode) =>
    READINGS.map(([controlId, reading]) => ({ mode, controlId, reading })),
  )

  /** The table as the trade has it: after one, two, three presses, from off (common practice). */
  const EXPECTED: Record<string, string> = {
    'one/on': 'on on on',
    'one/strict': 'on on on',
    'one/turns': 'on off on',
    'one/picky': 'on off on',
    'alternate/on': 'on off on',
    'alternate/strict': 'on off on',
    'alternate/turns': 'on off on',
    // Two presses a change: the device turns over at one value, the controller sends it every other time.
    'alternate/picky': 'on on off',
    'hold/on': 'off off off',
    'hold/strict': 'off off off',
    'hold/turns': 'off off off',
    'hold/picky': 'on off on',
  }

  it.each(cases)('$mode.kind with $controlId', ({ mode, controlId, reading }) => {
    const outcome = pairOutcome(mode, reading, 127)
    expect(outcome.after.off.join(' ')).toBe(EXPECTED[`${mode.kind}/${controlId}`])
    const positions =
      mode.kind === 'one'
        ? [[set(mode.value, controlId)]]
        : mode.kind === 'alternate'
          ? [[set(mode.first, controlId)], [set(mode.second, controlId)]]
          : [[set(mode.down, controlId)]]
    const rig = floorRig({ positions, release: mode.kind === 'hold' ? [set(mode.up, controlId)] : [] })
    for (const phase of ['off', 'on'] as const) {
      const start = floorAtPowerOn(rig)
      const echo = { ...deviceState(start, 'echo'), controls: { [controlId]: phase === 'on' ? 127 : 0 } }
      let state = { ...start, devices: { echo } }
      const seen = [1, 2, 3].map((n) => {
        state = feet(rig, stepAt(n * 1000), state).state as typeof state
        return (deviceState(state, 'echo').controls[controlId] ?? 0) > 63 ? 'on' : 'off'
      })
      expect([phase, seen]).toEqual([phase, [...outcome.after[phase]]])
    }
  })

  it('fires what does its thing at its value: every press, every other, every press', () => {
    const firedBy = (positions: Footswitch['positions'], release: Action[] = []) => {
      const rig = floorRig({ positions, release })
      return [1, 2, 3].map(
        (n) =>
          deviceState(feet(rig, Array.from({ length: n }, (_, k) => stepAt(k * 500)).flat()).state, 'echo')
            .fired.go ?? 0,
      )
    }
    expect(firedBy([[set(127, 'go')]])).toEqual([1, 2, 3])
    expect(firedBy([[set(127, 'go')], [set(0, 'go')]])).toEqual([1, 1, 2])
    expect(firedBy([[set(127, 'go')]], [set(0, 'go')])).toEqual([1, 2, 3])
  })

  it('steps what steps: up at its value, down at the other', () => {
    const at = (positions: Footswitch['positions'], presses: number) =>
      deviceState(
        feet(floorRig({ positions }), Array.from({ length: presses }, (_, k) => stepAt(k * 500)).flat())
          .state,
        'echo',
      ).controls.mode
    expect([at([[set(1, 'mode')]], 3), at([[set(1, 'mode')], [set(0, 'mode')]], 3)]).toEqual([3, 1])
  })
})
