import * as fc from 'fast-check'
import { own } from '../../base/own'
import type { Rig } from '../../rig/rig'
import { actionsOf } from '../../rig/testing/actionSamples'
import {
  makeBank,
  makeCable,
  makeControl,
  makeController,
  makeDevice,
  makePart,
  makePort,
  makePreset,
  makeRig,
  makeRole,
  makeShow,
  makeSong,
  makeSound,
  makeSwitch,
} from '../../rig/testing/makeRig'
import type { Action } from '../../rig/table/action'
import type { Control } from '../../rig/table/control'
import type { Lamp } from '../../rig/table/switch'

/** Generated rigs for tests of lamps: small enough that every run of a few moves can be made, switches that travel among them. */

const pick = <Value>(all: readonly Value[]) => fc.constantFrom(...all)

const READINGS: readonly Control['reading'][] = [
  { kind: 'switch', isStrict: false },
  { kind: 'switch', isStrict: false },
  { kind: 'range', unit: '%', low: 0, high: 100, scale: 'linear', from: 0, to: 127 },
  { kind: 'toggle', value: 127 },
  { kind: 'trigger', value: 127 },
]
const CONTROLS = ['a-x', 'a-y', 'b-x'] as const
const PRESETS = ['a-1', 'a-2', 'b-1', 'b-2'] as const
const BANKS = ['one', 'two'] as const
const value = pick([0, 127, 50])

const action = fc.oneof(
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('recallPreset'), presetId: pick(PRESETS) }) },
  { weight: 3, arbitrary: fc.record({ kind: fc.constant('setControl'), controlId: pick(CONTROLS), value }) },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constant('alternateControl'),
      controlId: pick(CONTROLS),
      a: fc.constant(127),
      b: fc.constant(0),
    }),
  },
  { weight: 2, arbitrary: fc.record({ kind: fc.constant('recallSound'), soundId: pick(['s', 't']) }) },
  fc.record({ kind: fc.constant('travel'), to: pick(['next', 'back', 'home']), bankId: fc.constant(null) }),
  fc.record({ kind: fc.constant('travel'), to: fc.constant('bank'), bankId: pick(BANKS) }),
  fc.record({ kind: fc.constant('layer'), does: pick(['hold', 'change', 'base']) }),
  fc.record({
    kind: fc.constant('raw'),
    deviceId: fc.constant('a'),
    hex: pick(['B0 14 00', 'B0 14 7F', 'C0 04']),
  }),
  fc.record({ kind: fc.constant('resync') }),
  fc.record({
    kind: fc.constant('showStep'),
    to: pick(['nextPart', 'nextPart', 'previousPart', 'nextSong']),
    songId: fc.constant(null),
  }),
) as fc.Arbitrary<Action>

const lamp: fc.Arbitrary<Lamp> = fc.record({
  colour: fc.constant(''),
  light: pick(['follow', 'steady', 'off'] as const),
})

/** What goes on for a time makes runs too long to make all of them. */
const FOR_LAMPS = { macro: 0, wait: 0 } as const

/** Mostly what lamps hang on; now and then whatever else there is. */
function listsOf(rig: Rig) {
  const list = fc.array(
    fc.oneof({ weight: 24, arbitrary: action }, { weight: 1, arbitrary: actionsOf(rig, FOR_LAMPS) }),
    { minLength: 1, maxLength: 2 },
  )
  return {
    list,
    seldom: fc.oneof({ weight: 5, arbitrary: fc.constant<Action[]>([]) }, { weight: 1, arbitrary: list }),
  }
}

function switchesOf(rig: Rig) {
  const { list, seldom } = listsOf(rig)
  return fc.record({
    positions: fc.array(list, { minLength: 1, maxLength: 2 }),
    release: seldom,
    longPress: seldom,
    doublePress: seldom,
    group: pick(['', '', '', 'g']),
    lamps: fc.oneof(
      { weight: 4, arbitrary: fc.constant<Lamp[]>([]) },
      { weight: 1, arbitrary: fc.array(lamp, { maxLength: 2 }) },
    ),
  })
}

