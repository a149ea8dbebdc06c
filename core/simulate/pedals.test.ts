import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import {
  makeOff,
  makePedal,
  makeRoleOf,
  makeTarget,
  pedalBox,
  pedalCable,
  pedalController,
} from '../pedal/testing/makePedals'
import { offsOf, restsOf, type Ridden } from '../pedal/ride'
import { SHIPPED_RIDES } from '../pedal/shippedRides'
import {
  makeBank,
  makeCable,
  makeControl,
  makeDevice,
  makePort,
  makeRig,
  makeRole,
  makeSwitch,
} from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import type { Pedal, PedalId } from '../rig/table/pedal'
import type { Footswitch } from '../rig/table/switch'
import { deviceState, type FloorState, type StepResult } from './floor'
import { PEDAL_AT_FIRST } from './pedalNow'
import { roleNow } from './pedalPlan'
import { advance, startFloor, step, stomp, sweepPedal } from './step'
import { playSteps } from './run'

const id = 'foot' as PedalId
const controls = [
  makeControl('volume', 'preamp', 7),
  makeControl('wah', 'synth', 20),
  makeControl('on', 'synth', 21, { reading: { kind: 'switch', isStrict: false } }),
  makeControl('mix', 'echo', 22),
]
const set = (controlId: string, value: number) => ({ kind: 'setControl', controlId, value }) as never
const switches: Footswitch[] = [
  makeSwitch('one', 1, [[set('on', 127)], [set('on', 0)]]),
  makeSwitch('one', 2, [[]], { label: 'Held' }),
]

const rigWith = (pedal: Pedal, more: Partial<Parameters<typeof makeRig>[0]> = {}): Rig => {
  const plain = makeRig({
    controllers: [pedalController()],
    devices: [
      makeDevice('preamp', 1),
      makeDevice('synth', 2, { order: 2 }),
      makeDevice('echo', 3, { order: 3 }),
      pedalBox(),
    ],
    controls,
    banks: [makeBank('one', 0), makeBank('two', 1)],
    switches,
    pedals: [pedal],
    cables: [
      makeCable('controller.out', 'preamp.in'),
      makeCable('preamp.thru', 'synth.in'),
      makeCable('synth.thru', 'echo.in'),
      pedalCable,
    ],
    ...more,
  })
  return plain
}

const move = (rig: Rig, state: FloorState, position: number, at = state.at): StepResult =>
  step(rig, state, { kind: 'pedal', pedalId: id, position, at })
const begin = (rig: Rig): FloorState => startFloor(rig).state
const later = (rig: Rig, { state }: { readonly state: FloorState }, ms: number): FloorState =>
  advance(rig, state, state.at + ms * 1000).state
const plays = (state: FloorState, deviceId: string, controlId: string) =>
  deviceState(state, deviceId).controls[controlId]

const volumeRole = makeRoleOf([makeTarget('volume')])
const twoRoles = [
  makeRoleOf([makeTarget('wah')], { kind: 'control', controlId: 'on' as never, is: 'on' }),
  volumeRole,
]

