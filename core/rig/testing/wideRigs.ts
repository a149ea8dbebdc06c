import * as fc from 'fast-check'
import type { U14 } from '../../base/u14'
import type { Rig } from '../rig'
import type { Action } from '../table/action'
import type { Control } from '../table/control'
import type { Device } from '../table/device'
import { USUAL_TAP_IN } from '../table/tapIn'
import { actionsOf, type Weights } from './actionSamples'
import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makeMacro,
  makePart,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeShow,
  makeSong,
  makeSound,
  makeSwitch,
} from './makeRig'

/** Small rigs with everything there is: what a rig could hold is asked of the kinds of action themselves. */

const id = (name: string) => name as never
const pick = <Value>(all: readonly Value[]) => fc.constantFrom(...all)

const READINGS: readonly Control['reading'][] = [
  { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
  { kind: 'switch', isStrict: false },
  { kind: 'switch', isStrict: true },
  { kind: 'named', names: [0, 1, 5].map((value) => ({ value, name: `Scene ${value + 1}` })) },
  { kind: 'trigger', value: 127 },
  { kind: 'toggle', value: 127 },
  { kind: 'toggle', value: 100, at: 'value' },
  { kind: 'increment', up: 1, down: 0 },
]

const RECEIVERS = ['a', 'b', 'c'] as const
const control = (device: string, what: string, number: number, fields: Partial<Control> = {}) =>
  makeControl(`${device}-${what}`, device, number, fields)

const numbering = fc
  .tuple(pick(['none', 'msb', 'lsb', 'both'] as const), pick([100, 128, 300]))
  .map(([bankSelect, count]) => ({
    style: 'plain' as const,
    first: 1 as const,
    digits: 3 as const,
    count: bankSelect === 'none' ? Math.min(128, count) : count,
    bankSelect,
    programsPerBank: 128,
  }))

const receiver = fc.record({
  numbering,
  deafMs: pick([0, 0, 20, 60]),
  whileDeaf: pick(['loses', 'keeps'] as const),
  powerOn: pick([null, null, 3]),
  bypass: pick(['none', 'preset', 'control'] as const),
  readings: fc.array(pick(READINGS), { minLength: 2, maxLength: 2 }),
  isNrpn: fc.boolean(),
  takesTaps: fc.boolean(),
})

/** Devices, cables, charts, sounds and shows: all that actions can name, with no action yet. */
const skeletons = fc
  .record({
    receivers: fc.array(receiver, { minLength: 3, maxLength: 3 }),
    relayOff: pick(['open', 'closed'] as const),
    runningStatus: fc.boolean(),
    pressWithLong: pick(['press', 'release'] as const),
    isTwo: fc.boolean(),
    isHome: fc.boolean(),
    stepsOn: pick(['sounds', 'nextPart'] as const),
  })
  .map((made): Rig => {
    const devices = RECEIVERS.map((name, n): Device => {
      const { readings: _, isNrpn: __, takesTaps, bypass, ...fields } = made.receivers[n]!
      return makeDevice(name, n + 1, {
        ...fields,
        order: n,
        bypass:
          bypass === 'preset'
            ? { kind: 'preset', index: 7 }
            : bypass === 'control'
              ? { kind: 'control', controlId: id(`${name}-on`), off: 0, on: 127 }
              : { kind: 'none' },
        tapIn: takesTaps
          ? { ...USUAL_TAP_IN, place: { kind: 'control', controlId: id(`${name}-go`) } }
          : null,
      })
    })
    const main = makeController({
      rows: 1,
      columns: 4,
      events: ['press', 'release', 'longPress', 'doublePress'],
      hasShift: true,
      macros: 8,
      waitMs: 5000,
      runningStatus: made.runningStatus,
      pressWithLong: made.pressWithLong,
      home: made.isHome ? id('one') : null,
      ports: [
        makePort('out', makeRole('midiOut')),
        makePort('relay', makeRole('switchOut', { does: ['Octave'] })),
        makePort('foot', makeRole('switchIn', { action: 'either' })),
      ],
    })
    return makeRig({
      controllers: [
        main,
        ...(made.isTwo
          ? [
              makeController({
                id: id('controller2'),
                order: 2,
                name: 'Second controller',
                rows: 1,
                columns: 2,
                ports: [makePort('out', makeRole('midiOut'))],
              }),
            ]
          : []),
      ],
      devices: [
        ...devices,
        makeDevice('octaver', 'none', {
          kind: 'plain',
          order: 4,
          bypass: { kind: 'contact', off: made.relayOff },
          ports: [makePort('remote', makeRole('switchIn', { action: 'latching' }))],
        }),
        makeDevice('pedal', 'none', {
          kind: 'pedal',
          order: 5,
          ports: [makePort('plug', makeRole('switchOut', { by: 'foot' }))],
        }),
      ],
      cables: [
        makeCable('controller.out', 'a.in'),
        makeCable('a.thru', 'b.in'),
        makeCable(made.isTwo ? 'controller2.out' : 'b.thru', 'c.in'),
        makeCable('controller.relay', 'octaver.remote', { lead: 'ts' }),
        makeCable('pedal.plug', 'controller.foot', { lead: 'ts' }),
      ],
      controls: RECEIVERS.flatMap((device, n) => {
        const { readings, isNrpn } = made.receivers[n]!
        return [
          control(device, 'on', 21, { reading: { kind: 'switch', isStrict: false } }),
          control(device, 'go', 22, { reading: { kind: 'trigger', value: 127 } }),
          control(device, 'x', 23, { reading: readings[0]! }),
          control(device, 'y', 24, {
            reading: readings[1]!,
            ...(isNrpn && {
              address: {
                kind: 'nrpn',
                parameter: 300 as U14,
                written: 'number',
                value: 'msb',
                nullAfter: false,
              },
            }),
          }),
        ]
      }),
      presets: RECEIVERS.flatMap((device, n) => {
        const { count } = made.receivers[n]!.numbering
        return [
          makePreset(`${device}-1`, device, 3, '', {
            recalls: [{ controlId: id(`${device}-on`), value: 127 }],
          }),
          makePreset(`${device}-2`, device, count - 1, ''),
        ]
      }),
      sounds: [
        makeSound('s', {
          a: { kind: 'preset', presetId: id('a-1'), values: [] },
          b: { kind: 'preset', presetId: id('b-2'), values: [] },
          octaver: { kind: 'contacts', closes: ['remote'] },
        }),
        makeSound(
          't',
          { a: { kind: 'preset', presetId: id('a-2'), values: [{ controlId: id('a-on'), value: 127 }] } },
          { order: 2 },
        ),
      ],
      songs: [makeSong('slow', 72), makeSong('fast', 168, { order: 2 })],
      parts: [makePart('slow', 1, 's'), makePart('slow', 2, 't'), makePart('fast', 1, 's')],
      shows: [makeShow('show', ['slow', 'fast'], { stepsOn: made.stepsOn })],
      macros: [makeMacro('m', [])],
      banks: [
        makeBank('one', 0),
        makeBank('two', 1),
        ...(made.isTwo ? [makeBank('far', 0, '', { controllerId: id('controller2') })] : []),
      ],
    })
  })

/** Where the switches of a rig stand: two in each bank, one in the shift layer, one on a jack, one in every bank. */
const PLACES = [
  { bank: 'one', number: 1, fields: {} },
  { bank: 'one', number: 2, fields: { group: 'g' } },
  { bank: 'one', number: 3, fields: { group: 'g' } },
  { bank: 'two', number: 1, fields: {} },
  { bank: 'two', number: 2, fields: {} },
  { bank: 'one', number: 1, fields: { id: id('one-1-shift'), layer: 'shift' as const } },
  { bank: 'one', number: 4, fields: { everywhere: true } },
  { bank: 'one', number: 1, fields: { id: id('one-foot'), jack: 'foot', everywhere: true } },
] as const

/** Rigs with every kind of action, every gesture and every way a box can be; `weights` say how often a kind comes. */
export const wideRigs = (weights: Weights = {}): fc.Arbitrary<Rig> =>
  skeletons.chain((rig) => {
    const one = actionsOf(rig, weights)
    // A macro runs no macro, and a list runs it seldom.
    const plain = actionsOf(rig, { ...weights, macro: 0 })
    const list = fc.array(one, { minLength: 1, maxLength: 3 })
    const seldom = fc.oneof(
      { weight: 3, arbitrary: fc.constant<Action[]>([]) },
      { weight: 1, arbitrary: list },
    )
    const far = Object.values(rig.banks).find(
      ({ controllerId }) => (controllerId as string) === 'controller2',
    )
    const places = far ? [...PLACES, { bank: 'far', number: 1, fields: {} }] : PLACES
    return fc
      .record({
        switches: fc.array(
          fc.record({
            positions: fc.array(list, { minLength: 1, maxLength: 3 }),
            release: seldom,
            longPress: seldom,
            doublePress: seldom,
          }),
          { minLength: places.length, maxLength: places.length },
        ),
        macro: fc.array(fc.oneof(plain, fc.constant<Action>({ kind: 'wait', ms: 30 })), {
          minLength: 1,
          maxLength: 3,
        }),
        enter: seldom,
        leave: seldom,
        onPower: seldom,
      })
      .map(({ switches, macro, enter, leave, onPower }): Rig => ({
        ...rig,
        controllers: Object.fromEntries(
          Object.entries(rig.controllers).map(([key, row]) => [
            key,
            key === 'controller' ? { ...row, onPower } : row,
          ]),
        ),
        banks: Object.fromEntries(
          Object.entries(rig.banks).map(([key, row]) => [
            key,
            key === 'two' ? { ...row, enter, leave } : row,
          ]),
        ),
        macros: Object.fromEntries([['m', makeMacro('m', macro)]]),
        switches: Object.fromEntries(
          places.map(({ bank, number, fields }, n) => {
            const { positions, ...lists } = switches[n]!
            const row = makeSwitch(bank, number, positions, { ...lists, ...fields })
            return [row.id, row]
          }),
        ),
      }))
  })