/** A controller of three switches, two devices, two banks, and nothing that any switch does. */
const skeletons = fc
  .record({
    readings: fc.array(pick(READINGS), { minLength: 3, maxLength: 3 }),
    maps: fc.array(pick(['device', 'device', 'device', 'preset'] as const), { minLength: 3, maxLength: 3 }),
    recalled: fc.array(fc.array(value, { maxLength: 2 }), { minLength: 4, maxLength: 4 }),
    entered: fc.array(fc.boolean(), { minLength: 4, maxLength: 4 }),
    powerOn: fc.array(pick([null, null, 3, 4]), { minLength: 2, maxLength: 2 }),
    deafMs: pick([0, 20]),
    waitMs: pick([0, 1000]),
    onBank: pick(['keeps', 'restarts'] as const),
    keepsSwitches: pick([0, 0, 2]),
    isCut: fc.boolean(),
  })
  .map((made): Rig => {
    const recalls = (n: number) =>
      CONTROLS.filter((id) => id[0] === PRESETS[n]![0])
        .slice(0, made.recalled[n]!.length)
        .map((controlId, at) => ({ controlId: controlId as never, value: made.recalled[n]![at]! }))
    return makeRig({
      controllers: [
        makeController({
          events: ['press', 'release', 'longPress', 'doublePress'],
          hasShift: true,
          columns: 3,
          rows: 1,
          waitMs: made.waitMs,
          onBank: made.onBank,
          keepsSwitches: made.keepsSwitches,
          ports: [makePort('out', makeRole('midiOut'))],
        }),
      ],
      devices: ['a', 'b'].map((name, n) =>
        makeDevice(name, n + 1, { order: n, deafMs: made.deafMs, powerOn: made.powerOn[n]! }),
      ),
      // Sometimes nothing leads to the second device.
      cables: [makeCable('controller.out', 'a.in'), ...(made.isCut ? [] : [makeCable('a.thru', 'b.in')])],
      controls: CONTROLS.map((name, n) =>
        makeControl(name, name[0]!, 20 + (n % 2), {
          reading: made.readings[n]!,
          map: made.maps[n]!,
          order: n,
        }),
      ),
      presets: PRESETS.map((name, n) =>
        makePreset(name, name[0]!, (n % 2) + 3, '', {
          recalls: recalls(n),
          entered: made.entered[n]! ? (CONTROLS.filter((id) => id[0] === name[0]) as never) : [],
        }),
      ),
      sounds: [
        makeSound('s', {
          a: { kind: 'preset', presetId: 'a-1' as never, values: [] },
          b: { kind: 'preset', presetId: 'b-2' as never, values: [] },
        }),
        // What a list goes on to do by what was sent last hangs on which sound the show came to.
        makeSound(
          't',
          {
            a: {
              kind: 'preset',
              presetId: 'a-2' as never,
              values: [{ controlId: 'a-x' as never, value: 127 }],
            },
          },
          { order: 2 },
        ),
      ],
      songs: [makeSong('x', null), makeSong('y', null, { order: 2 })],
      parts: [makePart('x', 1, 't'), makePart('x', 2, 's'), makePart('y', 1, 't')],
      shows: [makeShow('show', ['x', 'y'])],
      banks: BANKS.map((name, n) => makeBank(name, n)),
    })
  })

/** With every kind of action, those that lamps hang on most of all. */
export const lampRigs: fc.Arbitrary<Rig> = skeletons.chain((rig) =>
  fc
    .record({
      switches: fc.array(switchesOf(rig), { minLength: 4, maxLength: 5 }),
      enters: fc.array(listsOf(rig).seldom, { minLength: 2, maxLength: 2 }),
    })
    .map(({ switches, enters }) => ({
      ...rig,
      banks: Object.fromEntries(
        BANKS.map((name, n) => [name, { ...own(rig.banks, name)!, enter: enters[n]! }]),
      ),
      switches: Object.fromEntries(
        switches.map(({ positions, ...lists }, n) => {
          const row = makeSwitch(BANKS[n % 2]!, Math.floor(n / 2) + 1, positions, lists)
          return [row.id, row]
        }),
      ),
    })),
)