describe('a pedal on the floor', () => {
  it('leads its controls, and what the controller knows of them', () => {
    const rig = rigWith(
      makePedal(id, [
        makeRoleOf([makeTarget('volume'), makeTarget('mix', { sends: { heel: 127, toe: 0 } })]),
      ]),
    )
    const done = move(rig, begin(rig), 100)
    expect(done.sent.map(({ bytes }) => [...bytes])).toEqual([
      [0xb0, 7, 100],
      [0xb2, 22, 27],
    ])
    const state = later(rig, done, 10)
    expect([plays(state, 'preamp', 'volume'), plays(state, 'echo', 'mix')]).toEqual([100, 27])
    expect(state.known.values).toMatchObject({ volume: 100, mix: 27 })
  })

  it('sends only what changes', () => {
    const rig = rigWith(makePedal(id, [makeRoleOf([makeTarget('volume', { sends: { heel: 0, toe: 4 } })])]))
    const moves = Array.from({ length: 128 }, (_, n) => ({ at: n * 1000, position: n }))
    expect(sweepPedal(rig, begin(rig), id, moves).sent.map(({ bytes }) => bytes[2])).toEqual([0, 1, 2, 3, 4])
  })

  it('is volume while the wah is off, and wah while it is on (common practice)', () => {
    const rig = rigWith(makePedal(id, twoRoles))
    const pedal = rig.pedals[id]!
    let state = later(rig, move(rig, begin(rig), 60), 5)
    expect([
      roleNow(rig, pedal, state),
      plays(state, 'preamp', 'volume'),
      plays(state, 'synth', 'wah'),
    ]).toEqual([1, 60, undefined])
    state = stomp(rig, state, 'one-1' as never).state
    expect(roleNow(rig, pedal, state)).toBe(0)
    state = later(rig, move(rig, state, 90), 5)
    expect([plays(state, 'preamp', 'volume'), plays(state, 'synth', 'wah')]).toEqual([60, 90])
  })

  it('follows bank, layer and a held switch, each as long as it is so', () => {
    const roles = [
      makeRoleOf([], { kind: 'held', switchId: 'one-2' as never }),
      makeRoleOf([], { kind: 'layer' }),
      makeRoleOf([], { kind: 'banks', bankIds: ['two' as never] }),
    ]
    const rig = rigWith(makePedal(id, roles))
    const pedal = rig.pedals[id]!
    const now = (state: FloorState) => roleNow(rig, pedal, state)
    let state = begin(rig)
    expect(now(state)).toBeNull()
    state = step(rig, state, { kind: 'bank', bankId: 'two' as never, at: 0 }).state
    expect(now(state)).toBe(2)
    state = step(rig, state, { kind: 'layer', layer: 'shift', at: 0 }).state
    expect(now(state)).toBe(1)
    state = step(rig, state, { kind: 'press', switchId: 'one-2' as never, at: 0 }).state
    expect(now(state)).toBe(0)
    state = step(rig, state, { kind: 'release', switchId: 'one-2' as never, at: 0 }).state
    expect(now(state)).toBe(1)
  })

  it('leaps to the foot when a role comes back, or waits until the foot passes where its control is', () => {
    const back = (takeover: Pedal['takeover']) => {
      const rig = rigWith(makePedal(id, twoRoles, { takeover }))
      let state = later(rig, move(rig, begin(rig), 100), 5)
      // With the wah the foot goes to the heel; then the wah goes off.
      state = stomp(rig, state, 'one-1' as never).state
      state = later(rig, move(rig, state, 0), 5)
      state = stomp(rig, state, 'one-1' as never).state
      const volumes: (number | undefined)[] = []
      for (const position of [1, 60, 99, 101, 90]) {
        state = later(rig, move(rig, state, position), 5)
        volumes.push(plays(state, 'preamp', 'volume'))
      }
      return volumes
    }
    expect(back('leaps')).toEqual([1, 60, 99, 101, 90])
    expect(back('catches')).toEqual([100, 100, 99, 101, 90])
  })

  it('catches a control a fast foot goes past between two readings', () => {
    const rig = rigWith(makePedal(id, twoRoles, { takeover: 'catches' }))
    let state = later(rig, move(rig, begin(rig), 64), 5)
    state = stomp(rig, state, 'one-1' as never).state
    state = later(rig, move(rig, state, 0), 5)
    state = stomp(rig, state, 'one-1' as never).state
    state = later(rig, move(rig, state, 10), 5)
    expect(plays(state, 'preamp', 'volume')).toBe(64)
    expect(plays(later(rig, move(rig, state, 127), 5), 'preamp', 'volume')).toBe(127)
  })

  it('catches what it leads on a number of its own, of which the controller knows nothing else', () => {
    const led = makeRoleOf([makeTarget('mix', { number: 11 as never })])
    const rig = rigWith(makePedal(id, [twoRoles[0]!, led], { takeover: 'catches' }))
    let state = later(rig, move(rig, begin(rig), 100), 5)
    state = stomp(rig, state, 'one-1' as never).state
    state = later(rig, move(rig, state, 0), 5)
    state = stomp(rig, state, 'one-1' as never).state
    expect(plays(later(rig, move(rig, state, 1), 5), 'echo', 'mix')).toBe(100)
    expect(plays(later(rig, move(rig, later(rig, move(rig, state, 1), 5), 110), 5), 'echo', 'mix')).toBe(110)
  })

  it('leaves values out where the controller can, but never the last', () => {
    const pedal = makePedal(id, [volumeRole], { everyMs: 20 })
    const moves = Array.from({ length: 100 }, (_, n) => ({ at: n * 1000, position: n }))
    const rig = rigWith(pedal)
    const swept = sweepPedal(rig, begin(rig), id, moves)
    const all = advance(rig, swept.state, 1_000_000)
    const sent = [...swept.sent, ...all.sent]
    expect(sent.map(({ bytes }) => bytes[2])).toEqual([0, 19, 39, 59, 79, 99])
    expect(sent.every(({ start }, n) => n === 0 || start - sent[n - 1]!.start >= 20_000)).toBe(true)
    const plain = rigWith(pedal, { controllers: [pedalController({ thinsPedals: false })] })
    expect(sweepPedal(plain, begin(plain), id, moves).sent).toHaveLength(100)
  })

  it('that nothing reads moves and does no more', () => {
    const rig = rigWith(makePedal(id, [volumeRole], { off: makeOff() }))
    const unplugged = { ...rig, cables: { ...rig.cables, [pedalCable.id]: undefined as never } }
    const { [pedalCable.id]: _, ...cables } = unplugged.cables
    const bare = { ...rig, cables }
    const done = move(bare, begin(bare), 80)
    expect([done.sent, done.state.due, done.state.pedals[id]?.position]).toEqual([[], [], 80])
  })

  it("in a device's own jack moves that device without a message; one that is off stays as it is", () => {
    const place = { kind: 'jack', table: 'devices', id: 'echo', port: 'exp' } as const
    const local = makePedal(id, [makeRoleOf([makeTarget('mix', { device: { heel: 29, toe: 94 } })])], {
      place,
    })
    const rig = rigWith(local, {
      devices: [
        makeDevice('preamp', 1),
        makeDevice('synth', 2, { order: 2 }),
        makeDevice('echo', 3, {
          order: 3,
          ports: [makePort('in', makeRole('midiIn')), makePort('exp', makeRole('expressionIn'))],
        }),
        pedalBox(),
      ],
      cables: [makeCable('controller.out', 'echo.in'), makeCable('sweep.plug', 'echo.exp', { lead: 'trs' })],
    })
    const done = move(rig, begin(rig), 127)
    expect([done.sent, plays(done.state, 'echo', 'mix'), done.state.known.values]).toEqual([[], 94, {}])
    const elsewhere = { ...rig, pedals: { [id]: { ...local, roles: [volumeRole] } } }
    expect(plays(move(elsewhere, begin(elsewhere), 127).state, 'preamp', 'volume')).toBeUndefined()
    const dark = step(rig, done.state, { kind: 'power', deviceId: 'echo' as never, isOn: false, at: 0 }).state
    expect(plays(move(rig, dark, 0).state, 'echo', 'mix')).toBeUndefined()
  })

  it('on a number of its own is narrowed by the device, and twice where both do it (common practice)', () => {
    const of = (sends: { heel: number; toe: number }) => {
      const target = makeTarget('mix', { number: 11 as never, sends, device: { heel: 29, toe: 94 } })
      const rig = rigWith(makePedal(id, [makeRoleOf([target])]))
      return [0, 127].map((position) => {
        const done = move(rig, begin(rig), position)
        expect(done.sent.map(({ bytes }) => [...bytes.slice(0, 2)])).toEqual([[0xb2, 11]])
        return plays(later(rig, done, 5), 'echo', 'mix')
      })
    }
    expect(of({ heel: 0, toe: 127 })).toEqual([29, 94])
    expect(of({ heel: 29, toe: 94 })).toEqual([44, 77])
  })

  it('is a step of a run like any other', () => {
    const rig = rigWith(makePedal(id, [volumeRole]))
    const { state } = playSteps(rig, [{ at: 1000, kind: 'pedal', pedalId: id, position: 77 }], 50_000)
    expect(plays(state, 'preamp', 'volume')).toBe(77)
  })
})

describe('an automatic bypass on the floor', () => {
  const off = makeOff({ delayMs: 600 })
  const rig = rigWith(makePedal(id, [volumeRole], { off }))

  it('switches off once the foot has rested at the heel for the delay, and on as soon as it moves (common practice)', () => {
    const rested = move(rig, move(rig, begin(rig), 60).state, 0)
    const before = advance(rig, rested.state, 599_999)
    expect([before.turns, plays(before.state, 'synth', 'on')]).toEqual([[], undefined])
    const after = advance(rig, before.state, 610_000)
    expect(after.turns).toEqual([{ at: 600_000, pedalId: id, isOff: true }])
    expect(plays(after.state, 'synth', 'on')).toBe(0)
    const moved = move(rig, after.state, 20, 900_000)
    expect(moved.turns).toEqual([{ at: 900_000, pedalId: id, isOff: false }])
    expect(plays(later(rig, moved, 5), 'synth', 'on')).toBe(127)
  })

  it('is not for a foot that wavers by a step at the end, nor for one that leaves before the delay is over', () => {
    let state = move(rig, move(rig, begin(rig), 60).state, 0).state
    for (let n = 1; n < 60; n++) state = move(rig, state, n % 2, n * 10_000).state
    expect(advance(rig, state, 600_000).turns).toHaveLength(1)
    state = move(rig, move(rig, begin(rig), 60).state, 0).state
    state = move(rig, state, 30, 590_000).state
    expect(advance(rig, state, 5_000_000).turns).toEqual([])
  })

  it('steps on a switch, whose lamp and position go with it', () => {
    const stepping = rigWith(
      makePedal(id, [volumeRole], { off: { ...off, works: { kind: 'switch', switchId: 'one-1' as never } } }),
    )
    const state = move(stepping, move(stepping, begin(stepping), 60).state, 0).state
    const done = advance(stepping, state, 700_000)
    expect(done.gestures).toMatchObject([{ switchId: 'one-1', event: 'press', at: 600_000 }])
  })

  const kinds = [
    ['heel', 'swells'],
    ['heel', 'inTime'],
    ['toe', 'toToe'],
    ['still', 'held'],
    ['switch', 'byToe'],
  ] as const

  it.each(kinds)(
    'by %s goes off and on in the ride %s just when the ride alone says, at every delay',
    (kind, name) => {
      const ride: Ridden = SHIPPED_RIDES[name]
      for (const delayMs of [0, 120, 350, 600, 1500]) {
        const one = makeOff({ kind, delayMs, toe: 'momentary' })
        const played = rigWith(makePedal(id, [volumeRole], { off: one, calibration: null }))
        const steps = [
          ...ride.moves.map(({ at, position }) => ({
            at: at * 1000,
            kind: 'pedal' as const,
            pedalId: id,
            position,
          })),
          ...ride.toes.map(({ at, isDown }) => ({
            at: at * 1000,
            kind: 'toe' as const,
            pedalId: id,
            isDown,
          })),
        ].sort((a, b) => a.at - b.at)
        const { turns } = playSteps(played, steps, ride.length * 1000)
        const offs = turns.filter(({ isOff }) => isOff).map(({ at }) => at / 1000)
        const ons = turns.filter(({ isOff }) => !isOff).map(({ at }) => at / 1000)
        const told = offsOf(restsOf(one, ride), delayMs)
        // One that would end as it begins is no stretch: the floor switches off and on at once.
        const short = restsOf(one, ride).filter(({ from, to }) => to - from === delayMs)
        expect({ delayMs, offs: offs.filter((at) => !short.some(({ to }) => to === at)) }).toEqual({
          delayMs,
          offs: told.map(({ from }) => from),
        })
        expect(ons.length).toBeGreaterThanOrEqual(told.filter(({ to }) => to < ride.length).length)
      }
    },
  )
})

/** What a pedal sends, from its description alone: at each move what of the live role's values is another than before. */
function plainlySent(
  moves: readonly { at: number; position: number; isOn: boolean }[],
): (readonly [string, number])[] {
  const sent: (readonly [string, number])[] = []
  let [role, last]: [string, number | null] = ['', null]
  for (const { position, isOn } of moves) {
    const name = isOn ? 'wah' : 'volume'
    if (name !== role) last = null
    role = name
    const value = isOn ? 30 + Math.round((64 * position) / 127) : position
    if (value !== last) sent.push([name, value])
    last = value
  }
  return sent
}

describe('generated feet', () => {
  const wah = makeTarget('wah', { sends: { heel: 30, toe: 94 } })
  const rig = rigWith(
    makePedal(id, [makeRoleOf([wah], { kind: 'control', controlId: 'on' as never, is: 'on' }), volumeRole]),
  )

  it('send what the description says, the switch between the roles stepped on anywhere', () => {
    for (const seed of seeds(60, 1)) {
      const random = seeded(seed)
      let state = begin(rig)
      let [isOn, at] = [false, 0]
      const moves: { at: number; position: number; isOn: boolean }[] = []
      const sent: (readonly [string, number])[] = []
      const take = (result: StepResult) => {
        state = result.state
        for (const { bytes, by } of result.sent)
          if (by === null) sent.push([bytes[1] === 7 ? 'volume' : 'wah', bytes[2]!])
      }
      for (let n = 0; n < 80; n++) {
        at += 1000 + Math.floor(random() * 20_000)
        if (random() < 0.15) {
          isOn = !isOn
          take(stomp(rig, state, 'one-1' as never, at))
          at = state.at
        } else {
          const position = Math.floor(random() * 128)
          moves.push({ at, position, isOn })
          take(move(rig, state, position, at))
        }
      }
      expect({ seed, sent }).toEqual({ seed, sent: plainlySent(moves) })
    }
  })

  it('come to the same however the moves are told, and however time passes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 30_000 }), fc.integer({ min: 0, max: 127 })), {
          minLength: 1,
          maxLength: 60,
        }),
        fc.constantFrom(0, 5, 20),
        fc.integer({ min: 100, max: 90_000 }),
        (some, everyMs, pause) => {
          const one = rigWith(makePedal(id, [volumeRole], { everyMs, off: makeOff({ delayMs: 40 }) }))
          let at = 0
          const moves = some.map(([after, position]) => ({ at: (at += after), position }))
          const end = at + 3_000_000
          const swept = sweepPedal(one, begin(one), id, moves)
          const whole = advance(one, swept.state, end)
          let state = begin(one)
          const turns: StepResult['turns'][number][] = []
          const take = (result: StepResult) => {
            state = result.state
            turns.push(...result.turns)
          }
          for (const { at: then, position } of moves) {
            while (state.at + pause < then) take(advance(one, state, state.at + pause))
            take(move(one, state, position, then))
          }
          while (state.at + 500_000 < end) take(advance(one, state, state.at + 500_000))
          take(advance(one, state, end))
          expect(turns).toEqual([...swept.turns, ...whole.turns])
          expect(state.devices).toEqual(whole.state.devices)
          expect(state.pedals).toEqual(whole.state.pedals)
        },
      ),
      generated(150, 21),
    )
  })

  it('a pedal never moved is where it is at power-on', () => {
    expect(begin(rig).pedals).toEqual({})
    expect(PEDAL_AT_FIRST.position).toBe(0)
  })
})
